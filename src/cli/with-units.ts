import { fromDecimal, mul, parseRational, toNumber } from '@/core/rational';
import type { PositionReport, TrainReport } from '@/core/solve';
import { powerInWatts, type SpeedUnit, type TorqueUnit } from '@/core/units';

import type { Report } from './with-loads';
import { required } from '@/core/required';

interface Given {
  readonly speed?: { readonly value: number; readonly unit: SpeedUnit };
  readonly torque?: { readonly value: number; readonly unit: TorqueUnit };
}

type Figures = Readonly<Record<string, string | null>>;

/** Adds `inUnits` to every position: the exact figures times the speed and torque given, as decimals in their units. */
export function withUnits(report: TrainReport, given: Given): Report {
  if (!given.speed && !given.torque) return report;
  return {
    ...report,
    positions: Object.fromEntries(
      Object.entries(report.positions).map(([id, position]) => [
        id,
        { ...position, inUnits: unitsOf(position, given) },
      ]),
    ),
  };
}

function unitsOf(position: PositionReport, { speed, torque }: Given): Record<string, unknown> {
  return {
    ...(speed ? { speed: speed.unit, speeds: scale(position.speeds, speed.value) } : {}),
    ...(torque ? { torque: torque.unit } : {}),
    ...(torque && position.outputTorque ? { outputTorque: scale(position.outputTorque, torque.value) } : {}),
    ...(torque && position.couplerTorque ? { couplerTorque: scale(position.couplerTorque, torque.value) } : {}),
    ...(speed && torque && position.status === 'drive'
      ? { inputPowerWatts: powerInWatts(torque.value, torque.unit, speed.value, speed.unit) }
      : {}),
  };
}

const scale = (figures: Figures, by: number): Record<string, number | null> =>
  Object.fromEntries(
    Object.entries(figures).map(([id, exact]) => [
      id,
      exact === null ? null : toNumber(mul(required(parseRational(exact)), fromDecimal(by))),
    ]),
  );
