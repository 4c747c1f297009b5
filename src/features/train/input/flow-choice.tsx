'use client';

import type { FlowKind } from '../analysis';
import { useTrain } from '../use-train';

const FLOWS: Record<FlowKind, { label: string; title: string }> = {
  drive: { label: 'Drive', title: 'Power goes in at the input.' },
  coast: { label: 'Coast', title: 'The load drives; the input holds it back.' },
  backward: { label: 'Back-drive', title: 'The output is turned: does the input follow?' },
};

/** Who drives whom, and whether losses count. */
export function FlowChoice() {
  const flow = useTrain((state) => state.flow);
  const setFlow = useTrain((state) => state.setFlow);
  return (
    <>
      <fieldset className="flex gap-4 text-sm">
        <legend className="sr-only">Who drives</legend>
        {(Object.keys(FLOWS) as FlowKind[]).map((kind) => (
          <label
            key={kind}
            className={
              'muted cursor-pointer border-b-2 border-transparent has-checked:border-primary ' +
              'has-checked:text-base-content has-focus-visible:outline-2 has-focus-visible:outline-accent'
            }
            title={FLOWS[kind].title}
          >
            <input
              type="radio"
              name="flow"
              className="sr-only"
              checked={flow === kind}
              onChange={() => setFlow(kind)}
            />
            {FLOWS[kind].label}
          </label>
        ))}
      </fieldset>
      <LossesChoice />
    </>
  );
}

/** Whether what the meshes lose counts. */
export function LossesChoice() {
  const losses = useTrain((state) => state.losses);
  const lossy = useTrain(
    ({ train }) =>
      train.efficiency !== undefined ||
      train.meshes.some(({ efficiency, backEfficiency }) => efficiency !== undefined || backEfficiency !== undefined),
  );
  const setLosses = useTrain((state) => state.setLosses);
  return (
    <label
      className="muted flex cursor-pointer items-center gap-1.5 text-sm"
      title={lossy ? 'Include mesh losses.' : 'No efficiencies are given for this train, so nothing is lost.'}
    >
      <input
        type="checkbox"
        className="checkbox checkbox-xs"
        checked={losses}
        disabled={!lossy}
        onChange={(event) => setLosses(event.target.checked)}
      />
      Losses
    </label>
  );
}
