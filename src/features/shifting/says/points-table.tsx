import { heatOf, isStable, loadOf, motorLine, stallMargin } from '@/core/shifting';
import { figure } from '@/core/units';
import { DataTable } from '@/ui/data-table';
import type { Setup } from '../setup';
import { useNameOf, useUnits } from '../use-shifting';
import { StallWheels } from './stall-wheels';
import { lookUp } from '@/core/required';

/** Where motor and load meet, position by position. */
export function PointsTable({ setup }: { setup: Setup }) {
  const { scenario, points, gearings } = setup;
  const { perRpm, perNm, speedUnit, torqueUnit } = useUnits();
  const nameOf = useNameOf();
  const [line, load] = [motorLine(scenario.motor), loadOf(scenario.load)];
  const { wheelDiameterMm } = scenario.load;
  const rows = scenario.order.map((id) => {
    const point = lookUp(points.positions, id);
    const gearing = lookUp(gearings, id);
    return {
      id,
      ...point,
      margin: stallMargin(scenario, gearing),
      heat: heatOf(scenario, point.inputTorqueNm),
      stable: isStable(line, load, gearing, point),
    };
  });
  type Row = (typeof rows)[number];
  const column = (head: string, title: string, value: (row: Row) => number | null, less = false) => ({
    head,
    less,
    title,
    numeric: true,
    value,
    cell: (row: Row) => {
      const number = value(row);
      return number === null ? '—' : figure(number);
    },
  });
  const diameter = wheelDiameterMm ?? null;
  return (
    <>
      <DataTable
        label="Operating points"
        oneLine
        rows={rows}
        keyOf={({ id }) => id}
        columns={[
          { head: 'Position', value: ({ id }) => nameOf(id) },
          {
            head: 'Behaviour',
            value: ({ stalls, stable }) => (stalls ? 'stalls' : stable ? 'stable' : 'runs away'),
            title: 'stable: a little faster, and it comes back',
          },
          column(`Out, ${speedUnit}`, 'Output speed', ({ outputRpm }) => outputRpm * perRpm),
          column(`Out, ${torqueUnit}`, 'Output torque', ({ outputTorqueNm }) => outputTorqueNm * perNm, false),
          column(`In, ${speedUnit}`, 'Input speed', ({ inputRpm }) => inputRpm * perRpm),
          column(`In, ${torqueUnit}`, 'Input torque', ({ inputTorqueNm }) => inputTorqueNm * perNm, true),
          column('Power, %', 'Share of the motor’s peak power', ({ powerShare }) => powerShare * 100, true),
          column(
            'Stall margin',
            'Stall torque at the output over the load at standstill',
            ({ margin }) => margin,
            true,
          ),
          column('Heat', '(T/T₀)²', ({ heat }) => heat, true),
          ...(diameter === null
            ? []
            : [
                column(
                  'Wheel, m/s',
                  'Speed at the rim of the wheel or drum',
                  ({ outputRpm }) => (outputRpm * Math.PI * diameter) / 60_000,
                  true,
                ),
              ]),
        ]}
      />
      <StallWheels setup={setup} />
      {(scenario.load.profile ?? []).length > 0 && (
        <p className="muted mt-1">With the load as it is at the start; over time the run shows it.</p>
      )}
    </>
  );
}
