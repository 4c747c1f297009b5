import fc from 'fast-check';
import type { Coupler, Gear, Member, Mesh, Train } from '@/core/train';

interface Options {
  /** Up to six of the joints may be one-way clutches, in series through members without gears too. */
  readonly oneWays?: boolean;
  /** One to three outputs instead of one. */
  readonly outputs?: boolean;
  /** Self-locking worm drives between the central members. */
  readonly worms?: boolean;
  /** Sets carried by planets, and couplers on planets. */
  readonly planetsOnPlanets?: boolean;
}

/**
 * Random trains of every kind the core knows, small enough to check by brute force: some central members on one axis,
 * planetary sets between them (simple, stepped or double-pinion), a countershaft that may slide out of mesh, clutches,
 * brakes and, if asked for, one-way clutches, worms and several outputs. Most positions are nonsense; none may break a
 * law.
 */
export function arbitraryTrain(options: Options = {}): fc.Arbitrary<Train> {
  return fc
    .record({
      central: fc.integer({ min: 3, max: 6 }),
      loose: options.oneWays ? fc.integer({ min: 0, max: 2 }) : fc.constant(0),
      series: options.oneWays ? fc.boolean() : fc.constant(false),
      outputs: options.outputs ? fc.integer({ min: 1, max: 3 }) : fc.constant(1),
      worms: options.worms
        ? fc.oneof(
            { weight: 2, arbitrary: fc.constant([]) },
            {
              weight: 1,
              arbitrary: fc.array(
                fc.record({ worm: fc.nat(5), wheel: fc.nat(5), teeth: fc.integer({ min: 20, max: 60 }) }),
                { minLength: 1, maxLength: 2 },
              ),
            },
          )
        : fc.constant([]),
      sets: fc.array(
        fc.record({
          kind: fc.constantFrom('simple', 'stepped', 'double'),
          places: fc.array(fc.nat(5), { minLength: 3, maxLength: 3 }),
          teeth,
        }),
        {
          minLength: options.oneWays ? 0 : 1,
          maxLength: options.oneWays ? 2 : 3,
        },
      ),
      nested: options.planetsOnPlanets ? fc.option(teeth, { nil: null }) : fc.constant(null),
      countershaft: fc.option(fc.record({ from: fc.nat(5), to: fc.nat(5), teeth, slides: fc.boolean() }), {
        nil: null,
      }),
      joints: fc.array(
        fc.record({
          a: fc.nat(8),
          b: fc.nat(8),
          oneWay: options.oneWays ? fc.constantFrom(true, true, false) : fc.boolean(),
          selectable: fc.boolean(),
        }),
        { minLength: 1, maxLength: options.oneWays ? 8 : 6 },
      ),
      efficiencies: fc.array(fc.integer({ min: 90, max: 100 }), { minLength: 16, maxLength: 16 }),
      engaged: fc.array(fc.subarray([0, 1, 2, 3, 4, 5, 6, 7, 8], options.oneWays ? { maxLength: 4 } : {}), {
        minLength: 1,
        maxLength: 5,
      }),
    })
    .map((recipe) => build(recipe, options.oneWays ?? false));
}

const teeth = fc.array(fc.integer({ min: 9, max: 90 }), { minLength: 6, maxLength: 6 });

interface Recipe {
  readonly central: number;
  readonly loose: number;
  /**
   * The first two joints lead from the input to the output, one behind the other, through a member without gears where
   * there is one.
   */
  readonly series: boolean;
  readonly outputs: number;
  readonly worms: readonly { readonly worm: number; readonly wheel: number; readonly teeth: number }[];
  readonly sets: readonly {
    readonly kind: string;
    readonly places: readonly number[];
    readonly teeth: readonly number[];
  }[];
  /**
   * A planet that the first planet carries, between two wheels round that planet's own axis, each of them in mesh with
   * a central gear.
   */
  readonly nested: readonly number[] | null;
  readonly countershaft: {
    readonly from: number;
    readonly to: number;
    readonly teeth: readonly number[];
    readonly slides: boolean;
  } | null;
  readonly joints: readonly {
    readonly a: number;
    readonly b: number;
    readonly oneWay: boolean;
    readonly selectable: boolean;
  }[];
  readonly efficiencies: readonly number[];
  readonly engaged: readonly (readonly number[])[];
}

