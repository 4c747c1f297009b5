import { components } from './components';
import { armOf } from './rules';
import { FRAME } from './frame';
import type { Train } from './schema';
import { partsById } from './part-index';

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
  const { find } = partsById(train);
  const joined = train.couplers.flatMap((coupler) => ('joins' in coupler ? [coupler.joins] : []));
  // The frame is no member: what is braked to it stays on its own line.
  return components(
    train.members.map(({ id }) => id),
    [...joined, ...planetaryPairs(train)],
  ).map((group) => ({
    members: group,
    arm: find.member(group[0])?.carrier ?? FRAME,
  }));
}

/** Every (central member, carrier) pair whose axes must be one because a planet of the carrier meshes the member. */
function planetaryPairs(train: Train): [string, string][] {
  const parts = partsById(train);
  return train.meshes.flatMap((mesh): [string, string][] => {
    const [ma, mb] = parts.pair(mesh).map(({ member }) => member) as [string, string];
    const arm = armOf(ma, mb, parts.find.member);
    if (arm === null || arm === FRAME) return [];
    return [ma, mb].filter((id) => id !== FRAME && parts.find.member(id)?.carrier !== arm).map((id) => [id, arm]);
  });
}
