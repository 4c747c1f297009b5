import { compare } from '../rational';
import type { Interval } from './interval';
import type { Judged } from './judge';

/**
 * Other readings of one and the same thing that a reading cannot be true together with: their bounds exclude each
 * other. One thing is a ratio of two members, or the torque that comes through, in one engagement of one state of the
 * train; a count of a gear; radii of a mesh.
 */
export function contradictionsOf(one: Judged, judged: readonly Judged[]): readonly string[] {
  const own = thingOf(one);
  if (!own) return [];
  return judged
    .filter((other) => {
      const told = thingOf(other);
      return told?.thing === own.thing && exclude(told.interval, own.interval);
    })
    .map(({ reading }) => reading.id);
}

/** The readings that any other contradicts, by id; one pass over them, however many they are. */
export function contradicted(judged: readonly Judged[]): ReadonlySet<string> {
  const things = judged.map(thingOf);
  // What all readings of a thing allow; where nothing is left, some exclude each other.
  const bounds = new Map<string, Bounds>();
  for (const told of things)
    if (told) bounds.set(told.thing, common(bounds.get(told.thing) ?? told.interval, told.interval));
  return new Set(
    judged
      .filter((_, i) => {
        const told = things[i];
        const all = told && bounds.get(told.thing);
        // Another one begins above this one's end, or ends below its beginning.
        return all && (compare(all.least, told.interval.most) > 0 || compare(all.most, told.interval.least) < 0);
      })
      .map(({ reading }) => reading.id),
  );
}

type Bounds = Pick<Interval, 'least' | 'most'>;

/** The largest least and the smallest most: crossed where the two exclude each other. */
const common = (a: Bounds, b: Bounds): Bounds => ({
  least: compare(a.least, b.least) > 0 ? a.least : b.least,
  most: compare(a.most, b.most) < 0 ? a.most : b.most,
});

const exclude = (a: Interval, b: Interval): boolean => compare(a.most, b.least) < 0 || compare(b.most, a.least) < 0;

/** What a reading is of, and what it says of that; null where nothing else can be held against it. */
function thingOf({ reading, quantity, interval, efficiency }: Judged): { thing: string; interval: Interval } | null {
  if (interval === null) return null;
  const { position, engaged, flow = 'drive', revision = '' } = reading;
  const told = (bounds: Interval, ...thing: readonly (string | undefined)[]) => ({
    thing: [revision, ...thing].join('\n'),
    interval: bounds,
  });
  const where = `${position ?? [...(engaged ?? [])].sort().join('+')} ${flow}`;
  switch (reading.kind) {
    case 'marks':
    case 'turns':
    case 'angle': {
      if (position === undefined && engaged === undefined) return null;
      // However it was counted, it is the same ratio.
      return told(interval, quantity, where, reading.member, 'against' in reading ? reading.against : undefined);
    }
    case 'scale':
    case 'weight':
      return efficiency && told(efficiency, 'torque', where, reading.member);
    case 'teeth':
      return told(interval, 'teeth', reading.gear);
    case 'radii':
      return told(interval, 'radii', reading.mesh);
    default:
      return null;
  }
}
