import type { ChartRow, Forward } from '@/core/gear-chart';
import { inverse, toNumber, type Rational } from '@/core/rational';
import type { Solved } from '@/core/solve';
import { figure, ratioFigure, wayText, type RatioConvention } from '@/core/units';
import { exact } from '@/core/words';
import type { TypedInput } from '@/features/train/input/typed-input';
import { STATUS_WORDS } from '@/features/train/words';

/** A row's figures in words, for what is put in; a dash where there is none. */
export interface RowFigures {
  readonly ratio: string;
  /** The whole figure, where the one shown is rounded. */
  readonly exactRatio: string | undefined;
  readonly does: string;
  readonly step: string;
  readonly exactStep: string | undefined;
  /** How far the step is from the even one, in per cent. */
  readonly offEven: string;
  readonly speed: string;
  readonly torque: string;
}

const NONE = '—';

export function rowFigures(
  { solved, step }: ChartRow,
  { idealStep }: Forward,
  convention: RatioConvention,
  { speed, torque }: TypedInput,
): RowFigures {
  const { ratio, status } = solved;
  const out = outputTorque(solved);
  return {
    ratio: ratio ? ratioFigure(ratio, convention) : NONE,
    exactRatio: ratio ? exact(convention === 'in/out' ? ratio : inverse(ratio)) : undefined,
    does: ratio ? wayText(inverse(ratio)) : STATUS_WORDS[status],
    step: step ? figure(toNumber(step)) : NONE,
    exactStep: step ? exact(step) : undefined,
    offEven: step && idealStep ? signed(100 * (toNumber(step) / idealStep - 1)) : NONE,
    speed: ratio && speed.value !== null ? figure(speed.value / Math.abs(toNumber(ratio))) : NONE,
    torque: out && torque.value !== null ? figure(Math.abs(toNumber(out)) * torque.value) : NONE,
  };
}

function outputTorque({ state: { load } }: Solved): Rational | null {
  return load.outcome === 'balanced' ? (load.torques.receivers[0] ?? null) : null;
}

const signed = (percent: number): string => {
  const text = Math.abs(percent).toFixed(1);
  return text === '0.0' ? '0' : `${percent > 0 ? '+' : '−'}${text}`;
};
