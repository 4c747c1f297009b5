import { loadOf, loadTorque } from '@/core/shifting';
import { figure } from '@/core/units';
import type { FieldTable } from '@/ui/form/fields';
import { FormFields } from '@/ui/form/form-fields';
import { LOAD_TORQUES, massFields, VEHICLE } from '../fields';
import { Group, Pick } from '@/ui/form/inputs';
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
  const fields = (table: FieldTable<Exclude<keyof ShiftingForm['load'], 'mass'>>) => (
    <FormFields fields={table} form={load} unitWidth="w-14" wrong={(path) => wrong(`load.${path}`)} onChange={set} />
  );
  return (
    <Group name="Load at the output">
      {fields(LOAD_TORQUES)}
      <Pick label="Mass" value={load.mass} choices={MASSES} onChange={(mass) => set({ mass })} />
      {load.mass !== 'none' && fields(massFields(load.mass === 'vehicle'))}
      {load.mass === 'vehicle' && fields(VEHICLE)}
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
      title={inTime ? 'Load at standstill, over time' : `Load over output speed: ${figure(still)} N·m at standstill`}
      xUnit={inTime ? 's' : 'rpm'}
      yUnit="N·m"
      curves={[{ points }]}
    />
  );
}
