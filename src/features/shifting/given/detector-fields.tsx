import { readAs } from '@/core/shifting';
import { figure } from '@/core/units';
import { TextInput, Pick } from '@/ui/form-fields';
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
  const field = (key: keyof DetectorText & string, label: string, unit: string, place: string, title?: string) => (
    <TextInput
      label={label}
      unit={unit}
      unitWidth="w-14"
      {...(title !== undefined && { title })}
      value={detector[key]}
      message={wrong(`rule.detector.${place}`)}
      onChange={(text) => set({ [key]: text })}
    />
  );
  return (
    <details className="flex flex-col gap-1">
      <summary className="muted cursor-pointer">Detector</summary>
      <div className="flex flex-col gap-1 pt-1">
        {field('lag', 'Follows within', 's', 'lagS', 'Time constant; of a spring its damping over its stiffness')}
        {cue === 'torque' && (
          <>
            <Pick
              label="Feels"
              title={FEELS_HELP}
              value={detector.feels}
              choices={FEELS}
              onChange={(feels) => set({ feels })}
            />
            {field('stiffness', 'Spring stiffness', 'N·m/°', 'stiffnessNmPerDeg')}
            {field('preload', 'Preload', 'N·m', 'preloadNm')}
            {field('damping', 'Damping', 'N·m s/°', 'dampingNmSPerDeg')}
            {field('detentOn', 'Detent lets go at', 'N·m', 'detentOnNm')}
            {field('detentOff', 'and takes back at', 'N·m', 'detentOffNm')}
            {field('arm', 'Scale on an arm of', 'mm', 'armMm')}
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
