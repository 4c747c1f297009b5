import fc from 'fast-check';
import type { Coupler, Gear, Member, Mesh, Train } from '@/core/train';

/**
 * Random trains of every kind the core knows, small enough to check by brute force: some central members on
 * one axis, planetary sets between them (simple, stepped or double-pinion), a countershaft, clutches, brakes
 * and, if asked for, one-way clutches. Most positions are nonsense; none may break a law.
 */
export function arbitraryTrain(options: { oneWays?: boolean } = {}): fc.Arbitrary<Train> {
  return fc
    .record({
      central: fc.integer({ min: 3, max: 6 }),
      sets: fc.array(fc.record({ kind: fc.constantFrom('simple', 'stepped', 'double'), places: fc.array(fc.nat(5), { minLength: 3, maxLength: 3 }), teeth }), { minLength: 1, maxLength: 3 }),
      countershaft: fc.option(fc.record({ from: fc.nat(5), to: fc.nat(5), teeth }), { nil: null }),
      joints: fc.array(fc.record({ a: fc.nat(6), b: fc.nat(6), oneWay: fc.boolean() }), { minLength: 1, maxLength: 6 }),
      efficiencies: fc.array(fc.integer({ min: 90, max: 100 }), { minLength: 16, maxLength: 16 }),
      engaged: fc.array(fc.subarray([0, 1, 2, 3, 4, 5]), { minLength: 1, maxLength: 5 }),
    })
    .map((recipe) => build(recipe, options.oneWays ?? false));
}

const teeth = fc.array(fc.integer({ min: 9, max: 90 }), { minLength: 6, maxLength: 6 });

interface Recipe {
  readonly central: number;
  readonly sets: readonly { readonly kind: string; readonly places: readonly number[]; readonly teeth: readonly number[] }[];
  readonly countershaft: { readonly from: number; readonly to: number; readonly teeth: readonly number[] } | null;
  readonly joints: readonly { readonly a: number; readonly b: number; readonly oneWay: boolean }[];
  readonly efficiencies: readonly number[];
  readonly engaged: readonly (readonly number[])[];
}

function build(recipe: Recipe, oneWays: boolean): Train {
  const members: Member[] = Array.from({ length: recipe.central }, (_, i) => ({ id: `m${i}`, name: `member ${i}` }));
  const gears: Gear[] = [];
  const meshes: Mesh[] = [];
  const gear = (id: string, member: string, count: number, type: Gear['type'] = 'external') => gears.push({ id, member, teeth: count, type });
  const mesh = (a: string, b: string) => meshes.push({ id: `x${meshes.length}`, gears: [a, b], efficiency: (recipe.efficiencies[meshes.length % 16] ?? 100) / 100 });
  recipe.sets.forEach(({ kind, places, teeth: z }, i) => {
    const [sun, ring, carrier] = distinct(places, recipe.central).map((at) => `m${at}`);
    members.push({ id: `p${i}`, name: `planet ${i}`, carrier, copies: 3 });
    gear(`s${i}`, sun!, z[0]!);
    gear(`r${i}`, ring!, z[1]! + 60, 'internal');
    gear(`a${i}`, `p${i}`, z[2]!);
    if (kind === 'double') {
      members.push({ id: `q${i}`, name: `second planet ${i}`, carrier, copies: 3 });
      gear(`b${i}`, `q${i}`, z[3]!);
      mesh(`s${i}`, `a${i}`);
      mesh(`a${i}`, `b${i}`);
      mesh(`b${i}`, `r${i}`);
    } else {
      if (kind === 'stepped') gear(`b${i}`, `p${i}`, z[3]!);
      mesh(`s${i}`, `a${i}`);
      mesh(kind === 'stepped' ? `b${i}` : `a${i}`, `r${i}`);
    }
  });
  if (recipe.countershaft) {
    const { from, to, teeth: z } = recipe.countershaft;
    const [a, b] = distinct([from, to], recipe.central);
    members.push({ id: 'lay', name: 'countershaft' });
    gear('c1', `m${a}`, z[0]!);
    gear('c2', 'lay', z[1]!);
    gear('c3', 'lay', z[2]!);
    gear('c4', `m${b}`, z[3]!);
    mesh('c1', 'c2');
    mesh('c3', 'c4');
  }
  const couplers = recipe.joints.flatMap(({ a, b, oneWay }, i): Coupler[] => {
    const first = `m${a % recipe.central}`;
    const second = b >= recipe.central ? 'frame' : `m${b}`;
    if (first === second) return [];
    const base = { id: `k${i}`, name: `k${i}` };
    if (oneWays && oneWay) return [{ ...base, type: 'one-way', joins: [second, first], control: i % 2 === 0 ? 'always' : 'selectable' }];
    return [{ ...base, type: second === 'frame' ? 'brake' : 'clutch', joins: [first, second] }];
  });
  const ids = new Set(couplers.flatMap((coupler) => (coupler.type === 'one-way' && coupler.control === 'always' ? [] : [coupler.id])));
  return {
    format: 'tin-wheel/train',
    version: 1,
    name: 'Random train',
    members,
    gears,
    meshes,
    couplers,
    positions: recipe.engaged.map((engaged, i) => ({ id: `g${i}`, name: `g${i}`, engaged: engaged.map((k) => `k${k}`).filter((id) => ids.has(id)) })),
    input: 'm0',
    outputs: ['m1'],
  };
}

/** Places made distinct by walking on to the next free one. */
function distinct(places: readonly number[], size: number): number[] {
  const taken: number[] = [];
  for (const place of places) {
    let at = place % size;
    while (taken.includes(at)) at = (at + 1) % size;
    taken.push(at);
  }
  return taken;
}
