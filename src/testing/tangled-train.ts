import type { Coupler, Gear, Member, Mesh, Train } from '../core/train';

/** How large a tangled train is, and where its chance starts. */
export interface Tangle {
  readonly sets: number;
  readonly couplers: number;
  /** Gears on shafts beside the sets. */
  readonly fixed?: number;
  readonly seed?: number;
}

/**
 * Planetary sets on one axis whose suns, rings and carriers are joined at random, with clutches and brakes between any
 * two: nothing that anyone would build, and the worst there is to draw.
 */
export function tangledTrain({ sets, couplers: count, fixed = 0, seed = 7 }: Tangle): Train {
  const random = chance(seed);
  const central = Array.from({ length: sets + 2 }, (_, i) => `m${i}`);
  const members: Member[] = central.map((id) => ({ id, name: `member ${id.slice(1)}` }));
  const gears: Gear[] = [];
  const meshes: Mesh[] = [];
  for (let i = 0; i < sets; i++) {
    // Of every set one member is its own, so that no member is without a gear.
    const [sun, carrier, ring] = threeOf(central, central[i]!, random) as [string, string, string];
    members.push({ id: `p${i}`, name: `planet ${i}`, carrier, copies: 3 });
    const [s, p] = [18 + Math.floor(random() * 20), 15 + Math.floor(random() * 12)];
    gears.push(
      { id: `s${i}`, member: sun, teeth: s, type: 'external' },
      { id: `p${i}`, member: `p${i}`, teeth: p, type: 'external' },
      { id: `r${i}`, member: ring, teeth: s + 2 * p, type: 'internal' },
    );
    meshes.push({ id: `x${i}`, gears: [`s${i}`, `p${i}`] }, { id: `y${i}`, gears: [`p${i}`, `r${i}`] });
  }
  for (let i = 0; i < fixed; i += 2) {
    members.push({ id: `l${i}`, name: `layshaft ${i}` });
    gears.push(
      { id: `a${i}`, member: central[Math.floor(random() * central.length)]!, teeth: 20 + (i % 13), type: 'external' },
      { id: `b${i}`, member: `l${i}`, teeth: 24 + (i % 11), type: 'external' },
    );
    meshes.push({ id: `z${i}`, gears: [`a${i}`, `b${i}`] });
  }
  const couplers = Array.from({ length: count }, (_, i): Coupler => {
    const [a, b] = threeOf(central, central[Math.floor(random() * central.length)]!, random) as [
      string,
      string,
      string,
    ];
    return i % 3 === 0
      ? { id: `b${i}`, name: `B${i}`, type: 'brake', joins: [a, 'frame'] }
      : { id: `k${i}`, name: `K${i}`, type: 'clutch', joins: [a, b] };
  });
  return {
    format: 'tin-wheel/train',
    version: 1,
    name: `Tangle of ${gears.length} gears and ${count} couplers`,
    members,
    gears,
    meshes,
    couplers,
    positions: [{ id: 'first', name: 'first', engaged: couplers.slice(0, 2).map(({ id }) => id) }],
    input: central[0]!,
    outputs: [central.at(-1)!],
  };
}

/** One that is given and two others, in any order. */
function threeOf(from: readonly string[], given: string, random: () => number): string[] {
  const chosen = new Set([given]);
  while (chosen.size < 3) chosen.add(from[Math.floor(random() * from.length)]!);
  return [...chosen]
    .map((id) => ({ id, at: random() }))
    .sort((a, b) => a.at - b.at)
    .map(({ id }) => id);
}

/** Numbers from 0 to 1 by a linear congruence (Numerical Recipes), the same on every machine. */
function chance(seed: number): () => number {
  let state = seed >>> 0;
  return () => (state = (Math.imul(state, 1664525) + 1013904223) >>> 0) / 2 ** 32;
}
