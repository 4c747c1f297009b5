import { loadOf, loadTorque } from '@/core/shifting';
import { figure } from '@/core/units';
import { TextInput, Group, Pick } from '@/ui/form-fields';
import type { ShiftingForm, Mass } from '../form';
import { useFill, useTypedFields, useSetup, useWrong } from '../use-shifting';
import { LinesField } from './lines-field';
import { SmallCurve } from './small-curve';

const MASSES: Record<Mass, string> = {
  none: 'none',
  raised: 'weight on a drum, raised',
  lowered: 'weight on a drum, let down',
  vehicle: 'vehicle',
};

/** What the output works against: torques that add up, a weight or a vehicle, and what comes and goes with time. */
export function LoadFields() {
  const { load } = useTypedFields('load');
  const fill = useFill();
  const wrong = useWrong();
  const set = (change: Partial<ShiftingForm['load']>) => fill({ load: { ...load, ...change } });
  return (
    <Group name="Load at the output">
      <TextInput
        label="Constant"
        unit="N·m"
        unitWidth="w-14"
        value={load.constant}
        message={wrong('load.constantNm')}
        onChange={(constant) => set({ constant })}
      />
      <TextInput
        label="with speed"
        unit="N·m s"
        unitWidth="w-14"
        title="For each rad/s of the output"
        value={load.linear}
        message={wrong('load.linearNmPerRadS')}
        onChange={(linear) => set({ linear })}
      />
      <TextInput
        label="with its square"
        unit="N·m s²"
        unitWidth="w-14"
        title="For each rad/s of the output, squared: pumps, fans"
        value={load.square}
        message={wrong('load.squareNmPerRadS2')}
        onChange={(square) => set({ square })}
      />
      <Pick label="Mass" value={load.mass} choices={MASSES} onChange={(mass) => set({ mass })} />
      {load.mass !== 'none' && (
        <>
          <TextInput
            label="of"
            unit="kg"
            unitWidth="w-14"
            value={load.kilograms}
            message={wrong('load.massKg')}
            onChange={(kilograms) => set({ kilograms })}
          />
          <TextInput
            label={load.mass === 'vehicle' ? 'Wheel diameter' : 'Drum diameter'}
            unit="mm"
            unitWidth="w-14"
            value={load.diameter}
            message={wrong('load.wheelDiameterMm')}
            onChange={(diameter) => set({ diameter })}
          />
        </>
      )}
      {load.mass === 'vehicle' && (
        <>
          <TextInput
            label="Grade"
            unit="%"
            unitWidth="w-14"
            title="Rise over run"
            value={load.grade}
            message={wrong('load.grade')}
            onChange={(grade) => set({ grade })}
          />
          <TextInput
            label="Rolling drag"
            unit="of weight"
            unitWidth="w-14"
            value={load.rolling}
            message={wrong('load.rolling')}
            onChange={(rolling) => set({ rolling })}
          />
          <TextInput
            label="Air drag"
            unit="N at 1 m/s"
            unitWidth="w-14"
            title="With the square of the speed"
            value={load.air}
            message={wrong('load.airNAt1MS')}
            onChange={(air) => set({ air })}
          />
        </>
      )}
      <LinesField
        label="Added load over time"
        heads={['s', 'N·m']}
        value={load.profile}
        message={wrong('load.profile')}
        onChange={(profile) => set({ profile })}
      />
      <LoadCurve />
    </Group>
  );
}

const STEPS = 60;

/** Over time where it changes with time, else over the speeds that the output can have. */
function LoadCurve() {
  const setup = useSetup();
  if (!setup) return null;
  const load = loadOf(setup.scenario.load);
  const duration = setup.scenario.durationS ?? 20;
  const fastest = Math.max(
    1,
    ...[...setup.points.positions.values()].map(({ outputRpm }) => (Number.isFinite(outputRpm) ? outputRpm : 0)),
  );
  const inTime = load.profile.length > 0;
  const most = inTime ? duration : fastest;
  const times = inTime ? load.profile.map(([at]) => at).filter((at) => at <= duration) : [];
  const places = [...new Set([...Array.from({ length: STEPS + 1 }, (_, i) => (i / STEPS) * most), ...times])].sort(
    (a, b) => a - b,
  );
  const points = places.map((at): [number, number] => [
    at,
    inTime ? loadTorque(load, 0, at) : loadTorque(load, (at * Math.PI) / 30, 0),
  ]);
  const still = loadTorque(load, 0, 0);
  return (
    <SmallCurve
      title={inTime ? 'Load at a stand, over time' : `Load over output speed: ${figure(still)} N·m at a stand`}
      xUnit={inTime ? 's' : 'rpm'}
      yUnit="N·m"
      curves={[{ points }]}
    />
  );
}
