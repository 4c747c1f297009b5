import { useMemo } from 'react';
import { abs, toFraction, toNumber } from '@/core/rational';
import {
  checksOf,
  countsText,
  trainOfFinding,
  type Chain,
  type SearchResult,
  type NamedRatio,
  type ResultFilter,
  type SearchQuestion,
  type WaysToRatio,
} from '@/core/tooth-search';
import type { Train } from '@/core/train';
import { figure } from '@/core/units';
import { listed, memberName } from '@/core/words';
import { SmallSideView } from '@/figures/side-view/small-side-view';
import { useDraftedSideView } from '@/workers/use-drafted-side-view';
import { errorText } from './error-text';
import { UseIt } from './use-it';
import { WaysList } from './ways-list';

const SPACE = { width: 420, height: 210 };

interface Props {
  readonly question: SearchQuestion;
  readonly train: Train | null;
  readonly finding: SearchResult;
  readonly checks: readonly string[] | undefined;
  /** Every way to make its ratio, once they are known. */
  readonly ways: WaysToRatio | undefined;
  readonly filter: ResultFilter;
  /** Another chain of the same ratio is taken. */
  readonly onWay: (chain: Chain) => void;
}

/** The chosen finding: drawn, what the checks say, the other ways to make its ratio, and what can be done with it. */
export function ChosenResult({ question, train, finding, checks, ways, filter, onWay }: Props) {
  const name = nameFor(question);
  const made = useMemo(() => trainOfFinding(question, finding, name, train), [question, finding, name, train]);
  // Another chain of the same ratio was not checked with the others.
  const said = useMemo(
    () => checks ?? (finding.made.kind === 'chain' ? checksOf(question, finding, train) : []),
    [checks, question, finding, train],
  );
  return (
    <section aria-label="The chosen one" className="border-t border-base-content px-4 py-2 text-sm">
      <h3 className="font-semibold">
        {question.kind === 'fit' ? 'This train with other counts' : countsText(finding)}
      </h3>
      <div className="my-1 grid h-32 place-items-center border border-base-300">
        {made.ok ? <Drawing train={made.train} /> : <p className="muted px-4">{made.message}</p>}
      </div>
      {made.ok && <UseIt question={question} finding={finding} made={made.train} />}
      {finding.ratios.length > 1 && <Ratios ratios={finding.ratios} />}
      {finding.made.kind === 'teeth' && train && <Changes train={train} teeth={finding.made.teeth} />}
      {finding.made.kind === 'chain' && ways && (
        <WaysList ways={ways} chain={finding.made.chain} filter={filter} onChoose={onWay} />
      )}
      {said.length > 0 && (
        <ul aria-label="What the checks say" className="list-disc pl-4">
          {said.slice(0, MOST_TOLD).map((what, i) => (
            <li key={i}>{what}</li>
          ))}
          {said.length > MOST_TOLD && (
            <li className="muted">and {said.length - MOST_TOLD} more, on the Bench under Checks</li>
          )}
        </ul>
      )}
      <p className="muted pt-1 text-xs">
        Counts settle motion only: strength of teeth, shafts and bearings is not rated here, and local rules on
        machinery come first.
      </p>
    </section>
  );
}

/** What a new train is called until it is given a name. */
function nameFor(question: SearchQuestion): string {
  switch (question.kind) {
    case 'chains':
      return `Chain for ${figure(toNumber(question.question.target))}`;
    case 'planetary':
      return `Planetary for ${figure(toNumber(question.question.target))}`;
    case 'ladder':
      return `Ladder of ${question.question.positions}`;
    case 'ranges':
      return `${question.question.ranges} ranges`;
    case 'outputs':
      return listed(question.question.outputs.map(({ name }) => name)).slice(0, 100);
    case 'fit':
      return 'fitted';
  }
}

/** What was wanted and what comes, of each position, range or output. */
const Ratios = ({ ratios }: { ratios: readonly NamedRatio[] }) => (
  <table aria-label="Target and result" className="my-1 w-full">
    <thead className="muted">
      <tr className="[&_th]:font-normal">
        <th scope="col" className="text-left">
          Of
        </th>
        <th scope="col" className="text-right">
          Wanted, in/out
        </th>
        <th scope="col" className="text-right">
          Found
        </th>
        <th scope="col" className="text-right">
          Error
        </th>
      </tr>
    </thead>
    <tbody>
      {ratios.map(({ id, name, ratio, wanted, error }) => (
        <tr key={id} className="border-t border-base-300/60">
          <th scope="row" className="text-left font-normal">
            {name}
          </th>
          <td className="figure text-right">{figure(wanted)}</td>
          <td className="figure text-right" title={toFraction(abs(ratio))}>
            {figure(wanted < 0 ? toNumber(ratio) : Math.abs(toNumber(ratio)))}
          </td>
          <td className="figure text-right">{errorText(error)}</td>
        </tr>
      ))}
    </tbody>
  </table>
);

/** The counts that would change: "sun 40 → 36". */
const Changes = ({ train, teeth }: { train: Train; teeth: ReadonlyMap<string, number> }) => (
  <ul aria-label="Counts that change" className="my-1 columns-2">
    {train.gears
      .filter(({ id, teeth: now }) => (teeth.get(id) ?? now) !== now)
      .map(({ id, member, teeth: now }) => (
        <li key={id} className="flex justify-between gap-2">
          <span className="truncate">{memberName(train, member)}</span>
          <span className="figure whitespace-nowrap">
            {now} → {teeth.get(id)}
          </span>
        </li>
      ))}
  </ul>
);

const MOST_TOLD = 4;

/** Its side view. */
function Drawing({ train }: { train: Train }) {
  const drawn = useDraftedSideView(train, SPACE);
  return drawn.ok ? (
    <SmallSideView view={drawn.view} train={train} className="h-32 w-full" />
  ) : (
    <p className="muted px-4">{drawn.why}</p>
  );
}
