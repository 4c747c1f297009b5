import { isZero, neg, sign, sum, type Rational } from '../rational';
import type { MemberIndex, Network } from '../kinematics';
import type { Account, PowerEntry, PowerPlace } from './account';

/**
 * A stop on a power path: a member, or what passes power between members: a joint, a mesh between fixed axes,
 * or a planetary set, named by its first planet.
 */
export type Stop = { readonly kind: 'member' | 'joint' | 'mesh' | 'set'; readonly id: string };

/** Where power comes from and where it goes to, outside the train. */
export const SOURCE = 'source';
export const SINK = 'sink';
export type Node = Stop | typeof SOURCE | typeof SINK;

/** Power on its way between a member and what passes it on. The same stop is the same object in all edges. */
export interface Edge {
  readonly from: Node;
  readonly to: Node;
  readonly power: Rational;
}

/** The directed flows of an account, place by place; null when any is open. */
export function powerEdges({ memberIds }: Network, account: Account): readonly Edge[] | null {
  const stops = new Map<string, Stop>();
  const stop = (kind: Stop['kind'], id: string): Stop => {
    const key = `${kind} ${id}`;
    const found = stops.get(key) ?? { kind, id };
    stops.set(key, found);
    return found;
  };
  const elementAt = (place: PowerPlace): Stop | null => {
    if (place.kind === 'input' || place.kind === 'output') return null;
    if (place.kind === 'joint') return stop('joint', place.id);
    const set = place.kind === 'mesh' ? account.setOfMesh.get(place.id) : place.set;
    return set ? stop('set', set.id) : place.kind === 'mesh' ? stop('mesh', place.id) : null;
  };
  const edges: Edge[] = [];
  for (const [member, id] of memberIds.entries()) {
    for (const { place, power } of entriesOutside(account, member)) {
      if (power === null) return null;
      if (isZero(power)) continue;
      const own = stop('member', id);
      const element = elementAt(place);
      // What pushes power out of the train at the input (coasting) is its sink, and a pushing load its source.
      edges.push(
        sign(power) > 0
          ? { from: element ?? SOURCE, to: own, power }
          : { from: own, to: element ?? SINK, power: neg(power) },
      );
    }
  }
  return edges;
}

/**
 * A planet is part of its set, and no stop of its own, unless something else takes power from it or gives it some.
 * Then it
 * meets its set as one body: what it gets at several teeth, all together, is what it gives elsewhere.
 */
function entriesOutside(account: Account, member: MemberIndex): readonly Pick<PowerEntry, 'place' | 'power'>[] {
  const entries = account.entriesOf(member);
  const home = account.homeOf(member);
  if (!home) return entries;
  const others = entries.filter(
    ({ place }) => !(place.kind === 'inside' || (place.kind === 'mesh' && account.setOfMesh.get(place.id) === home)),
  );
  if (others.length === 0) return [];
  const given = others.map(({ power }) => power);
  const received = given.includes(null) ? null : neg(sum(given.flatMap((power) => power ?? [])));
  return [...others, { place: { kind: 'inside', set: home }, power: received }];
}
