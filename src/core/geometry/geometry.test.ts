import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { pairTrain } from '@/testing/pair-train';
import { roll, stuckInRing } from '@/testing/rolled';
import { runs } from '@/testing/runs';
import { involute, STANDARD_RACK } from '../shapes';
import { parseTrain, type Train } from '../train';
import { geometryOf, inverseInvolute, runningPair, splitShift } from '.';

const read = (name: string): unknown => JSON.parse(readFileSync(join(__dirname, 'cases', name), 'utf8'));
function trainOf(name: string): Train {
  const parsed = parseTrain(readFileSync(join(__dirname, 'cases', name), 'utf8'));
  if (!parsed.ok) throw new Error(name);
  return parsed.train;
}
const degrees = (angle: number) => (angle * 180) / Math.PI;

test('a pair on a given centre, by the independent solver', () => {
  const expected = (read('metal-centre.geometry.json') as { meshes: { ab: Record<string, number> } }).meshes.ab;
  const { running } = geometryOf(trainOf('metal-centre.train.json')).mesh('ab')!;
  expect(running.centreMm).toBe(expected.centreMm);
  expect(running.referenceCentreMm).toBeCloseTo(expected.referenceCentreMm!, 12);
  expect(degrees(running.workingAngle)).toBeCloseTo(expected.pressureAngleDeg!, 10);
  expect(running.shiftSum).toBeCloseTo(expected.shiftSum!, 12);
});

test('the involute function is turned round', () => {
  fc.assert(
    fc.property(fc.double({ min: 1e-4, max: 1.4, noNaN: true }), (angle) => {
      expect(inverseInvolute(involute(angle))).toBeCloseTo(angle, 9);
    }),
  );
  expect(inverseInvolute(0)).toBe(0);
  expect(inverseInvolute(-1e-3)).toBeNull();
  expect(inverseInvolute(NaN)).toBeNull();
});

test('a centre far from where a pair runs is not looked for among shifts that no tooth can have', () => {
  // A gear of 24 in a ring of 63 runs at 39 mm: 46 asks for more than four modules of shift.
  const specs = [
    { teeth: 24, moduleMm: 2 },
    { teeth: 63, moduleMm: 2, internal: true },
  ] as const;
  const asked: number[] = [];
  const stresses = (shifts: readonly [number, number]) => {
    asked.push(...shifts);
    return [1, 2] as const;
  };
  for (const split of ['equal sliding', 'equal strength'] as const)
    expect(splitShift({ specs, centreMm: 46, stresses }, split)).toBeNull();
  expect(asked.every((shift) => Math.abs(shift) <= 2)).toBe(true);
});

test('the centre that shifts give asks for these shifts again; a standard pair is as ever', () => {
  const pair = fc.record({
    teeth: fc.integer({ min: 8, max: 90 }),
    more: fc.integer({ min: 9, max: 120 }),
    internal: fc.boolean(),
    shifts: fc.tuple(fc.double({ min: -0.4, max: 0.8, noNaN: true }), fc.double({ min: -0.4, max: 0.8, noNaN: true })),
    helixDegrees: fc.constantFrom(0, 15, -32),
    moduleMm: fc.constantFrom(0.5, 2, 7),
  });
  fc.assert(
    fc.property(pair, ({ teeth, more, internal, shifts, ...own }) => {
      const wheels = [
        { teeth, internal: false, shift: shifts[0] },
        { teeth: internal ? teeth + more : more, internal, shift: shifts[1] },
      ] as const;
      const spec = { ...own, rack: STANDARD_RACK, wheels };
      const running = runningPair({ ...spec, centreMm: null });
      // Too much shift away from each other for so few teeth: there is no such centre.
      if (!running) return;
      const again = runningPair({ ...spec, centreMm: running.centreMm });
      const sum = internal ? shifts[1] - shifts[0] : shifts[0] + shifts[1];
      expect(again?.shiftSum ?? NaN).toBeCloseTo(sum, 6);
      const plain = runningPair({
        ...spec,
        wheels: [
          { ...wheels[0], shift: 0 },
          { ...wheels[1], shift: 0 },
        ],
        centreMm: null,
      })!;
      const cosine = Math.cos((own.helixDegrees * Math.PI) / 180);
      const between = internal ? more : teeth + more;
      expect(plain.centreMm).toBeCloseTo((own.moduleMm * between) / 2 / cosine, 9);
      expect(plain).toMatchObject({
        shiftSum: 0,
        referenceCentreMm: plain.centreMm,
        workingAngle: plain.pressureAngle,
      });
    }),
    { numRuns: runs(300) },
  );
});

