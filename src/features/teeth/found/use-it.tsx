'use client';

import { useContext, useState } from 'react';
import { toFraction, toNumber } from '@/core/rational';
import {
  stagesOf,
  withSet,
  withStages,
  withTeeth,
  type SearchResult,
  type SearchQuestion,
  type TrainStage,
} from '@/core/tooth-search';
import { simpleSetsOf, type Edit, type SimpleSet, type Train } from '@/core/train';
import { figure } from '@/core/units';
import { memberName } from '@/core/words';
import { analyseEngaged } from '@/features/train/analysis';
import { editTrain } from '@/features/train/edit';
import { UseAsNewTrain } from '@/features/train/use-as-new-train';
import { engagementIn } from '@/features/train/engagement';
import type { Session } from '@/features/train/session';
import { SessionContext, useTrain } from '@/features/train/use-train';
import { partsById } from '@/core/train';
import { itemAt } from '@/core/required';

interface Props {
  readonly question: SearchQuestion;
  readonly finding: SearchResult;
  readonly made: Train;
}

/** What can be done with a finding: a train of its own, or counts of the open one; the latter is one step of undo. */
export function UseIt({ question, finding, made }: Props) {
  const session = useContext(SessionContext);
  if (finding.made.kind === 'teeth') return session && <UseCounts session={session} teeth={finding.made.teeth} />;
  return (
    <div className="mt-1 flex flex-col gap-1.5">
      <UseAsNewTrain made={made} />
      {session && finding.made.kind === 'chain' && (
        <ReplaceStages key={finding.made.chain.length} session={session} pairs={finding.made.chain} />
      )}
      {session &&
        finding.made.kind === 'sets' &&
        finding.made.sets.length === 1 &&
        question.kind === 'planetary' &&
        (question.question.shape ?? 'simple') === 'simple' && (
          <ReplaceSet session={session} set={itemAt(finding.made.sets, 0)} />
        )}
    </div>
  );
}

/** Takes a changed document over as one step of undo, and says so. */
function take({ store }: Session, edit: Edit, said: string): void {
  if (edit.ok) editTrain(store, edit.train, { notice: `${said} Undo takes it back.` });
  else store.getState().say(edit.message);
}

function UseCounts({ session, teeth }: { session: Session; teeth: ReadonlyMap<string, number> }) {
  const train = useTrain((state) => state.train);
  const changed = train.gears.filter(({ id, teeth: now }) => (teeth.get(id) ?? now) !== now).length;
  const gears = (count: number) => `${count} ${count === 1 ? 'gear' : 'gears'}`;
  return (
    <button
      type="button"
      className="btn btn-neutral btn-sm my-1"
      disabled={changed === 0}
      onClick={() =>
        take(session, withTeeth(train, teeth), `${gears(changed)} ${changed === 1 ? 'has' : 'have'} new counts.`)
      }
    >
      {changed === 0
        ? 'This train has these counts'
        : `Use it in this train: ${gears(changed)} ${changed === 1 ? 'changes' : 'change'}`}
    </button>
  );
}

function ReplaceStages({ session, pairs }: { session: Session; pairs: Parameters<typeof withStages>[2] }) {
  const train = useTrain((state) => state.train);
  const { engaged } = useTrain(engagementIn);
  const stages = stagesOf(train);
  const [picked, setPicked] = useState<readonly number[]>(() => pairs.map((_, i) => i));
  if (stages.length < pairs.length)
    return (
      <p className="muted">
        The open train has too few fixed-axis pairs for these counts: {stages.length} for {pairs.length}.
      </p>
    );
  const chosen = picked.map((at) => stages[at]).filter((stage) => stage !== undefined);
  const twice = new Set(chosen.map(({ mesh }) => mesh)).size < pairs.length;
  const edit = twice ? null : withStages(train, chosen, pairs);
  const ratio = edit?.ok ? analyseEngaged(edit.train, engaged, 'drive', false).solved.ratio : null;
  return (
    <fieldset className="flex flex-col gap-1 border-t border-base-300 pt-1.5">
      <legend className="sr-only">Stages of the open train that take these counts</legend>
      {pairs.map(([driver, driven], i) => (
        <label key={i} className="flex items-center justify-between gap-2">
          <span>
            <span className="figure">
              {driver}/{driven}
            </span>{' '}
            <span className="muted">for</span>
          </span>
          <select
            className="select select-xs w-64"
            aria-label={`Pair of the open train that becomes ${driver}/${driven}`}
            value={picked[i]}
            onChange={(event) => setPicked(picked.map((one, k) => (k === i ? Number(event.target.value) : one)))}
          >
            {stages.map((stage, at) => (
              <option key={stage.mesh} value={at}>
                {stageText(train, stage)}
              </option>
            ))}
          </select>
        </label>
      ))}
      <div className="flex items-center justify-between gap-2">
        <span className="muted">
          {twice ? (
            'Choose a different pair for each.'
          ) : ratio ? (
            <>
              The open train would give{' '}
              <span className="figure" title={toFraction(ratio)}>
                {figure(Math.abs(toNumber(ratio)))}
              </span>{' '}
              in/out in this position.
            </>
          ) : edit && !edit.ok ? (
            edit.message
          ) : (
            'In this position the open train does not drive.'
          )}
        </span>
        <button
          type="button"
          className="btn btn-sm"
          disabled={!edit?.ok}
          onClick={() =>
            edit && take(session, edit, `${pairs.length} ${pairs.length === 1 ? 'pair has' : 'pairs have'} new counts.`)
          }
        >
          Use it in this train
        </button>
      </div>
    </fieldset>
  );
}

function stageText(train: Train, { driver, driven }: TrainStage): string {
  const side = (id: string) => {
    const { teeth, member } = partsById(train).gear(id);
    return `${teeth} on ${memberName(train, member)}`;
  };
  return `${side(driver)} with ${side(driven)}`;
}

function ReplaceSet({ session, set }: { session: Session; set: Parameters<typeof withSet>[2] }) {
  const train = useTrain((state) => state.train);
  const sets = simpleSetsOf(train);
  const [at, setAt] = useState(0);
  const chosen = sets[at];
  if (!chosen) return <p className="muted">The open train has no simple set that could take these counts.</p>;
  return (
    <div className="flex items-center justify-between gap-2 border-t border-base-300 pt-1.5">
      <select
        className="select select-xs min-w-0 flex-1"
        aria-label="Set of the open train that takes these counts"
        value={at}
        onChange={(event) => setAt(Number(event.target.value))}
      >
        {sets.map((one, i) => (
          <option key={i} value={i}>
            {setText(train, one)}
          </option>
        ))}
      </select>
      <button
        type="button"
        className="btn btn-sm"
        onClick={() => take(session, withSet(train, chosen, set), 'The set has new counts.')}
      >
        Use it in this train
      </button>
    </div>
  );
}

function setText(train: Train, { sun, planet, ring }: SimpleSet): string {
  return (
    `${sun.teeth} · ${planet.teeth} · ${ring.teeth} on ` +
    `${memberName(train, sun.member)} and ${memberName(train, ring.member)}`
  );
}
