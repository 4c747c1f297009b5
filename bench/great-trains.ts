import type { Coupler, Gear, Member, Mesh, Train } from '../src/core/train';

const header = { format: 'tin-wheel/train', version: 1 } as const;

/**
 * 128 positions of 396 members in planetary sets, one behind the other: each set's ring is braked, or its sun clutched
 * to its carrier.
 */
export function planetaryPositions(): Train {
  const members: Member[] = [{ id: 'c0', name: 'input' }];
  const gears: Gear[] = [];
  const meshes: Mesh[] = [];
  const couplers: Coupler[] = [];
  for (let i = 1; members.length + 3 <= 396; i++) {
    const shifted = couplers.length + 2 <= 64;
    // The later sets have their rings on the frame.
    const [sun, carrier, ring, planet] = [`c${i - 1}`, `c${i}`, shifted ? `r${i}` : 'frame', `p${i}`];
    members.push({ id: carrier, name: carrier }, { id: planet, name: planet, carrier, copies: 3 });
    if (shifted) members.push({ id: ring, name: ring });
    const [s, p] = [20 + (i % 17), 18 + (i % 11)];
    gears.push(
      { id: `s${i}`, member: sun, teeth: s, type: 'external' },
      { id: `p${i}`, member: planet, teeth: p, type: 'external' },
      { id: `i${i}`, member: ring, teeth: s + 2 * p, type: 'internal' },
    );
    meshes.push({ id: `x${i}`, gears: [`s${i}`, `p${i}`] }, { id: `y${i}`, gears: [`p${i}`, `i${i}`] });
    if (shifted)
      couplers.push(
        { id: `b${i}`, name: `b${i}`, type: 'brake', joins: [ring, 'frame'] },
        { id: `k${i}`, name: `k${i}`, type: 'clutch', joins: [sun, carrier] },
      );
  }
  const sets = couplers.length / 2;
  const positions = Array.from({ length: 128 }, (_, n) => ({
    id: `${n}`,
    name: `${n}`,
    engaged: Array.from({ length: sets }, (__, i) => ((n >> (i % 7)) & 1 ? `b${i + 1}` : `k${i + 1}`)),
  }));
  const outputs = [members.findLast(({ carrier, id }) => carrier === undefined && id.startsWith('c'))!.id];
  return {
    ...header,
    name: 'Planetary sets in a row',
    members,
    gears,
    meshes,
    couplers,
    positions,
    input: 'c0',
    outputs,
  };
}

/**
 * 128 positions of a chain of 400 gears with prime-like counts near 100 000: 200 pairs, each with a clutch past it on
 * the first seven.
 */
export function longChain(): Train {
  const pairs = 200;
  const members: Member[] = Array.from({ length: pairs + 1 }, (_, i) => ({ id: `s${i}`, name: `shaft ${i}` }));
  const gears = Array.from({ length: pairs }, (_, i): Gear[] => [
    { id: `a${i}`, member: `s${i}`, teeth: 99_991 - 2 * ((i * 7919) % 4001), type: 'external' },
    { id: `b${i}`, member: `s${i + 1}`, teeth: 99_989 - 2 * ((i * 6101) % 3989), type: 'external' },
  ]).flat();
  const meshes = Array.from({ length: pairs }, (_, i): Mesh => ({
    id: `m${i}`,
    gears: [`a${i}`, `b${i}`],
    efficiency: 0.98,
  }));
  const couplers = Array.from({ length: 7 }, (_, i): Coupler[] => [
    { id: `slide${i}`, name: `slide ${i}`, type: 'sliding-mesh', mesh: `m${i * 20}` },
    { id: `past${i}`, name: `past ${i}`, type: 'clutch', joins: [`s${i * 20}`, `s${i * 20 + 1}`] },
  ]).flat();
  const positions = Array.from({ length: 128 }, (_, n) => ({
    id: `${n}`,
    name: `${n}`,
    engaged: Array.from({ length: 7 }, (__, i) => ((n >> i) & 1 ? `slide${i}` : `past${i}`)),
  }));
  return {
    ...header,
    name: 'Chain of 400 gears',
    members,
    gears,
    meshes,
    couplers,
    positions,
    input: 's0',
    outputs: [`s${pairs}`],
  };
}

