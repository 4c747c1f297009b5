import { wheelsWithin } from '@/core/tooth-search';
import { teethOf, type Spans, type WheelsText } from '../form';
import type { FieldTable } from '@/ui/form/fields';
import { FormFields } from '@/ui/form/form-fields';
import { SIZES, UNDERCUT } from '../fields';
import { useAsk, useTeethForm, useProblemAt } from '../use-teeth';
import { TextInput, Group, Tick } from '@/ui/form/inputs';
import { SpanField } from './span-field';

/** Which wheels there are: by count, out of stock, or from what they have to go round and into. */
export function WheelFields() {
  const { wheels, kind, perStage, stages } = useTeethForm();
  const ask = useAsk();
  const wrong = useProblemAt();
  const set = (change: Partial<WheelsText>) => ask({ wheels: { ...wheels, ...change } });
  const fields = <K extends Exclude<keyof WheelsText, 'undercut'>>(table: FieldTable<K>, place = 'teeth') => (
    <FormFields
      fields={table}
      form={wheels}
      wrong={(path) => wrong(`${place}.${path}`)}
      onChange={(change) => ask({ wheels: { ...wheels, ...change } })}
    />
  );
  const spans: Spans = [wheels.min, wheels.max];
  const found = wheelsWithin(teethOf(wheels));
  return (
    <Group name="Wheels">
      {perStage && kind === 'chains' ? (
        perStage
          .slice(0, stages[1])
          .map((span, i) => (
            <SpanField
              key={i}
              label={`Teeth, stage ${i + 1}`}
              value={span}
              onChange={(changed) => ask({ perStage: perStage.map((one, k) => (k === i ? changed : one)) })}
            />
          ))
      ) : (
        <>
          <SpanField label="Teeth" value={spans} onChange={([min, max]) => set({ min, max })} />
          <TextInput
            wide
            label="Only from stock"
            placeholder="any"
            title="Tooth counts that you have, such as 17 20-24 30; empty for any."
            value={wheels.stock}
            onChange={(stock) => set({ stock })}
          />
        </>
      )}
      {kind === 'chains' && (
        <Tick
          label="Each stage its own limits"
          checked={perStage !== null}
          onChange={(own) => ask({ perStage: own ? Array.from({ length: 5 }, () => spans) : null })}
        />
      )}
      <details open={wheels.module !== '' || undefined}>
        <summary className="cursor-pointer">Bore and space</summary>
        <div className="mt-1 flex flex-col gap-1">
          {fields(SIZES)}
          <Tick
            label="No undercut"
            title="From 2 (1 − x)/sin² of the pressure angle: 17 teeth at 20° without shift."
            checked={wheels.undercut}
            onChange={(undercut) => set({ undercut })}
          />
          {wheels.undercut && fields(UNDERCUT, 'teeth.undercut')}
        </div>
      </details>
      {found.ok ? (
        (wheels.module !== '' || wheels.undercut) && (
          <p className="muted">
            Least {found.value.least}; most {found.value.most}.
          </p>
        )
      ) : (
        <p role="alert" className="text-error">
          {found.problems[0].message}
        </p>
      )}
    </Group>
  );
}
