import type { Train } from '../train';
import { partsById } from '../train';
import { lookUp } from '../required';

/**
 * Which hand each gear's helix has to have, against that of the first it hangs together with: two gears that mesh
 * outside need opposite hands, a gear in a ring the ring's own.
 */
export function helixHands(train: Train): ReadonlyMap<string, 1 | -1> {
  const parts = partsById(train);
  const hands = new Map<string, 1 | -1>();
  for (const { id } of train.gears) {
    if (hands.has(id)) continue;
    hands.set(id, 1);
    const open = [id];
    for (let one = open.pop(); one !== undefined; one = open.pop())
      for (const { gears } of train.meshes) {
        const other = gears[0] === one ? gears[1] : gears[1] === one ? gears[0] : null;
        if (other === null || hands.has(other)) continue;
        const inRing = parts.find.gear(one)?.type === 'internal' || parts.find.gear(other)?.type === 'internal';
        hands.set(other, inRing ? lookUp(hands, one) : hands.get(one) === 1 ? -1 : 1);
        open.push(other);
      }
  }
  return hands;
}
