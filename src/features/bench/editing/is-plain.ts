import { differenceOf } from '@/core/difference';
import type { Train } from '@/core/train';

/** Does nothing change but the part itself? */
export function isPlain(before: Train, after: Train): boolean {
  const { parts, positions } = differenceOf(before, after, 'in/out');
  return parts.length <= 1 && positions.length === 0;
}
