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
import { modelOf } from '@/core/model';
import { isSameKey, type JobKey } from '@/workers/job-runner';
import type { ShiftingForm } from './form';

/** What positions do between motor and load. */
export type Gearings = ReadonlyMap<string, Gearing>;

/** A scenario that reads, with what follows from it at once. */
export interface Setup {
  readonly train: Train;
  /** What was typed, which says the scenario. */
  readonly typed: ShiftingForm;
  readonly scenario: Scenario;
  readonly gearings: Gearings;
  readonly points: Points;
  readonly bands: readonly Band[];
}

let kept: { readonly key: JobKey; readonly gearings: Gearings } | null = null;

/**
 * By the solver, kept from one look to the next: a load that is dragged changes none of it. @throws RangeError where a
 * position does not drive
 */
export function gearingsNow(train: Train, order: readonly string[], losses: boolean): Gearings {
  const key = [train, losses, ...order];
  if (!kept || !isSameKey(kept.key, key)) kept = { key, gearings: gearingsOf(train, order, losses) };
  return kept.gearings;
}

/** The positions that can stand in the order, the slowest first. */
export const possibleOrder = (train: Train): readonly string[] => modelOf(train).derive(orderOf);

/** @throws RangeError where a position does not drive */
export function setupOf(train: Train, typed: ShiftingForm, scenario: Scenario): Setup {
  const gearings = gearingsNow(train, scenario.order, scenario.losses ?? false);
  const points = pointsWith(gearings, scenario);
  return { train, typed, scenario, gearings, points, bands: bandsOf(gearings, points, scenario) };
}
