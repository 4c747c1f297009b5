import { useEffect, useState } from 'react';
import { gearingsOf, orderOf, pointsWith, soundThresholds, type Scenario } from '@/core/shifting';
import type { Train } from '@/core/train';
import { useSession, useNotice } from '@/features/train/use-train';
import { jobRunner } from '@/workers/beside';
import { readShelf, fetchTrain, type ShelfEntry } from '@/wire';
import { useShifting } from '../use-shifting';
import { itemAt } from '@/core/required';

/**
 * Lays runs over one another: this one kept for the next to lie over, or another train's on the same motor and load.
 */
export function CompareRuns() {
  const made = useShifting((state) => state.made);
  const beside = useShifting((state) => state.beside);
  const compareWith = useShifting((state) => state.compareWith);
  return (
    <span className="flex flex-wrap items-center gap-1">
      <button
        type="button"
        className="btn btn-ghost btn-xs"
        title="Keep this run, so that the next lies over it"
        disabled={made === null}
        onClick={() => made && compareWith([...beside, { ...made, name: `${beside.length + 1}: as it was` }])}
      >
        Overlay next run
      </button>
      <AnotherTrain />
      {beside.length > 0 && (
        <button type="button" className="btn btn-ghost btn-xs" onClick={() => compareWith([])}>
          Only this run ({beside.length} below it)
        </button>
      )}
    </span>
  );
}

/** Another box of the shelf on the same motor, load and kind of rule, with thresholds that are sound for it. */
function AnotherTrain() {
  const { id } = useSession();
  const notice = useNotice();
  const made = useShifting((state) => state.made);
  const compareWith = useShifting((state) => state.compareWith);
  const [shelf, setShelf] = useState<readonly ShelfEntry[]>([]);
  const [runs] = useState(() => jobRunner('runOther'));
  useEffect(() => runs.leave, [runs]);
  const look = async () => {
    const answer = await readShelf();
    if (answer.ok) setShelf(answer.value.trains);
    else notice(answer.message);
  };
  const compare = async (other: string) => {
    if (!made) return;
    const answer = await fetchTrain(other);
    if (!answer.ok) return notice(answer.message);
    const { train } = answer.value;
    const scenario = onOther(train, made.scenario);
    if (!scenario) return notice(`${train.name} drives in no position, so it cannot run this.`);
    const state = await runs.begin({ train, scenario });
    if (state?.kind === 'failed') notice(state.message);
    if (state?.kind === 'done') compareWith([{ name: train.name, train, scenario, run: state.value }]);
  };
  return (
    <select
      className="select select-xs w-36"
      aria-label="Another train on the same motor and load"
      value=""
      disabled={made === null}
      onFocus={() => void look()}
      onChange={(event) => void compare(event.target.value)}
    >
      <option value="" disabled>
        another train…
      </option>
      {shelf
        .filter((entry) => entry.id !== id)
        .map((entry) => (
          <option key={entry.id} value={entry.id}>
            {entry.name}
          </option>
        ))}
    </select>
  );
}

function onOther(train: Train, scenario: Scenario): Scenario | null {
  const order = orderOf(train);
  if (order.length === 0) return null;
  const { motor, load, rule, losses = false, inertia } = scenario;
  const gearings = gearingsOf(train, order, losses);
  const points = pointsWith(gearings, { motor, load, order: [...order] });
  const cue = rule?.cue === 'torque' ? 'torque' : 'speed';
  return {
    ...scenario,
    order: [...order],
    start: { position: itemAt(order, 0), outputRpm: 0 },
    inertia: { inputKgM2: inertia?.inputKgM2, outputKgM2: inertia?.outputKgM2 },
    rule: { ...rule, cue, schedule: undefined, ...soundThresholds(gearings, points, motor, cue) },
  };
}
