import { axesOf, changeGear, isCylindrical, partsById, type Edit, type Gear, type Mesh, type Train } from '../train';
import { finding, type Finding, type FindingFix } from './finding';
import { geometryOf } from '../geometry';
import { capitalised } from '../capitalised';
import { required } from '../required';
import { teethFix } from './meshes';
import { millimetres, shiftMends } from './shifts';

/** In modules: what rounding of typed shifts leaves. */
const NEAR = 1e-3;

interface Spaced {
  readonly distance: number;
  readonly pair: readonly [Gear, Gear];
}

/**
 * Pairs between the same two axes whose centre distances disagree, a planet's wheels and its centre included; only
 * where the modules are given.
 */
export function distanceFindings(train: Train): Finding[] {
  const parts = partsById(train);
  const geometry = geometryOf(train);
  const axisOf = new Map(axesOf(train).flatMap(({ members }, i) => members.map((id) => [id, i] as const)));
  const known = new Map<string, Spaced[]>();
  return train.meshes.flatMap((mesh): Finding[] => {
    const pair = parts.pair(mesh);
    const [a, b] = pair.map(({ member }) => axisOf.get(member));
    const run = geometry.mesh(mesh.id);
    if (a === undefined || b === undefined || a === b || !run || !pair.every(isCylindrical)) return [];
    // Sizes that only follow from the distance say nothing about it.
    if (pair.some(({ module }) => module === undefined)) return [];
    const distance = run.running.centreMm;
    const key = [a, b].sort((x, y) => x - y).join('-');
    const others = known.get(key) ?? [];
    known.set(key, [...others, { distance, pair }]);
    // Whether a sun, its planet and their ring go together is looked at with the set.
    const first = others.find((other) => !other.pair.some((gear) => pair.includes(gear)));
    if (!first || Math.abs(first.distance - distance) < NEAR * run.moduleMm) return [];
    return [disagreement(train, mesh, { distance, pair }, first)];
  });
}

function disagreement(train: Train, mesh: Mesh, { distance, pair }: Spaced, first: Spaced): Finding {
  const [p, q] = first.pair;
  const carried = pair.some(({ member }) => partsById(train).find.member(member)?.carrier !== undefined);
  const sum = (2 * first.distance) / required(pair[0].module);
  const wanted = Math.round(sum) - pair[0].teeth;
  const external = pair.every(({ type }) => type === 'external');
  const fits = external && pair[0].module === pair[1].module && Math.abs(sum - Math.round(sum)) < 1e-9 && wanted > 0;
  const [one, other] = [`${pair[0].teeth} with ${pair[1].teeth}`, `${p.teeth} with ${q.teeth}`];
  const between = carried ? 'the planet’s pin and the centre' : 'the shafts';
  const fitting = (required(pair[0].module) * first.distance) / distance;
  // A centre that is given does not follow the module, and another mate would be left with the old one.
  const isFree =
    geometryOf(train).givenCentreMm(mesh) === null &&
    train.meshes.every(({ id, gears }) => id === mesh.id || !gears.some((gear) => mesh.gears.includes(gear)));
  const ways = [
    ...(external ? [`with this module the teeth of the pair should add up to ${Math.round(sum)}`] : []),
    ...(isFree ? [`give it a module of ${Number(fitting.toFixed(4))}`] : []),
    'shift the profiles',
  ];
  return finding(
    'distance',
    'wrong',
    {
      what:
        `${one} wants ${millimetres(distance)} between ${between}, ` +
        `${other} on the same two wants ${millimetres(first.distance)}.`,
      why: 'Two axes have one distance: one of the pairs would bind or not reach.',
      mend: `${capitalised(ways.join('; or '))}.`,
      mends: [
        ...(fits ? [teethFix('Gear', pair[1], wanted)] : []),
        ...shiftMends(train, mesh, first.distance),
        ...(isFree ? [moduleMend(pair, fitting)] : []),
      ],
    },
    { gears: [...pair, p, q].map(({ id }) => id) },
  );
}

const moduleMend = (pair: readonly Gear[], module: number): FindingFix => ({
  label: `Module ${Number(module.toFixed(4))} on both`,
  apply: (now) =>
    pair.reduce<Edit>((edit, { id }) => (edit.ok ? changeGear(edit.train, id, { module }) : edit), {
      ok: true,
      train: now,
    }),
});