test.each([
  ['a centre within the base circles', { teeth: 18 }, { teeth: 40 }, 50],
  ['a ring no larger than its gear', { teeth: 40 }, { teeth: 40, type: 'internal' as const }, null],
  ['no centre at all', { teeth: 18 }, { teeth: 40 }, 1e-3],
])('%s runs nowhere, and no figure is NaN', (_, a, b, centre) => {
  const train = pairTrain({ ...a, module: 2 }, { ...b, module: 2 }, centre === null ? {} : { mesh: { centre } });
  expect(geometryOf(train).mesh('ab')).toBeNull();
});

/** So that a chord that is a little too long is no overlap. */
const SOME = { train: { backlash: 0.05 } };

describe('the outlines, laid on each other and turned, say the same', () => {
  test.each([
    ['a standard pair', { teeth: 19 }, { teeth: 33 }, SOME],
    ['shifted apart', { teeth: 18, shift: 0.3 }, { teeth: 30, shift: 0.175 }, SOME],
    ['farther apart than the shifts say', { teeth: 18, shift: 0.1 }, { teeth: 30 }, { mesh: { centre: 48.6 } }],
    ['with backlash', { teeth: 21 }, { teeth: 31 }, { train: { backlash: 0.12 } }],
    ['helical, across the axis', { teeth: 20, helix: 20 }, { teeth: 31, helix: -20 }, SOME],
    [
      '25° and stub teeth',
      { teeth: 17 },
      { teeth: 29 },
      { train: { backlash: 0.05, pressureAngle: 25, addendum: 0.8, dedendum: 1 } },
    ],
    ['in a ring', { teeth: 20 }, { teeth: 61, type: 'internal' as const }, { train: { backlash: 0.1 } }],
    [
      'in a ring that is one tooth off',
      { teeth: 20, shift: 0.4 },
      { teeth: 60, type: 'internal' as const, shift: 0.2 },
      { train: { backlash: 0.1 } },
    ],
  ])('%s', (_, a, b, rest) => {
    const geometry = geometryOf(pairTrain({ ...a, module: 2 }, { ...b, module: 2 }, rest));
    const mesh = geometry.mesh('ab')!;
    const found = roll(geometry.gear('a')!.spec, geometry.gear('b')!.spec, mesh.running.centreMm);
    expect(mesh.backlashMm).toBeCloseTo(found.backlashMm, 2);
    expect(Math.abs(mesh.usableContactRatio - found.contactRatio)).toBeLessThan(0.12);
    expect(found.overlaps).toBe(false);
    // Clearances are lengths on the line of centres.
    const radius = (gear: 'a' | 'b', which: 'tipRadius' | 'rootRadius') => geometry.gear(gear)!.form[which];
    const centre = mesh.running.centreMm;
    const inside = geometry.gear('b')!.spec.internal;
    expect(mesh.tipClearanceMm[0]).toBeCloseTo(
      inside
        ? radius('b', 'rootRadius') - centre - radius('a', 'tipRadius')
        : centre - radius('a', 'tipRadius') - radius('b', 'rootRadius'),
      9,
    );
    expect(Math.min(...mesh.tipClearanceMm)).toBeGreaterThanOrEqual(0.17 * 2 - 1e-9);
  });
});

