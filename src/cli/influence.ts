import { influenceOf } from '@/core/gear-chart';
import { toFraction } from '@/core/rational';
import type { Train } from '@/core/train';

/** The elasticity of every driving position's ratio by every gear's tooth count, as JSON; null where it is open. */
export const influenceJson = (train: Train): unknown => ({
  positions: Object.fromEntries(
    [...influenceOf(train)].map(([id, influence]) => [
      id,
      Object.fromEntries([...influence].map(([gear, part]) => [gear, part && toFraction(part)])),
    ]),
  ),
});
