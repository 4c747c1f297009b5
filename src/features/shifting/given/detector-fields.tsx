import { readAs } from '@/core/shifting';
import { figure } from '@/core/units';
import type { FieldTable } from '@/ui/form/fields';
import { FormFields } from '@/ui/form/form-fields';
import { LAG, SPRING } from '../fields';
import { Pick } from '@/ui/form/inputs';
import type { DetectorText } from '../form';
import { useFill, useTypedFields, useSetup, useNameOf, useWrong } from '../use-shifting';

const FEELS = { output: 'at the output', motor: 'before the selector' } as const;
const FEELS_HELP =
  'Before the selector the motor’s speed tells its torque, (1 − u) T₀, and so ' +
  'that of the output in the position that is in.';

/** How the detector is made: a spring with preload, detent and damping, a scale on an arm; where it feels. */
export function DetectorFields({ cue }: { cue: 'speed' | 'torque' }) {
  const { detector } = useTypedFields('detector');
  const fill = useFill();
  const wrong = useWrong();
  const set = (change: Partial<DetectorText>) => fill({ detector: { ...detector, ...change } });
  const fields = (table: FieldTable<Exclude<keyof DetectorText, 'feels'>>) => (
    <FormFields
      fields={table}
      form={detector}
      unitWidth="w-14"
      wrong={(path) => wrong(`rule.detector.${path}`)}
      onChange={set}
    />
  );
  return (
    <details className="flex flex-col gap-1">
      <summary className="muted cursor-pointer">Detector</summary>
      <div className="flex flex-col gap-1 pt-1">
        {fields(LAG)}
        {cue === 'torque' && (
          <>
            <Pick
              label="Feels"
              title={FEELS_HELP}
              value={detector.feels}
              choices={FEELS}
              onChange={(feels) => set({ feels })}
            />
            {fields(SPRING)}
            <AsRead />
          </>
        )}
      </div>
    </details>
  );
}

/** The thresholds as the spring's turn and the scale's force. */
function AsRead() {
  const setup = useSetup();
  const nameOf = useNameOf();
  const rule = setup?.scenario.rule;
  if (rule?.cue !== 'torque') return null;
  const { detector = {} } = rule;
  const rows = [
    ...Object.entries(rule.down ?? {}).map(([id, torque]) => ({ what: `${nameOf(id)} down`, torque })),
    ...Object.entries(rule.up ?? {}).map(([id, torque]) => ({ what: `${nameOf(id)} up`, torque })),
  ].map(({ what, torque }) => ({ what, ...readAs(detector, torque) }));
  if (rows.every(({ degrees, forceN }) => degrees === null && forceN === null)) return null;
  return (
    <ul aria-label="The thresholds at the detector" className="list-disc pl-4">
      {rows.map(({ what, degrees, forceN }) => (
        <li key={what}>
          {what}:{' '}
          {[
            degrees === null ? null : `the lever at ${figure(degrees)}°`,
            forceN === null ? null : `the scale at ${figure(forceN)} N`,
          ]
            .filter((text) => text !== null)
            .join(', ')}
        </li>
      ))}
    </ul>
  );
}