test.each([
  [20, 60],
  [24, 40],
  [30, 40],
  [30, 36],
  [30, 34],
  [40, 43],
  [39, 41],
  [46, 47],
  [12, 13],
])('a gear of %i in a ring of %i: what the outlines run into is named', (teeth, ring) => {
  const geometry = geometryOf(
    pairTrain({ teeth, module: 2 }, { teeth: ring, type: 'internal', module: 2 }, { train: { backlash: 0.02 } }),
  );
  const { interference, running } = geometry.mesh('ab')!;
  const stuck = stuckInRing(geometry.gear('a')!.spec, geometry.gear('b')!.spec, running.centreMm);
  expect({ running: interference.includes('trochoid'), wayIn: interference.includes('radial') }).toEqual({
    running: stuck.running,
    wayIn: stuck.wayIn,
  });
});

test('nothing that the outlines of any gear run into in any ring goes unnamed', () => {
  const shift = fc.integer({ min: -6, max: 10 }).map((tenths) => tenths / 10);
  fc.assert(
    fc.property(
      fc.integer({ min: 8, max: 50 }),
      fc.integer({ min: 1, max: 30 }),
      shift,
      shift,
      fc.constantFrom(1, 0.8),
      (teeth, more, own, its, addendum) => {
        const ring = { teeth: teeth + more, type: 'internal' as const, shift: its, module: 2 };
        const geometry = geometryOf(
          pairTrain({ teeth, shift: own, module: 2 }, ring, { train: { backlash: 0.02, addendum } }),
        );
        const mesh = geometry.mesh('ab');
        const isSound = mesh && mesh.contactRatio > 1 && mesh.backlashMm >= 0 && !mesh.interference.includes('root');
        if (!isSound) return fc.pre(false);
        const stuck = stuckInRing(geometry.gear('a')!.spec, geometry.gear('b')!.spec, mesh.running.centreMm);
        if (stuck.running) expect(mesh.interference).toContain('trochoid');
        else if (stuck.wayIn) expect(mesh.interference).toContain('radial');
      },
    ),
    { numRuns: runs(24) },
  );
});

test('a set whose ring is not sun + 2 planets runs round one axis on a shared centre', () => {
  const hub = pairTrain(
    { teeth: 20, module: 1 },
    { teeth: 19, module: 1 },
    {
      mesh: { centre: 20 },
      train: {
        members: [
          { id: 'in', name: 'sun' },
          { id: 'p', name: 'planet', carrier: 'out', copies: 3 },
          { id: 'out', name: 'carrier' },
          { id: 'r', name: 'ring' },
        ],
        gears: [
          { id: 'a', member: 'in', teeth: 20, type: 'external', module: 1 },
          { id: 'b', member: 'p', teeth: 19, type: 'external' },
          { id: 'c', member: 'r', teeth: 61, type: 'internal' },
        ],
        meshes: [
          { id: 'ab', gears: ['a', 'b'] },
          { id: 'bc', gears: ['c', 'b'], centre: 20.4 },
        ],
        couplers: [{ id: 'k', name: 'Hold', type: 'brake', joins: ['r', 'frame'] }],
        positions: [{ id: '1', name: '1', engaged: ['k'] }],
      },
    },
  );
  const geometry = geometryOf(hub);
  const [sun, ring] = [geometry.mesh('ab')!.running, geometry.mesh('bc')!.running];
  expect([sun.centreMm, ring.centreMm]).toEqual([20.4, 20.4]);
  // (61 − 19) / 2 = 21 and (20 + 19) / 2 = 19.5 without shifts: the sun's pair is drawn apart, the ring's together.
  expect([sun.referenceCentreMm, ring.referenceCentreMm]).toEqual([19.5, 21]);
  expect(sun.shiftSum).toBeGreaterThan(0.9);
  expect(ring.shiftSum).toBeLessThan(-0.5);
  // Named with the ring first: the figures follow the mesh's own order.
  expect(geometry.mesh('bc')!.workingDiametersMm[0]).toBeGreaterThan(geometry.mesh('bc')!.workingDiametersMm[1]);
});
