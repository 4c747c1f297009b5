import {
  countedIn,
  plain,
  judgeFor,
  type Judged,
  type Log,
  type MeasuredQuantity,
  type Reading,
  type ReadingVerdict,
} from '@/core/measurement';
import type { Train } from '@/core/train';
import { figure } from '@/core/units';
import { memberName } from '@/core/words';
import { intervalText } from './figures-text';

/** The last reading of a member in a position, in words. */
export interface MeasuredRatio {
  readonly id: string;
  readonly member: string;
  readonly name: string;
  /** "2.400 (2.286 to 2.526) : 1" */
  readonly text: string;
  /** The value alone: "2.400". */
  readonly value: string;
  readonly quantity: MeasuredQuantity;
  readonly verdict: ReadingVerdict;
  /** Of the first output, and a ratio: what stands beside the computed one. */
  readonly ratio: boolean;
}

/** By position, the last reading of each member and quantity that counts; and what happened to parts. */
export interface MeasuredTrain {
  readonly positions: ReadonlyMap<string, readonly MeasuredRatio[]>;
  readonly events: readonly { readonly id: string; readonly part: string; readonly what: string }[];
}

/** The newest of each are judged, and only those: a long log costs no more than a short one. */
export function measuredOf(train: Train, log: Log): MeasuredTrain {
  const { judge } = judgeFor(train);
  const positions = new Map<string, Map<string, MeasuredRatio>>();
  const events: { id: string; part: string; what: string }[] = [];
  for (const { reading } of [...countedIn(log)].reverse()) {
    if (reading.kind === 'event') events.push({ id: reading.id, part: reading.part, what: reading.what });
    if (!('member' in reading) || reading.position === undefined) continue;
    const own = positions.get(reading.position) ?? new Map<string, MeasuredRatio>();
    const key = `${reading.member} ${WHAT[reading.kind]}`;
    const judged = own.has(key) ? null : judgedOrNull(() => judge(reading));
    if (!judged?.interval) continue;
    positions.set(reading.position, own);
    own.set(key, {
      id: reading.id,
      member: reading.member,
      name: memberName(train, reading.member),
      text: intervalText(judged),
      value: figure(plain(judged.interval).value),
      quantity: judged.quantity,
      verdict: judged.verdict,
      ratio: judged.quantity === 'ratio' && reading.member === train.outputs[0],
    });
  }
  return { positions: new Map([...positions].map(([id, own]) => [id, [...own.values()]])), events };
}

/** What kinds of readings tell: one takes the place of another that tells the same. */
const WHAT: Partial<Record<Reading['kind'], string>> = {
  marks: 'ratio',
  turns: 'ratio',
  angle: 'ratio',
  frames: 'speed',
  tachometer: 'speed',
  scale: 'torque',
  weight: 'torque',
  tip: 'tip',
};

/** Readings that do not fit the train any more stand on the Log only. */
function judgedOrNull(judge: () => Judged): Judged | null {
  try {
    return judge();
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}
