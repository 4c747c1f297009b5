import type { Coupler, Gear, Mesh, Train } from '@/core/train';

/** Teeth of a driver and what it drives. */
export type Pair = readonly [driver: number, driven: number];

/**
 * Shafts one behind the other; between two of them a group of pairs, of which each driven gear runs loose until its
 * clutch is on. A group with a single pair is always in. Clutches are called a1, a2, …, b1, b2, …, and every
 * combination of one of each group is a position.
 */
export function countershaftBox(groups: readonly (readonly Pair[])[]): Train {
  const members = [{ id: 'shaft0', name: 'shaft0' }];
  const gears: Gear[] = [];
  const meshes: Mesh[] = [];
  const couplers: Coupler[] = [];
  groups.forEach((pairs, g) => {
    const [from, to] = [`shaft${g}`, `shaft${g + 1}`];
    members.push({ id: to, name: to });
    pairs.forEach(([driver, driven], p) => {
      const clutch = clutchName(g, p);
      const on = pairs.length === 1 ? to : `wheel ${clutch}`;
      gears.push({ id: `${clutch} driver`, member: from, teeth: driver, type: 'external' });
      gears.push({ id: `${clutch} driven`, member: on, teeth: driven, type: 'external' });
      meshes.push({ id: `${clutch} mesh`, gears: [`${clutch} driver`, `${clutch} driven`] });
      if (pairs.length === 1) return;
      members.push({ id: on, name: on });
      couplers.push({ id: clutch, name: clutch, type: 'clutch', joins: [on, to] });
    });
  });
  const choices = groups.reduce<readonly (readonly string[])[]>(
    (made, pairs, g) =>
      pairs.length === 1 ? made : pairs.flatMap((_, p) => made.map((engaged) => [...engaged, clutchName(g, p)])),
    [[]],
  );
  return {
    format: 'tin-wheel/train',
    version: 1,
    name: 'A box of the brine works',
    members,
    gears,
    meshes,
    couplers,
    positions: choices.map((engaged, i) => ({ id: `${i + 1}`, name: `${i + 1}`, engaged: [...engaged] })),
    input: 'shaft0',
    outputs: [`shaft${groups.length}`],
  };
}

const clutchName = (group: number, pair: number): string => `${String.fromCharCode(97 + group)}${pair + 1}`;
