import type { Structure } from '../structure';
import { components, isChained, partsById, type Gear, type Train } from '../train';
import { lookUp } from '../required';

/** A worm's diameter, in modules: its starts say nothing of its thickness. */
const WORM_MODULES = 8;
/** From wheel to wheel on a chain or belt, as a part of the sum of their radii. */
const CHAIN_REACH = 1.5;

/** A gear's pitch radius at a module, r = m z / (2 cos β). */
export const pitchRadius = (gear: Gear, module: number): number =>
  ((gear.type === 'worm' ? WORM_MODULES : gear.teeth / Math.cos(radians(gear.helix ?? 0))) * module) / 2;

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** From centre to centre of two gears that mesh where their pitch circles touch, both at one module. */
export function centreDistance(a: Gear, b: Gear, module: number): number {
  const [ra, rb] = [pitchRadius(a, module), pitchRadius(b, module)];
  if ((a.type === 'internal') !== (b.type === 'internal')) return Math.abs(ra - rb);
  return (ra + rb) * (isChained(a) ? CHAIN_REACH : 1);
}

/** Names the line that a member turns about: its shaft's, or the pin of a planet. */
export const axisLines =
  ({ axisOf }: Structure) =>
  (member: string): string =>
    axisOf.has(member) ? `axis ${axisOf.get(member)}` : `pin ${member}`;

/**
 * The module of every gear: its own where the document gives one. Gears that mesh have one module, and pairs that stand
 * between the same two lines (two shafts, or a carrier and its planet's pin) have one centre distance; where modules
 * are missing they follow from that.
 * `lineOf` names the line a member turns about. What disagrees is left to disagree: the first pair found sets the
 *   distance.
 */
export function gearModules(train: Train, lineOf: (member: string) => string): ReadonlyMap<string, number> {
  const parts = partsById(train);
  const groupOf = groups(train);
  const modules = new Map<number, number>();
  for (const gear of train.gears)
    if (gear.module !== undefined && !modules.has(lookUp(groupOf, gear.id)))
      modules.set(lookUp(groupOf, gear.id), gear.module);
  const distances = new Map<string, number>();
  const pairs = train.meshes.flatMap((mesh) => {
    const [a, b] = parts.pair(mesh);
    if (a.type === 'bevel' || b.type === 'bevel') return [];
    return [
      {
        group: lookUp(groupOf, a.id),
        line: [lineOf(a.member), lineOf(b.member)].sort().join('|'),
        unit: centreDistance(a, b, 1),
      },
    ];
  });
  const spread = () => {
    for (let before = -1; before !== modules.size + distances.size;) {
      before = modules.size + distances.size;
      for (const { group, line, unit } of pairs) {
        const known = modules.get(group);
        if (known !== undefined && !distances.has(line)) distances.set(line, known * unit);
        const distance = distances.get(line);
        if (known === undefined && distance !== undefined && unit > 0) modules.set(group, distance / unit);
      }
    }
  };
  spread();
  for (const group of new Set(groupOf.values())) {
    if (modules.has(group)) continue;
    modules.set(group, 1);
    spread();
  }
  return new Map(train.gears.map((gear) => [gear.id, gear.module ?? lookUp(modules, lookUp(groupOf, gear.id))]));
}

/** Gears that hang together by their teeth: of one module, and turned about one another. */
export const meshingGears = (train: Train): readonly (readonly string[])[] =>
  components(
    train.gears.map(({ id }) => id as string),
    train.meshes.map((mesh) => mesh.gears),
  );

const groups = (train: Train): ReadonlyMap<string, number> =>
  new Map(meshingGears(train).flatMap((group, i) => group.map((id) => [id, i] as const)));
