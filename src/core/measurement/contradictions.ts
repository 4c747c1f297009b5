import { compare } from '../rational';
import type { Interval } from './interval';
import type { Judged } from './judge';

/**
 * Readings of one and the same thing whose bounds exclude each other, by id: with each the ids of those that it cannot
 * be true together with. One thing is a ratio of two members, or the torque that comes through, in one engagement of
 * one state of the train; a count of a gear; radii of a mesh.
 */
export function contradictions(judged: readonly Judged[]): ReadonlyMap<string, readonly string[]> {
  const byThing = new Map<string, { readonly id: string; readonly interval: Interval }[]>();
  for (const one of judged) {
    const told = thingOf(one);
    if (!told) continue;
    const others = byThing.get(told.thing) ?? [];
    byThing.set(told.thing, [...others, { id: one.reading.id, interval: told.interval }]);
  }
  const found = new Map<string, string[]>();
  for (const alike of byThing.values())
    for (const [i, one] of alike.entries())
      for (const other of alike.slice(i + 1))
        if (exclude(one.interval, other.interval)) {
          found.set(one.id, [...(found.get(one.id) ?? []), other.id]);
          found.set(other.id, [...(found.get(other.id) ?? []), one.id]);
        }
  return found;
}

const exclude = (a: Interval, b: Interval): boolean => compare(a.most, b.least) < 0 || compare(b.most, a.least) < 0;

/** What a reading is of, and what it says of that; null where nothing else can be held against it. */
function thingOf({ reading, quantity, interval, efficiency }: Judged): { thing: string; interval: Interval } | null {
  if (interval === null) return null;
  const { position, engaged, flow = 'drive', revision = '' } = reading;
  const thing = (...parts: readonly (string | number)[]) => [reading.kind, revision, ...parts].join('\n');
  const where = `${position ?? [...(engaged ?? [])].sort().join('+')} ${flow}`;
  switch (reading.kind) {
    case 'marks':
    case 'turns':
    case 'angle':
      return position === undefined && engaged === undefined
        ? null
        : // However it was counted, it is the same ratio.
          {
            thing: [
              quantity,
              revision,
              where,
              reading.member,
              ('against' in reading ? reading.against : undefined) ?? '',
            ].join('\n'),
            interval,
          };
    case 'scale':
    case 'weight':
      return efficiency && { thing: ['torque', revision, where, reading.member].join('\n'), interval: efficiency };
    case 'teeth':
      return { thing: thing(reading.gear), interval };
    case 'radii':
      return { thing: thing(reading.mesh), interval };
    default:
      return null;
  }
}
