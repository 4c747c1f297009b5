import type { Coupler, Gear, Member, Mesh, Train } from '../src/core/train';

/**
 * A train at the document's limits: 400 members, 800 gears, 64 couplers; planetary sets in a row, and countershafts
 * between them.
 */
export function trainAtTheLimits(): Train {
  const members: Member[] = [{ id: 'in', name: 'in' }];
  const gears: Gear[] = [];
  const meshes: Mesh[] = [];
  const couplers: Coupler[] = [];
  let before = 'in';
  for (let i = 0; members.length + 4 <= 400; i++) {
    const [ring, arm, planet, lay] = [`r${i}`, `c${i}`, `p${i}`, `l${i}`];
    members.push(
      { id: ring, name: ring },
      { id: arm, name: arm },
      { id: planet, name: planet, carrier: arm, copies: 3 },
      { id: lay, name: lay },
    );
    gears.push(
      { id: `${i}s`, member: before, teeth: 24, type: 'external' },
      { id: `${i}p`, member: planet, teeth: 24, type: 'external' },
      { id: `${i}r`, member: ring, teeth: 72, type: 'internal' },
    );
    gears.push(
      { id: `${i}a`, member: arm, teeth: 36, type: 'external' },
      { id: `${i}b`, member: lay, teeth: 12, type: 'external' },
    );
    meshes.push(
      { id: `${i}x`, gears: [`${i}s`, `${i}p`] },
      { id: `${i}y`, gears: [`${i}p`, `${i}r`] },
      { id: `${i}z`, gears: [`${i}a`, `${i}b`] },
    );
    if (couplers.length < 64)
      couplers.push({
        id: `k${i}`,
        name: `k${i}`,
        type: i % 2 === 0 ? 'brake' : 'clutch',
        joins: i % 2 === 0 ? [ring, 'frame'] : [before, ring],
      });
    else {
      gears.push({ id: `${i}f`, member: 'frame', teeth: 72, type: 'internal' });
      meshes[meshes.length - 2] = { id: `${i}y`, gears: [`${i}p`, `${i}f`] };
    }
    before = lay;
  }
  while (members.length < 400) members.push({ id: `spare${members.length}`, name: 'spare' });
  for (let i = 0; gears.length < 800; i++)
    gears.push({ id: `free${i}`, member: members[i % members.length]!.id, teeth: 17 + (i % 50), type: 'external' });
  return {
    format: 'tin-wheel/train',
    version: 1,
    name: 'At the limits',
    members,
    gears,
    meshes,
    couplers,
    positions: [{ id: 'all', name: 'all', engaged: couplers.map(({ id }) => id) }],
    input: 'in',
    outputs: [before],
  };
}

/** Fourteen couplers over the four-set box: its own five and nine more. */
export function fourteenCouplers(harvester: Train): Train {
  const ids = harvester.members.filter(({ carrier }) => carrier === undefined).map(({ id }) => id);
  const extra = Array.from({ length: 9 }, (_, i): Coupler => ({
    id: `x${i}`,
    name: `x${i}`,
    type: i % 3 === 0 ? 'brake' : 'clutch',
    joins: [ids[i % ids.length]!, i % 3 === 0 ? 'frame' : ids[(i + 3) % ids.length]!],
  }));
  return { ...harvester, couplers: [...harvester.couplers, ...extra] };
}

/** A train of so many gears in one plane, each meshing with the next. */
export function wheelsInOnePlane(count: number): Train {
  const numbers = Array.from({ length: count }, (_, i) => i);
  return {
    format: 'tin-wheel/train',
    version: 1,
    name: `${count} gears in one plane`,
    members: numbers.map((i) => ({ id: `m${i}`, name: `wheel ${i + 1}` })),
    gears: numbers.map((i) => ({
      id: `g${i}`,
      member: `m${i}`,
      teeth: 12 + ((i * 7) % 23),
      type: 'external',
      module: 1,
    })),
    meshes: numbers.slice(1).map((i) => ({ id: `x${i}`, gears: [`g${i - 1}`, `g${i}`] })),
    couplers: [],
    positions: [],
    input: 'm0',
    outputs: [`m${count - 1}`],
  };
}