function build(recipe: Recipe, oneWays: boolean): Train {
  const members: Member[] = Array.from({ length: recipe.central }, (_, i) => ({ id: `m${i}`, name: `member ${i}` }));
  const gears: Gear[] = [];
  const meshes: Mesh[] = [];
  const gear = (id: string, member: string, count: number, type: Gear['type'] = 'external') =>
    gears.push({ id, member, teeth: count, type });
  const mesh = (a: string, b: string) =>
    meshes.push({
      id: `x${meshes.length}`,
      gears: [a, b],
      efficiency: (recipe.efficiencies[meshes.length % 16] ?? 100) / 100,
    });
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
  const carrier = members.find(({ id }) => id === 'p0')?.carrier;
  if (recipe.nested && carrier !== undefined) {
    const z = recipe.nested;
    members.push({ id: 'u', name: 'inner wheel', carrier }, { id: 'v', name: 'outer wheel', carrier });
    members.push({ id: 'n', name: 'planet on a planet', carrier: 'p0' });
    const [near, far] = distinct([z[4]!, z[5]!], recipe.central).map((at) => `m${at}`);
    gear('inner', 'u', z[0]!);
    gear('small', 'n', z[1]!);
    gear('outer', 'v', z[2]! + 60, 'internal');
    mesh('inner', 'small');
    mesh('small', 'outer');
    for (const [wheel, central, count] of [
      ['u', near!, z[3]!],
      ['v', far!, z[4]!],
    ] as const) {
      if (central === carrier) continue;
      gear(`${wheel}-back`, wheel, count);
      gear(`${wheel}-mate`, central, count + 7);
      mesh(`${wheel}-back`, `${wheel}-mate`);
    }
  }
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
  recipe.worms.forEach(({ worm, wheel, teeth: z }, i) => {
    const [first, second] = distinct([worm, wheel], recipe.central).map((at) => `m${at}`);
    gear(`w${i}`, first!, 2, 'worm');
    gear(`v${i}`, second!, z);
    meshes.push({
      id: `y${i}`,
      gears: [`w${i}`, `v${i}`],
      sense: i % 2 === 0 ? 'same' : 'opposite',
      efficiency: 0.5,
      selfLocking: true,
    });
  });
  for (let i = 0; i < recipe.loose; i++) members.push({ id: `x${i}`, name: `loose ${i}` });
  const joined = [
    ...Array.from({ length: recipe.central }, (_, i) => `m${i}`),
    ...Array.from({ length: recipe.loose }, (_, i) => `x${i}`),
    ...(recipe.nested ? members.filter(({ carrier: on }) => on !== undefined).map(({ id }) => id) : []),
    'frame',
  ];
  const between = recipe.loose > 0 ? 'x0' : 'm2';
  const inSeries = recipe.series
    ? [
        ['m0', between],
        [between, 'm1'],
      ]
    : [];
  const couplers = recipe.joints.flatMap(({ a, b, oneWay, selectable }, i): Coupler[] => {
    const first = inSeries[i]?.[0] ?? joined[a % (i % 4 === 3 ? joined.length : joined.length - 1)]!;
    const second = inSeries[i]?.[1] ?? joined[b % (i % 3 === 0 ? joined.length : joined.length - 1)]!;
    if (first === second) return [];
    const base = { id: `k${i}`, name: `k${i}` };
    if (oneWays && oneWay && i < 6)
      return [{ ...base, type: 'one-way', joins: [first, second], control: selectable ? 'selectable' : 'always' }];
    return [{ ...base, type: first === 'frame' || second === 'frame' ? 'brake' : 'clutch', joins: [first, second] }];
  });
  if (recipe.countershaft?.slides)
    couplers.push({
      id: 'k8',
      name: 'k8',
      type: 'sliding-mesh',
      mesh: meshes.find(({ gears: [, b] }) => b === 'c4')!.id,
    });
  const ids = new Set(
    couplers.flatMap((coupler) => (coupler.type === 'one-way' && coupler.control !== 'selectable' ? [] : [coupler.id])),
  );
  return {
    format: 'tin-wheel/train',
    version: 1,
    name: 'Random train',
    members,
    gears,
    meshes,
    couplers,
    positions: recipe.engaged.map((engaged, i) => ({
      id: `g${i}`,
      name: `g${i}`,
      engaged: engaged.map((k) => `k${k}`).filter((id) => ids.has(id)),
    })),
    input: 'm0',
    outputs: Array.from({ length: Math.min(recipe.outputs, recipe.central - 1) }, (_, i) => `m${i + 1}`),
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
