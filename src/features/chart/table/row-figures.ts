import type { Chart, ChartRow, IdealSteps } from '@/core/gear-chart';
import { inverse, toNumber } from '@/core/rational';
import { outputTorque } from '@/core/solve';
import { figure, ratioFigure, wayText, type RatioConvention } from '@/core/units';
import { exact } from '@/core/words';
import type { TypedInput } from '@/features/train/input/typed-input';
import { STATUS_WORDS } from '@/features/train/words';
import { required } from '@/core/required';

/** The ratio that was last measured in a row's position, and what it proves: short, and with its bounds. */
export interface MeasuredText {
  readonly measured: string;
  readonly measuredSays: string;
}

export const NOT_MEASURED: MeasuredText = { measured: '', measuredSays: '' };

/** A row's figures in words, for what is put in; a dash where there is none. */
export interface RowFigures extends MeasuredText {
  readonly ratio: string;
  /** The whole figure, where the one shown is rounded. */
  readonly exactRatio: string | undefined;
  /** The row that this one doubles, exactly or nearly: "= 3", "≈ 2". */
  readonly doubles: string;
  readonly doublesSays: string | undefined;
  readonly does: string;
  readonly step: string;
  readonly exactStep: string | undefined;
  /** How far the step is from the ideal one, in per cent. */
  readonly off: string;
  readonly speed: string;
  readonly torque: string;
  readonly efficiency: string;
}

const NONE = '—';

export function rowFigures(
  { id, solved, step }: ChartRow,
  chart: Chart,
  ideals: IdealSteps,
  convention: RatioConvention,
  { speed, torque }: TypedInput,
  measured: MeasuredText = NOT_MEASURED,
): RowFigures {
  const { ratio, status, efficiency } = solved;
  const out = outputTorque(solved);
  const ideal = ideals.steps.get(id);
  return {
    ratio: ratio ? ratioFigure(ratio, convention) : NONE,
    exactRatio: ratio ? exact(convention === 'in/out' ? ratio : inverse(ratio)) : undefined,
    ...doubling(id, chart),
    does: ratio ? wayText(inverse(ratio)) : STATUS_WORDS[status],
    step: step ? figure(toNumber(step)) : NONE,
    exactStep: step ? exact(step) : undefined,
    off: step && ideal ? percent(100 * (toNumber(step) / ideal - 1)) : NONE,
    speed: ratio && speed.value !== null ? figure(speed.value / Math.abs(toNumber(ratio))) : NONE,
    torque: out && torque.value !== null ? figure(Math.abs(toNumber(out)) * torque.value) : NONE,
    efficiency: efficiency ? figure(100 * toNumber(efficiency)) : NONE,
    ...measured,
  };
}

/** Signed, one decimal: "+2.1", "−0.4", "0". */
export function percent(value: number): string {
  const text = Math.abs(value).toFixed(1);
  return text === '0.0' ? '0' : `${value > 0 ? '+' : '−'}${text}`;
}

function doubling(id: string, { rows, duplicates, near }: Chart): Pick<RowFigures, 'doubles' | 'doublesSays'> {
  const name = (other: string) => required(rows.find((row) => row.id === other)).name;
  const equal = duplicates.find((ids) => ids.includes(id))?.find((other) => other !== id);
  if (equal)
    return { doubles: `= ${name(equal)}`, doublesSays: `The same ratio as ${name(equal)}: one job, two rows.` };
  const nearly = near.find(({ ids }) => ids.includes(id));
  const other = nearly?.ids.find((one) => one !== id);
  return nearly && other
    ? { doubles: `≈ ${name(other)}`, doublesSays: `Within ${nearly.apart.toFixed(2)} % of ${name(other)}.` }
    : { doubles: '', doublesSays: undefined };
}
