import type { Coupler } from '@/core/train';
import { decidesForItself } from '@/features/train/words';

/** What can be engaged, in the document's order, then the one-way clutches that decide for themselves. */
export const couplerColumns = (couplers: readonly Coupler[]): readonly Coupler[] => [
  ...couplers.filter((coupler) => !decidesForItself(coupler)),
  ...couplers.filter(decidesForItself),
];
