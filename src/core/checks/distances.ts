import { axesOf, FRAME, type Gear, type Train, partsById } from '../train';
import { finding, type Finding } from './finding';
import { teethFix } from './meshes';
import { required } from '../required';

const NEAR = 1e-9;

/** Pairs between the same two shafts whose centre distances disagree; only where the modules are given. */
export function distanceFindings(train: Train): Finding[] {
  const parts = partsById(train);
  const axisOf = new Map(
    axesOf(train).flatMap((axis, i) => (axis.arm === FRAME ? axis.members.map((id) => [id, i] as const) : [])),
  );
  const known = new Map<string, { readonly distance: number; readonly pair: readonly [Gear, Gear] }>();
  return train.meshes.flatMap((mesh): Finding[] => {
    const pair = parts.pair(mesh);
    const [a, b] = pair.map(({ member }) => axisOf.get(member));
    if (
      a === undefined ||
      b === undefined ||
      a === b ||
      pair.some(({ type, module }) => type !== 'external' || module === undefined)
    )
      return [];
    const distance = pair.reduce((sum, { teeth, module }) => sum + (teeth * required(module)) / 2, 0);
    const key = [a, b].sort((x, y) => x - y).join('-');
    const first = known.get(key);
    if (!first) {
      known.set(key, { distance, pair });
      return [];
    }
    if (Math.abs(first.distance - distance) < NEAR) return [];
    const [p, q] = first.pair;
    const sum = (2 * first.distance) / required(pair[0].module);
    const wanted = Math.round(sum) - pair[0].teeth;
    const fits = pair[0].module === pair[1].module && Math.abs(sum - Math.round(sum)) < NEAR && wanted > 0;
    return [
      finding(
        'distance',
        'wrong',
        {
          what:
            `${pair[0].teeth} with ${pair[1].teeth} wants ${distance} mm between the shafts, ` +
            `${p.teeth} with ${q.teeth} on the same two wants ${first.distance} mm.`,
          why: 'Two shafts have one distance: one of the pairs would bind or not reach.',
          mend: `With this module the teeth of the pair should add up to ${Math.round(sum)}; or shift the profiles.`,
          mends: fits ? [teethFix('Gear', pair[1], wanted)] : [],
        },
        { gears: [...pair, p, q].map(({ id }) => id) },
      ),
    ];
  });
}
