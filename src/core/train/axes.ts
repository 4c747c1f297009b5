import { armOf } from './rules';
import { FRAME, type Member, type Train } from './schema';

/** A set of members that turn about one line. The frame's own line belongs to no axis. */
export interface Axis {
  readonly members: readonly string[];
  /** The carrier that swings this axis round, or the frame. */
  readonly arm: string;
}

/**
 * Which members share an axis. Axes are not stored: members joined by a coupler are coaxial; so are a
 * carrier and every gear that its planets mesh with. A mesh on the frame separates two axes.
 * Union-find over the members, in document order.
 */
export function axesOf(train: Train): readonly Axis[] {
  const members = new Map(train.members.map((member) => [member.id, member]));
  const parent = new Map(train.members.map((member) => [member.id, member.id]));
  const find = (id: string): string => {
    let at = id;
    while (parent.get(at) !== at) at = parent.get(at)!;
    parent.set(id, at);
    return at;
  };
  const order = new Map(train.members.map((member, i) => [member.id, i]));
  const unite = (a: string, b: string) => {
    if (a === FRAME || b === FRAME) return;
    const [first, second] = [find(a), find(b)].sort((x, y) => order.get(x)! - order.get(y)!);
    parent.set(second!, first!);
  };
  for (const coupler of train.couplers) if ('joins' in coupler) unite(...coupler.joins);
  for (const [centre, carrier] of planetaryPairs(train, members)) unite(centre, carrier);

  const groups = new Map<string, string[]>();
  for (const member of train.members) {
    const root = find(member.id);
    groups.set(root, [...(groups.get(root) ?? []), member.id]);
  }
  return [...groups.values()].map((group) => ({ members: group, arm: members.get(group[0]!)?.carrier ?? FRAME }));
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
