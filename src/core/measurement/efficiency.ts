import { toNumber } from '../rational';
import { solveEngaged } from '../solve';
import type { Train } from '../train';
import { plain } from './arithmetic';
import { contradicted } from './contradictions';
import type { Judge, Judged } from './judge';
import { modelOf } from '../model';

/** What power comes out of what goes in, as measured in one position. */
export interface MeasuredEfficiency {
  readonly position: string;
  readonly value: number;
  readonly least: number;
  readonly most: number;
  /** Of each mesh on the path, were all alike: η^(1/k). Null where it is not known how many they are. */
  readonly perMesh: number | null;
  readonly meshes: number | null;
}

/**
 * Efficiencies from torques whose input was measured too; several readings of a position as what all of them allow.
 * None comes from readings that contradict one another, nor from one that does not agree: more comes out than can.
 */
export const efficiencies = (judge: Judge, judged: readonly Judged[]): readonly MeasuredEfficiency[] =>
  [...sharesIn(judge, judged).values()].filter((one) => one !== null);

/** Positions in which torques were read that contradict one another, so that no efficiency comes from them. */
export const disputedPositions = (judge: Judge, judged: readonly Judged[]): readonly string[] =>
  [...sharesIn(judge, judged)].filter(([, one]) => one === null).map(([position]) => position);

/** What each position lets through; null where its readings contradict one another. */
function sharesIn(judge: Judge, judged: readonly Judged[]): ReadonlyMap<string, MeasuredEfficiency | null> {
  const possible = judged.filter(({ verdict }) => verdict !== 'does-not-agree');
  const contradicting = contradicted(possible);
  const found = new Map<string, MeasuredEfficiency | null>();
  for (const { reading, efficiency } of possible) {
    if (!efficiency || reading.position === undefined) continue;
    const before = found.get(reading.position);
    if (before === null || contradicting.has(reading.id)) {
      found.set(reading.position, null);
      continue;
    }
    const both = together(before, plain(efficiency));
    const meshes = judge.meshesOf(reading);
    const perMesh = both && meshes !== null ? both.value ** (1 / meshes) : null;
    found.set(reading.position, both && { position: reading.position, ...both, meshes, perMesh });
  }
  return found;
}

type Share = Pick<MeasuredEfficiency, 'value' | 'least' | 'most'>;

/** What two readings allow; null where they exclude each other. */
function together(before: Share | undefined, own: Share): Share | null {
  if (!before) return own;
  const [least, most] = [Math.max(own.least, before.least), Math.min(own.most, before.most)];
  if (least > most) return null;
  return { least, most, value: Math.min(most, Math.max(least, (before.value + own.value) / 2)) };
}

const ROUNDS = 24;

/**
 * The efficiency of every mesh of a train, all alike, with which a position would let through what was measured: by
 * halving, through the solver, so that it holds for trains whose power goes more than one way. Four decimals; null
 * where no such value does.
 */
export function meshEfficiencyFor(train: Train, engaged: readonly string[], measuredShare: number): number | null {
  const plainTrain = { ...train, meshes: train.meshes.map(({ efficiency: _, ...mesh }) => mesh) };
  const through = (efficiency: number): number => {
    const solved = solveEngaged(modelOf({ ...plainTrain, efficiency }).open, engaged, { losses: true });
    return solved.efficiency ? toNumber(solved.efficiency) : 0;
  };
  if (!(measuredShare > 0 && measuredShare <= 1)) return null;
  let [low, high] = [0.2, 1];
  if (through(low) > measuredShare) return null;
  for (let i = 0; i < ROUNDS && high - low > 1e-6; i++) {
    const middle = Number(((low + high) / 2).toFixed(7));
    if (through(middle) < measuredShare) low = middle;
    else high = middle;
  }
  return Number(((low + high) / 2).toFixed(4));
}
