import type { Train } from '../train';

/** Gears that stand in one plane across the axes, because they mesh with each other. */
export interface Plane {
  readonly gears: readonly string[];
}

/**
 * Planes from left to right. Given stations win; otherwise gears that mesh share a plane, a member's own
 * gears stand in different planes, and planes follow each other as one walks from the input.
 */
export function planesOf(train: Train): readonly Plane[] {
  const groups = meshGroups(train);
  const station = (gears: readonly string[]) => gears.map((id) => train.gears.find((gear) => gear.id === id)!.station).find((value) => value !== undefined);
  const walked = walkFromInput(train, groups);
  const given = walked.map((gears, i) => ({ gears, order: station(gears) ?? i, walk: i }));
  given.sort((a, b) => a.order - b.order || a.walk - b.walk);
  return given.map(({ gears }) => ({ gears }));
}

function meshGroups(train: Train): string[][] {
  const groupOf = new Map(train.gears.map((gear) => [gear.id, [gear.id]]));
  for (const { gears: [a, b] } of train.meshes) {
    const left = groupOf.get(a)!;
    const right = groupOf.get(b)!;
    if (left === right) continue;
    left.push(...right);
    for (const id of right) groupOf.set(id, left);
  }
  return [...new Set(groupOf.values())];
}

/** Breadth first: from the input's gears to the planes they stand in, on to the members met there. */
function walkFromInput(train: Train, groups: readonly string[][]): string[][] {
  const memberOf = new Map(train.gears.map((gear) => [gear.id, gear.member]));
  const reached = new Set([train.input]);
  const left = new Set(groups);
  const order: string[][] = [];
  while (left.size > 0) {
    const next = [...left].find((gears) => gears.some((id) => reached.has(memberOf.get(id)!))) ?? [...left][0]!;
    left.delete(next);
    order.push(next);
    for (const id of next) reached.add(memberOf.get(id)!);
    for (const coupler of train.couplers) if ('joins' in coupler && coupler.joins.some((id) => reached.has(id))) coupler.joins.forEach((id) => reached.add(id));
  }
  return order;
}
