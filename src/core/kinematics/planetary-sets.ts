import { components } from '../train';
import { FRAME_INDEX, type MemberIndex, type Network, type NetworkMesh } from './network';

/**
 * Planets that mesh with one another hold together; with all that they mesh they are one set. Several sets may share a
 * carrier.
 */
export interface PlanetarySet {
  /** The id of its first planet. */
  readonly id: string;
  readonly arm: MemberIndex;
  readonly planets: ReadonlySet<MemberIndex>;
  readonly meshes: readonly NetworkMesh[];
}

/**
 * The planetary sets among the meshes given, in document order of their first planets.
 * A planet that is itself a carrier belongs to the set it orbits in, and carries sets of its own.
 */
export function planetarySets({ train, memberIds }: Network, meshes: readonly NetworkMesh[]): readonly PlanetarySet[] {
  const carriedBy = (member: MemberIndex, arm: MemberIndex): boolean =>
    member !== FRAME_INDEX && train.members[member]?.carrier === memberIds[arm];
  const orbiting = meshes.filter(({ arm }) => arm !== FRAME_INDEX);
  const planetsOf = ({ a, b, arm }: NetworkMesh) => [a, b].filter((member) => carriedBy(member, arm));
  const linked = orbiting.flatMap((mesh): [MemberIndex, MemberIndex][] => {
    const [first, second] = planetsOf(mesh);
    return first === undefined || second === undefined ? [] : [[first, second]];
  });
  const planets = [...new Set(orbiting.flatMap(planetsOf))].sort((a, b) => a - b);
  return components(planets, linked).flatMap((group) => {
    const own = new Set(group);
    const inSet = orbiting.filter((mesh) => planetsOf(mesh).some((planet) => own.has(planet)));
    const [first] = group;
    const [mesh] = inSet;
    return first === undefined || !mesh
      ? []
      : [{ id: memberIds[first] ?? '', arm: mesh.arm, planets: own, meshes: inSet }];
  });
}
