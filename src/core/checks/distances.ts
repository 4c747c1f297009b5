import { axesOf, FRAME, type Gear, type Train, partsById } from '../train';
import { finding, type Finding } from './finding';
import { geometryOf } from '../geometry';
import { required } from '../required';
import { teethFix } from './meshes';
import { millimetres, shiftMends } from './shifts';

/** In modules: what rounding of typed shifts leaves. */
const NEAR = 1e-3;

/** Pairs between the same two shafts whose centre distances disagree; only where the modules are given. */
export function distanceFindings(train: Train): Finding[] {
  const parts = partsById(train);
  const geometry = geometryOf(train);
  const axisOf = new Map(
    axesOf(train).flatMap((axis, i) => (axis.arm === FRAME ? axis.members.map((id) => [id, i] as const) : [])),
  );
  const known = new Map<string, { readonly distance: number; readonly pair: readonly [Gear, Gear] }>();
  return train.meshes.flatMap((mesh): Finding[] => {
    const pair = parts.pair(mesh);
    const [a, b] = pair.map(({ member }) => axisOf.get(member));
    const run = geometry.mesh(mesh.id);
    if (a === undefined || b === undefined || a === b || !run || pair.some(({ type }) => type !== 'external'))
      return [];
    // Sizes that only follow from the distance say nothing about it.
    if (pair.some(({ module }) => module === undefined)) return [];
    const distance = run.running.centreMm;
    const key = [a, b].sort((x, y) => x - y).join('-');
    const first = known.get(key);
    if (!first) {
      known.set(key, { distance, pair });
      return [];
    }
    if (Math.abs(first.distance - distance) < NEAR * run.moduleMm) return [];
    const [p, q] = first.pair;
    const sum = (2 * first.distance) / required(pair[0].module);
    const wanted = Math.round(sum) - pair[0].teeth;
    const fits = pair[0].module === pair[1].module && Math.abs(sum - Math.round(sum)) < 1e-9 && wanted > 0;
    return [
      finding(
        'distance',
        'wrong',
        {
          what:
            `${pair[0].teeth} with ${pair[1].teeth} wants ${millimetres(distance)} between the shafts, ` +
            `${p.teeth} with ${q.teeth} on the same two wants ${millimetres(first.distance)}.`,
          why: 'Two shafts have one distance: one of the pairs would bind or not reach.',
          mend: `With this module the teeth of the pair should add up to ${Math.round(sum)}; or shift the profiles.`,
          mends: [...(fits ? [teethFix('Gear', pair[1], wanted)] : []), ...shiftMends(train, mesh, first.distance)],
        },
        { gears: [...pair, p, q].map(({ id }) => id) },
      ),
    ];
  });
}
