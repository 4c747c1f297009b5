import { axesOf, type Train, partsById } from '../train';
import { itemAt, lookUp, required } from '../required';

/** The largest drawn gear is at most this many times the smallest: a pinion beside a great wheel stays visible. */
const MAX_SPREAD = 8;
/** A worm's starts say nothing of its thickness: it is drawn as thick as a gear of so many teeth. */
const WORM_TEETH = 12;

/**
 * Drawn pitch radii, in units of the smallest gear's. Proportional to the tooth counts (times the module, where every
 * gear has one) as long as the spread allows, else compressed by one power law, which keeps their order. Where several
 * pairs stand between the same two axes, each pair is scaled to the widest, so that all of them touch.
 */
export function drawnRadii(train: Train): ReadonlyMap<string, number> {
  const modules = train.gears.every((gear) => gear.module !== undefined);
  const sizes = train.gears.map(
    (gear) => (gear.type === 'worm' ? WORM_TEETH : gear.teeth) * (modules ? required(gear.module) : 1),
  );
  const least = Math.min(...sizes);
  const spread = Math.max(...sizes) / least;
  const power = spread > MAX_SPREAD ? Math.log(MAX_SPREAD) / Math.log(spread) : 1;
  const radii = new Map(train.gears.map((gear, i) => [gear.id, (itemAt(sizes, i) / least) ** power]));
  return sharedDistances(train, radii);
}

function sharedDistances(train: Train, radii: ReadonlyMap<string, number>): ReadonlyMap<string, number> {
  const axisOf = new Map(axesOf(train).flatMap((axis, i) => axis.members.map((id) => [id, i] as const)));
  const parts = partsById(train);
  // The frame's own gears are on no axis.
  const lineOf = (gear: string) => axisOf.get(parts.gear(gear).member) ?? -1;
  const between = new Map<string, (readonly [string, string])[]>();
  for (const { gears } of train.meshes) {
    const key = gears
      .map(lineOf)
      .sort((x, y) => x - y)
      .join(' ');
    between.set(key, [...(between.get(key) ?? []), gears]);
  }
  const scaled = new Map(radii);
  for (const pairs of between.values()) {
    // An internal pair stands one inside the other: its distance is a difference, and scales by itself.
    if (pairs.some((pair) => pair.some((id) => parts.gear(id).type === 'internal'))) continue;
    const distances = pairs.map(([a, b]) => lookUp(scaled, a) + lookUp(scaled, b));
    const widest = Math.max(...distances);
    pairs.forEach(([a, b], i) => {
      scaled.set(a, (lookUp(scaled, a) * widest) / itemAt(distances, i));
      scaled.set(b, (lookUp(scaled, b) * widest) / itemAt(distances, i));
    });
  }
  return scaled;
}
