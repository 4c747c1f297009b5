import { scaleLinear, type ScaleLinear } from 'd3-scale';
import type { Traces } from '@/core/shifting';
import type { Units } from '../use-shifting';
import { itemAt } from '@/core/required';

/** What a lane of the strip shows; the lanes stand one above the other over the same time. */
export interface LaneKind {
  readonly name: string;
  readonly unit: string;
  /** One of the traces' own unit in the unit that is shown. */
  readonly per: number;
  readonly of: (traces: Traces) => readonly Float64Array[];
}

export function laneKinds(units: Units, cueUnit: CueUnit): readonly LaneKind[] {
  return [
    { name: 'Input speed', unit: units.speedUnit, per: units.perRpm, of: ({ inputRpm }) => [inputRpm] },
    { name: 'Output speed', unit: units.speedUnit, per: units.perRpm, of: ({ outputRpm }) => [outputRpm] },
    {
      name: 'Torque out, in',
      unit: units.torqueUnit,
      per: units.perNm,
      of: ({ outputTorqueNm, inputTorqueNm }) => [outputTorqueNm, inputTorqueNm],
    },
    { name: 'Power', unit: '% of peak', per: 100, of: ({ powerShare }) => [powerShare] },
    ...(cueUnit === null ? [] : [{ name: 'Detector', ...cueUnit, of: ({ read }: Traces) => [read] }]),
  ];
}

/** What the detector reads in; null for a hand, which reads nothing. */
export type CueUnit = { readonly unit: string; readonly per: number } | null;

/** The scale of a lane: all that is drawn in it, from nothing. */
export function laneScale(columns: readonly Float64Array[], top: number, bottom: number): ScaleLinear<number, number> {
  let [least, most] = [0, 1e-9];
  for (const column of columns)
    for (const value of column) {
      if (value < least) least = value;
      if (value > most) most = value;
    }
  return scaleLinear([least, most], [bottom, top]);
}

/**
 * A column of figures over time as a line: of all samples that fall on one pixel only the least and the most are drawn,
 * so that long runs draw as quickly as short ones and no peak is lost.
 */
export function thinLine(
  times: Float64Array,
  values: Float64Array,
  x: (timeS: number) => number,
  y: (value: number) => number,
): string {
  let path = '';
  let at = 0;
  while (at < times.length) {
    const pixel = Math.round(x(itemAt(times, at)));
    let [least, most, end] = [at, at, at];
    while (end < times.length && Math.round(x(itemAt(times, end))) === pixel) {
      if (itemAt(values, end) < itemAt(values, least)) least = end;
      if (itemAt(values, end) > itemAt(values, most)) most = end;
      end++;
    }
    for (const one of new Set([at, Math.min(least, most), Math.max(least, most), end - 1]))
      path += `${path === '' ? 'M' : 'L'}${x(itemAt(times, one)).toFixed(1)} ${y(itemAt(values, one)).toFixed(1)}`;
    at = end;
  }
  return path;
}

/** Stretches of time in which the same position is in; −1 between two. */
export function stretchesOf({
  timeS,
  position,
}: Traces): readonly { readonly place: number; readonly fromS: number; readonly toS: number }[] {
  const found: { place: number; fromS: number; toS: number }[] = [];
  timeS.forEach((time, i) => {
    const last = found.at(-1);
    if (last && last.place === position[i]) last.toS = timeS[i + 1] ?? time;
    else found.push({ place: itemAt(position, i), fromS: time, toS: timeS[i + 1] ?? time });
  });
  return found;
}
