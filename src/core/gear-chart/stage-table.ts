import { isZero, mul, ONE, toFraction, type Rational } from '../rational';
import type { Solved } from '../solve';
import { workingOf, type Stage } from '../working';
import type { Train } from '../train';
import { chartOf } from './chart';
import { itemAt, required } from '../required';

/** One stage of a plain chain. */
export type ChainStage =
  | {
      readonly kind: 'pair';
      readonly driver: string;
      readonly driven: string;
      readonly driverTeeth: number;
      readonly drivenTeeth: number;
      /** Speed in over speed out: driven over driver, negative where the pair turns the direction. */
      readonly ratio: Rational;
    }
  /** A planetary set with one moving member put in, named by its arm. */
  | {
      readonly kind: 'set';
      readonly arm: string;
      readonly from: string;
      readonly to: string;
      readonly ratio: Rational;
    };

export interface StageRow {
  readonly id: string;
  /** The stages between those that are the same in all rows; empty in direct drive. */
  readonly stages: readonly ChainStage[];
  /** The product of all stages. */
  readonly ratio: Rational;
}

/** The stages of every row that is a plain chain, side by side. */
export interface StageTable {
  /** Stages that power takes first in all rows alike, and last: told once. */
  readonly first: readonly ChainStage[];
  readonly last: readonly ChainStage[];
  readonly rows: readonly StageRow[];
  /** Rows that drive, but add two motions, so that no chain leads through. */
  readonly branched: readonly string[];
  /** The most stages that any row has between the common ones. */
  readonly columns: number;
}

/** Finds the stages from the positions' workings; none is declared. */
export function stageTable(train: Train): StageTable {
  const driving = chartOf(train).rows.filter(({ solved }) => solved.status === 'drive');
  const chains = driving.map(({ id, solved }) => ({ id, solved, chain: chainOf(solved) }));
  const plain = chains.flatMap(({ id, solved, chain }) =>
    chain ? [{ id, chain, ratio: required(solved.ratio) }] : [],
  );
  const all = plain.map(({ chain }) => chain);
  // One row alone has nothing in common with others: it is told stage by stage.
  const first = all.length > 1 ? commonLength(all) : 0;
  const rests = all.map((chain) => chain.slice(first));
  const last = all.length > 1 ? commonLength(rests.map((chain) => [...chain].reverse())) : 0;
  const middle = (chain: readonly ChainStage[]) => chain.slice(first, chain.length - last);
  const [any = []] = all;
  return {
    first: any.slice(0, first),
    last: any.slice(any.length - last),
    rows: plain.map(({ id, chain, ratio }) => ({ id, stages: middle(chain), ratio })),
    branched: chains.flatMap(({ id, chain }) => (chain ? [] : [id])),
    columns: Math.max(0, ...all.map((chain) => middle(chain).length)),
  };
}

/** The product of stages: 1 without any. */
export const stageProduct = (stages: readonly ChainStage[]): Rational =>
  stages.reduce((product, { ratio }) => mul(product, ratio), ONE);

/** The stages of a position from input to output; null where two motions are added. */
function chainOf(solved: Solved): readonly ChainStage[] | null {
  const { stages } = workingOf(solved);
  return stages && stages.flatMap((stage) => chainStage(stage) ?? []);
}

/** What changes speed or direction is a stage; what passes motion on as it is, is none. */
function chainStage({ step, ratio }: Stage): ChainStage | null {
  if (step.kind === 'pair')
    return {
      kind: 'pair',
      driver: step.fromGear,
      driven: step.toGear,
      driverTeeth: step.fromTeeth,
      drivenTeeth: step.toTeeth,
      ratio,
    };
  if (step.kind !== 'set') return null;
  const moving = required(step.known.find(({ speed }) => !isZero(speed)));
  return { kind: 'set', arm: step.arm, from: moving.member, to: step.member, ratio };
}

/** How many stages all chains begin with alike. */
function commonLength(chains: readonly (readonly ChainStage[])[]): number {
  const least = Math.min(...chains.map(({ length }) => length));
  for (let i = 0; i < least; i++) if (new Set(chains.map((chain) => stageKey(itemAt(chain, i)))).size > 1) return i;
  return least;
}

const stageKey = (stage: ChainStage): string =>
  stage.kind === 'pair'
    ? `${stage.driver}>${stage.driven}`
    : `${stage.arm}:${stage.from}>${stage.to}:${toFraction(stage.ratio)}`;
