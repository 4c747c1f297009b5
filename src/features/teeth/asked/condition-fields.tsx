import type { TeethForm } from '../form';
import { FormFields } from '@/ui/form/form-fields';
import { MOST_ERROR, TIME } from '../fields';
import { useAsk, useTeethForm, useProblemAt } from '../use-teeth';
import { Group, Pick, Tick } from '@/ui/form/inputs';

const COPRIME: Record<TeethForm['coprime'], string> = {
  any: 'allowed',
  preferred: 'rather not',
  required: 'not allowed',
};
export const TURNING: Record<TeethForm['turning'], string> = {
  any: 'either',
  same: 'as the input',
  opposite: 'against the input',
};

const HUNTING =
  'Without a common factor each tooth meets all of the other wheel (hunting), so wear evens out; with round ' +
  'ratios the same teeth meet again, which some prefer for timing and marking. Both are good practice.';

/** What a chain, a ladder or its ranges have to meet besides. */
export function ConditionFields() {
  const form = useTeethForm();
  const ask = useAsk();
  const wrong = useProblemAt();
  const chains = form.kind === 'chains';
  return (
    <Group name="Conditions">
      <Pick label="Common factors" value={form.coprime} choices={COPRIME} onChange={(coprime) => ask({ coprime })} />
      {form.coprime !== 'any' && <p className="muted text-xs">{HUNTING}</p>}
      {chains && (
        <>
          <Pick
            label="The output turns"
            title={
              'Where the meshes alone turn it the other way, an idler is added, or a ' +
              'wheel with its teeth inside where that is allowed.'
            }
            value={form.turning}
            choices={TURNING}
            onChange={(turning) => ask({ turning })}
          />
          <Tick
            label="All stages between the same two shafts"
            title="The same centre distance in every stage (reverted)."
            checked={form.equalCentres}
            onChange={(equalCentres) => ask({ equalCentres })}
          />
          <Tick label="The same pair in every stage" checked={form.same} onChange={(same) => ask({ same })} />
          <Tick
            label="Allow internal gears"
            title="Where they have at least 10 teeth more than their pinion."
            checked={form.internal}
            onChange={(internal) => ask({ internal })}
          />
        </>
      )}
      {(chains || form.kind === 'planetary') && (
        <FormFields fields={MOST_ERROR} form={form} wrong={wrong} onChange={ask} />
      )}
      <TimeField />
    </Group>
  );
}

/** How long it may search. */
export function TimeField() {
  const form = useTeethForm();
  return <FormFields fields={TIME} form={form} wrong={useProblemAt()} onChange={useAsk()} />;
}