/** Shafts on one axis, each pushing the next through a one-way clutch that is always at work. */
export function rollerChain(count: number): Train {
  const ids = Array.from({ length: count + 1 }, (_, i) => `s${i}`);
  return {
    ...header,
    name: `${count} one-way clutches in a chain`,
    members: ids.map((id) => ({ id, name: id })),
    gears: [],
    meshes: [],
    couplers: ids
      .slice(1)
      .map((id, i): Coupler => ({ id: `f${i}`, name: `f${i}`, type: 'one-way', joins: [ids[i]!, id] })),
    positions: [{ id: 'run', name: 'run', engaged: [] }],
    input: 's0',
    outputs: [`s${count}`],
  };
}

/**
 * As many parallel ways from the input to the output, each a pair of gears and a one-way clutch, the fastest somewhere
 * among them.
 */
export function rollersInParallel(count: number): Train {
  const ways = Array.from({ length: count }, (_, i) => i);
  return {
    ...header,
    name: `${count} one-way clutches in parallel`,
    members: [
      { id: 'in', name: 'in' },
      { id: 'out', name: 'out' },
      ...ways.map((i) => ({ id: `w${i}`, name: `w${i}` })),
    ],
    gears: ways.flatMap((i): Gear[] => [
      { id: `a${i}`, member: 'in', teeth: 20 + ((i * 29) % 71), type: 'sprocket' },
      { id: `b${i}`, member: `w${i}`, teeth: 30 + ((i * 17) % 53), type: 'sprocket' },
    ]),
    meshes: ways.map((i) => ({ id: `m${i}`, gears: [`a${i}`, `b${i}`] })),
    couplers: ways.map((i): Coupler => ({ id: `f${i}`, name: `f${i}`, type: 'one-way', joins: [`w${i}`, 'out'] })),
    positions: [{ id: 'run', name: 'run', engaged: [] }],
    input: 'in',
    outputs: ['out'],
  };
}

/**
 * Outputs behind differentials in a row, each with a one-way clutch that keeps it from falling behind its own pair of
 * gears.
 */
export function manyOutputs(count: number): Train {
  const ways = Array.from({ length: count }, (_, i) => i);
  return {
    ...header,
    name: `${count} outputs with a one-way clutch each`,
    members: [
      { id: 'c0', name: 'in' },
      ...ways.flatMap((i) => [
        { id: `o${i}`, name: `o${i}` },
        { id: `c${i + 1}`, name: `c${i + 1}` },
        { id: `p${i}`, name: `p${i}`, carrier: `c${i}` },
        { id: `w${i}`, name: `w${i}` },
      ]),
    ],
    gears: ways.flatMap((i): Gear[] => [
      { id: `a${i}`, member: `o${i}`, teeth: 20 + (i % 7), type: 'bevel' },
      { id: `p${i}`, member: `p${i}`, teeth: 12, type: 'bevel' },
      { id: `b${i}`, member: `c${i + 1}`, teeth: 20, type: 'bevel' },
      { id: `d${i}`, member: 'c0', teeth: 10 + (i % 5), type: 'sprocket' },
      { id: `e${i}`, member: `w${i}`, teeth: 12 + (i % 23), type: 'sprocket' },
    ]),
    meshes: ways.flatMap((i): Mesh[] => [
      { id: `x${i}`, gears: [`a${i}`, `p${i}`], sense: 'opposite' },
      { id: `y${i}`, gears: [`p${i}`, `b${i}`], sense: 'same' },
      { id: `z${i}`, gears: [`d${i}`, `e${i}`] },
    ]),
    couplers: ways.map((i): Coupler => ({ id: `f${i}`, name: `f${i}`, type: 'one-way', joins: [`w${i}`, `o${i}`] })),
    positions: [{ id: 'run', name: 'run', engaged: [] }],
    input: 'c0',
    outputs: ways.map((i) => `o${i}`),
  };
}
