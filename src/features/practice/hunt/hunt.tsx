import clsx from 'clsx';
import { RotateCw } from 'lucide-react';
import { useCallback, useState } from 'react';
import { faultWords } from '@/core/faults';
import type { HuntTest } from '@/core/practice';
import { toNumber } from '@/core/rational';
import { figure } from '@/core/units';
import { couplerName } from '@/core/words';
import { useScreenKeys } from '@/features/train/frame/screen-keys';
import type { KeyLine } from '@/help/help-panel';
import { GivenLists } from '../question/given';
import { toggled } from '../question/answer-field';
import { TrainFigure } from '../question/train-figure';
import type { OpenHunt } from '../store';
import { usePractice, usePracticeItself } from '../use-practice';
import { giveUp, isBad, nameIt, same, tryIt } from './begin';
import { HuntEnd } from './hunt-end';
import { required } from '@/core/required';
import { InWords } from '@/ui/part-words';

/** Engage, turn, see, and name the part that is bad. */
export function HuntPane() {
  const hunt = usePractice((state) => state.hunt);
  if (!hunt)
    return (
      <p className="muted m-auto max-w-prose p-6">
        Hide a fault in a train. It then does what it does: engage couplers, turn the crank, and find the bad part.
      </p>
    );
  return <Hunting key={hunt.id} own={hunt} />;
}

const HUNT_KEYS: readonly KeyLine[] = [{ keys: 'T', does: 'In a fault hunt: turn the crank with what is engaged' }];

function Hunting({ own }: { own: OpenHunt }) {
  const itself = usePracticeItself();
  const { train } = own.hunt;
  const able = train.couplers.filter((one) => one.type !== 'one-way' || one.control === 'selectable');
  const engage = (engaged: readonly string[]) => itself.store.getState().putHunt({ ...own, engaged });
  const press = useCallback(
    (event: KeyboardEvent) => {
      const { key, target } = event;
      if (event.ctrlKey || event.metaKey || event.altKey || key.toLowerCase() !== 't') return;
      if (target instanceof Element && target.closest('input:not([type=checkbox]), select, textarea, dialog')) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      void tryIt(itself);
    },
    [itself],
  );
  useScreenKeys(HUNT_KEYS, press);
  return (
    <article aria-label="The hunt" className="flex min-h-0 flex-1 flex-col gap-2 overflow-auto px-5 py-3">
      <h3 className="text-lg font-semibold">{train.name}: one part is bad</h3>
      <TrainFigure
        train={train}
        engaged={own.engaged}
        onTap={({ kind, id }) => {
          if (kind === 'couplers' && able.some((one) => one.id === id) && !own.over) engage(toggled(own.engaged, id));
        }}
        className="max-h-[44dvh] min-h-64 w-full"
      />
      {own.over ? (
        <HuntEnd own={own} />
      ) : (
        <>
          <div className="flex flex-wrap items-center gap-1.5 text-sm" role="group" aria-label="Engage">
            {train.positions.map(({ id, name, engaged }) => (
              <button
                key={id}
                type="button"
                className="btn btn-xs"
                title="Engage what this position engages"
                onClick={() => engage(engaged)}
              >
                {name || id}
              </button>
            ))}
            <span className="muted">or one by one</span>
            {able.map(({ id }) => (
              <button
                key={id}
                type="button"
                aria-pressed={own.engaged.includes(id)}
                className={clsx('btn btn-xs', own.engaged.includes(id) ? 'btn-accent' : 'btn-outline')}
                onClick={() => engage(toggled(own.engaged, id))}
              >
                {couplerName(train, id)}
              </button>
            ))}
          </div>
          <div>
            <button type="button" className="btn btn-sm btn-accent" onClick={() => void tryIt(itself)}>
              <RotateCw className="size-4" aria-hidden /> Turn the crank{' '}
              <kbd className="kbd kbd-xs text-base-content">T</kbd>
            </button>
          </div>
        </>
      )}
      <Tests own={own} />
      {!own.over && <Naming own={own} />}
      <GivenLists train={train} chart />
    </article>
  );
}

/** What each test did; one that could teach nothing is pointed out, how much the others taught is told at the end. */
function Tests({ own }: { own: OpenHunt }) {
  const tests = own.standing?.tests ?? [];
  if (tests.length === 0) return null;
  const { train } = own.hunt;
  return (
    <table
      aria-label="Tests"
      className="w-full max-w-5xl text-sm [&_td]:pr-4 [&_td]:align-top [&_th]:pr-4 [&_th]:align-bottom"
    >
      <thead>
        <tr className="border-b border-base-content text-left">
          <th scope="col">Test</th>
          <th scope="col">Engaged</th>
          <th scope="col">What it did</th>
          <th scope="col">As computed</th>
          <th scope="col">{own.over ? 'Suspects left' : ''}</th>
        </tr>
      </thead>
      <tbody>
        {tests.map((test, i) => (
          <tr key={i} className="border-b border-base-300">
            <td>{i + 1}</td>
            <td>{test.engaged.map((id) => couplerName(train, id)).join(' + ') || 'nothing'}</td>
            <td>{outcomeWords(test)}</td>
            <td>{test.asComputed ? 'yes' : 'no'}</td>
            <td>
              {own.over && `${test.after} of ${test.before}`}
              {test.vain && <span className="text-warning"> could teach nothing: every suspect does this</span>}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What the faulty train did, as it is seen at the crank and the output. */
export function outcomeWords({ outcome: { status, ratio } }: HuntTest): string {
  if (status === 'locked') return 'the crank does not turn: locked';
  if (status === 'split') return 'it turns, and power is split between outputs';
  if (ratio === null) return 'the crank turns, the output does not';
  const size = Math.abs(toNumber(ratio));
  return `${figure(size)} turns of the crank for one of the output${ratio.n < 0 ? ', reverse' : ''}`;
}

/** The name of the bad part, out of all that could be. */
function Naming({ own }: { own: OpenHunt }) {
  const itself = usePracticeItself();
  const { train, possible } = own.hunt;
  const [chosen, setChosen] = useState('');
  const wrong = own.named.filter((fault) => !isBad(own, fault));
  return (
    <div className="flex flex-wrap items-center gap-2 text-sm">
      <label className="flex items-center gap-2">
        <span className="font-semibold">It is this:</span>
        <select className="select select-sm w-80" value={chosen} onChange={(event) => setChosen(event.target.value)}>
          <option value="">…</option>
          {possible.map((fault) => (
            <option
              key={JSON.stringify(fault)}
              value={JSON.stringify(fault)}
              disabled={wrong.some((one) => same(one, fault))}
            >
              <InWords train={train} text={faultWords(train, fault)} />
            </option>
          ))}
        </select>
      </label>
      <button
        type="button"
        className="btn btn-sm"
        disabled={chosen === ''}
        onClick={() => nameIt(itself, required(possible.find((fault) => JSON.stringify(fault) === chosen)))}
      >
        Name it
      </button>
      <button type="button" className="btn btn-ghost btn-sm" onClick={() => giveUp(itself)}>
        Give up
      </button>
      {wrong.length > 0 && (
        <span role="status" className="text-error">
          <InWords train={train} text={`Not ${wrong.map((fault) => faultWords(train, fault)).join(', nor ')}.`} />
        </span>
      )}
    </div>
  );
}
