import { components } from './components';
import { armOf } from './rules';
import { FRAME } from './frame';
import type { Member, Train } from './schema';

/** A set of members that turn about one line. The frame's own line belongs to no axis. */
export interface Axis {
  readonly members: readonly string[];
  /** The carrier that swings this axis round, or the frame. */
  readonly arm: string;
}

/**
 * Which members share an axis. Axes are not stored: members joined by a coupler are coaxial; so are a
 * carrier and every gear that its planets mesh with. A mesh on the frame separates two axes.
 */
export function axesOf(train: Train): readonly Axis[] {
  const members = new Map(train.members.map((member) => [member.id, member]));
  const joined = train.couplers.flatMap((coupler) => ('joins' in coupler ? [coupler.joins] : []));
  // The frame is no member: what is braked to it stays on its own line.
  return components(members.keys(), [...joined, ...planetaryPairs(train, members)]).map((group) => ({
    members: group,
    arm: members.get(group[0]!)?.carrier ?? FRAME,
  }));
}

/** Every (central member, carrier) pair whose axes must be one because a planet of the carrier meshes the member. */
function planetaryPairs(train: Train, members: ReadonlyMap<string, Member>): [string, string][] {
  const gears = new Map(train.gears.map((gear) => [gear.id, gear]));
  return train.meshes.flatMap(({ gears: [a, b] }): [string, string][] => {
    const ma = gears.get(a)!.member;
    const mb = gears.get(b)!.member;
    const arm = armOf(ma, mb, members);
    if (arm === null || arm === FRAME) return [];
    return [ma, mb].filter((id) => id !== FRAME && members.get(id)?.carrier !== arm).map((id) => [id, arm]);
  });
}
