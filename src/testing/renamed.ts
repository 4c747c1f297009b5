import type { Train } from '@/core/train';

/**
 * A train with ids that only count: two trains that are the same but for their ids become equal. Names of findings are
 * left out, for ids stand in them.
 */
export function withCountedIds(train: Train): Train {
  const numbers = (parts: readonly { readonly id: string }[], kind: string) =>
    new Map<string, string>(parts.map(({ id }, i) => [id, `${kind}${i}`]));
  const members = numbers(train.members, 'member').set('frame', 'frame');
  const [gears, meshes, couplers] = [
    numbers(train.gears, 'gear'),
    numbers(train.meshes, 'mesh'),
    numbers(train.couplers, 'coupler'),
  ];
  const of = (map: ReadonlyMap<string, string>, id: string) => map.get(id) ?? `lost ${id}`;
  const two = (map: ReadonlyMap<string, string>, [a, b]: readonly [string, string]): [string, string] => [
    of(map, a),
    of(map, b),
  ];
  return {
    ...train,
    members: train.members.map((member) => ({
      ...member,
      id: of(members, member.id),
      ...(member.carrier !== undefined && { carrier: of(members, member.carrier) }),
    })),
    gears: train.gears.map((gear) => ({ ...gear, id: of(gears, gear.id), member: of(members, gear.member) })),
    meshes: train.meshes.map((mesh) => ({ ...mesh, id: of(meshes, mesh.id), gears: two(gears, mesh.gears) })),
    couplers: train.couplers.map((coupler) =>
      'joins' in coupler
        ? { ...coupler, id: of(couplers, coupler.id), joins: two(members, coupler.joins) }
        : { ...coupler, id: of(couplers, coupler.id), mesh: of(meshes, coupler.mesh) },
    ),
    ...(train.selectors && {
      selectors: train.selectors.map((selector, i) => ({
        ...selector,
        id: `selector${i}`,
        spans: selector.spans.map((span) => ({ ...span, coupler: of(couplers, span.coupler) })),
      })),
    }),
    positions: train.positions.map((position, i) => ({
      ...position,
      id: `position${i}`,
      engaged: position.engaged.map((id) => of(couplers, id)),
    })),
    input: of(members, train.input),
    outputs: train.outputs.map((id) => of(members, id)),
    ...(train.setAside && { setAside: train.setAside.map(({ note }, i) => ({ finding: `finding${i}`, note })) }),
  };
}
