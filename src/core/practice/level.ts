import { structureOf } from '../structure';
import type { Train } from '../train';

/** How much a train asks of those who look at it, the easy first. */
export const LEVELS = ['pair', 'stages', 'set', 'coupled'] as const;
export type Level = (typeof LEVELS)[number];

export const LEVEL_NAMES: Readonly<Record<Level, string>> = {
  pair: 'One pair',
  stages: 'Stages on fixed axes',
  set: 'One planetary set',
  coupled: 'Coupled sets',
};

/** The level of a train: by how many carriers it has, and how many pairs. */
export function levelOf(train: Train): Level {
  const sets = new Set(structureOf(train).figures.flatMap((one) => (one.kind === 'bars' ? [] : [one.carrier]))).size;
  if (sets > 1) return 'coupled';
  if (sets === 1) return 'set';
  return train.meshes.length > 1 ? 'stages' : 'pair';
}
