import {
  bandsOf,
  gearingsOf,
  orderOf,
  pointsWith,
  type Band,
  type Gearing,
  type Points,
  type Scenario,
} from '@/core/shifting';
import type { Train } from '@/core/train';
import type { Form } from './form';

/** What positions do between motor and load. */
export type Gearings = ReadonlyMap<string, Gearing>;

/** A scenario that reads, with what follows from it at once. */
export interface Model {
  readonly train: Train;
  /** What was typed, which says the scenario. */
  readonly typed: Form;
  readonly scenario: Scenario;
  readonly gearings: Gearings;
  readonly points: Points;
  readonly bands: readonly Band[];
}

let kept: { readonly train: Train; readonly key: string; readonly gearings: Gearings } | null = null;

/**
 * By the solver, kept from one look to the next: a load that is dragged changes none of it. @throws RangeError where a
 * position does not drive
 */
export function gearingsNow(train: Train, order: readonly string[], losses: boolean): Gearings {
  const key = JSON.stringify([order, losses]);
  if (kept?.train !== train || kept.key !== key) kept = { train, key, gearings: gearingsOf(train, order, losses) };
  return kept.gearings;
}

const orders = new WeakMap<Train, readonly string[]>();

/** The positions that can stand in the order, the slowest first. */
export function possibleOrder(train: Train): readonly string[] {
  const known = orders.get(train) ?? orderOf(train);
  orders.set(train, known);
  return known;
}

/** @throws RangeError where a position does not drive */
export function modelOf(train: Train, typed: Form, scenario: Scenario): Model {
  const gearings = gearingsNow(train, scenario.order, scenario.losses ?? false);
  const points = pointsWith(gearings, scenario);
  return { train, typed, scenario, gearings, points, bands: bandsOf(gearings, points, scenario) };
}
