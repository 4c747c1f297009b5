import { itemAt, required } from '@/core/required';
/** An axis whose ends stand on whole steps of it. */
export interface PlotAxis {
  readonly min: number;
  readonly max: number;
  readonly ticks: number;
}

const STEPS = [0.125, 0.25, 0.5, 1, 2, 4, 8];
const MOST_TICKS = 9;

/**
 * The logarithmic axis on which these sizes have room, with a little beyond either end; its places are powers of two.
 */
export function logAxis(sizes: readonly number[]): PlotAxis {
  const places = sizes.map(Math.log2);
  const [least, most] = [Math.min(...places) - 0.1, Math.max(...places) + 0.1];
  const step = STEPS.find((one) => (most - least) / one <= MOST_TICKS) ?? itemAt(STEPS, -1);
  const [min, max] = [Math.floor(least / step) * step, Math.ceil(most / step) * step];
  return { min, max, ticks: Math.round((max - min) / step) };
}

/** The axis from `least` on that reaches `most` in about so many round steps. */
export function roundAxis(least: number, most: number, about: number): PlotAxis {
  const rough = (most - least) / about || 1;
  const unit = 10 ** Math.floor(Math.log10(rough));
  const step = required([1, 2, 2.5, 5, 10].map((times) => times * unit).find((one) => one >= rough * 0.999));
  const ticks = Math.max(1, Math.ceil((most - least) / step - 1e-9));
  return { min: least, max: least + ticks * step, ticks };
}
