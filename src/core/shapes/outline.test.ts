import { runs } from '@/testing/runs';
import { refusalText } from '../result';
import fc from 'fast-check';
import {
  gearOutline,
  involute,
  PRESSURE_ANGLE,
  readWheel,
  toothForm,
  type Loop,
  type LoopPoint,
  type WheelSpec,
  type ToothSpec,
} from '.';

const radius = ({ x, y }: LoopPoint) => Math.hypot(x, y);
const angle = ({ x, y }: LoopPoint) => Math.atan2(y, x);
const between = (values: readonly number[]) => [Math.min(...values), Math.max(...values)] as const;

const spec = fc.record({
  teeth: fc.integer({ min: 6, max: 220 }),
  moduleMm: fc.constantFrom(0.5, 1, 2.5, 6),
  shift: fc.constantFrom(-0.2, 0, 0.1, 0.3, 0.5),
  backlashMm: fc.constantFrom(0, 0.05, 0.1),
});

test('radii are m z / 2 + m (1 + x) and m z / 2 − m (1.25 − x); all of the flank is where the involute is', () => {
  fc.assert(
    fc.property(spec, (own) => {
      const form = toothForm(own);
      const { moduleMm: m, teeth, shift: x, backlashMm: j } = own;
      const loop = gearOutline(own);
      const [low, high] = between(loop.map(radius));
      expect(low).toBeCloseTo((m * teeth) / 2 - m * (1.25 - x), 6);
      if (!form.pointed) expect(high).toBeCloseTo((m * teeth) / 2 + m * (1 + x), 6);
      // Thickness on the pitch circle, from the outline's own places on it: the first tooth's are nearest to the x
      // axis.
      const onPitch = loop
        .filter((p) => Math.abs(radius(p) - form.pitchRadius) < 1e-9)
        .map(angle)
        .filter((a) => Math.abs(a) < Math.PI / teeth);
      if (onPitch.length > 0) {
        const [right, left] = between(onPitch);
        expect((left - right) * form.pitchRadius).toBeCloseTo(
          m * (Math.PI / 2 + 2 * x * Math.tan(PRESSURE_ANGLE)) - j / 2,
          6,
        );
      }
      // No place is on the wrong side of the involute: roots only take away.
      for (const p of loop) {
        const rho = radius(p);
        if (rho <= form.baseRadius) continue;
        const own = Math.abs(
          ((((angle(p) + Math.PI / teeth) % ((2 * Math.PI) / teeth)) + (2 * Math.PI) / teeth) %
            ((2 * Math.PI) / teeth)) -
            Math.PI / teeth,
        );
        const most = form.halfAngleAt(rho);
        if (rho > form.pitchRadius + 0.2 * m && rho < form.tipRadius - 1e-6) expect(own).toBeCloseTo(most, 6);
      }
    }),
    { numRuns: 60 },
  );
});

test('base pitch: along a normal of the flanks, tooth to tooth is π m cos α', () => {
  const own: ToothSpec = { teeth: 40, moduleMm: 2 };
  const { baseRadius, halfAngleAt, pitchRadius, tipRadius } = toothForm(own);
  // A flank crosses the tangent at T of the base circle at distance rb·(roll angle); neighbours one pitch on cross it
  // one base pitch on.
  const rollOf = (rho: number) => Math.sqrt(rho ** 2 - baseRadius ** 2);
  const places = gearOutline(own, 1e-4).filter(
    (p) => radius(p) > pitchRadius - 0.5 && radius(p) < tipRadius - 1e-9 && angle(p) > 0 && angle(p) < Math.PI / 40,
  );
  expect(places.length).toBeGreaterThan(10);
  for (const p of places) {
    const rho = radius(p);
    // Where this flank started on the base circle, by unrolling its thread.
    const start = angle(p) + Math.tan(Math.acos(baseRadius / rho)) - Math.acos(baseRadius / rho);
    const thread = rollOf(rho) / baseRadius;
    expect(start).toBeCloseTo(halfAngleAt(baseRadius), 6);
    expect(thread).toBeCloseTo(Math.tan(Math.acos(baseRadius / rho)), 6);
  }
  const pitchOnBase = ((2 * Math.PI) / 40) * baseRadius;
  expect(pitchOnBase).toBeCloseTo(Math.PI * 2 * Math.cos(PRESSURE_ANGLE), 6);
  expect(involute(PRESSURE_ANGLE)).toBeCloseTo(0.0149044, 6);
  expect(pitchRadius).toBe(40);
});

/**
 * How deep places of one loop lie inside another: how far the nearest edge is, for those that are inside it by crossing
 * rays.
 */
function deepest(points: readonly LoopPoint[], loop: Loop): number {
  let most = 0;
  for (const p of points) {
    let inside = false;
    let near = Infinity;
    for (let i = 0, k = loop.length - 1; i < loop.length; k = i++) {
      const [a, b] = [loop[i]!, loop[k]!];
      if (a.y > p.y !== b.y > p.y && p.x < ((b.x - a.x) * (p.y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
      const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
      const t = Math.max(0, Math.min(1, ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / length ** 2));
      near = Math.min(near, Math.hypot(p.x - a.x - t * (b.x - a.x), p.y - a.y - t * (b.y - a.y)));
    }
    if (inside) most = Math.max(most, near);
  }
  return most;
}

/** Places within one pitch at which a pair is looked at. */
const PHASES = runs(15);

const moved = (loop: Loop, turn: number, dx: number): Loop =>
  loop.map(({ x, y }) => ({
    x: x * Math.cos(turn) - y * Math.sin(turn) + dx,
    y: x * Math.sin(turn) + y * Math.cos(turn),
  }));

test.each([
  ['two gears', { teeth: 17, moduleMm: 2 }, { teeth: 40, moduleMm: 2 }],
  ['an undercut pinion', { teeth: 9, moduleMm: 2 }, { teeth: 31, moduleMm: 2 }],
  ['shifted against one another', { teeth: 12, moduleMm: 2, shift: 0.3 }, { teeth: 30, moduleMm: 2, shift: -0.3 }],
] as const)('%s turned through one pitch nowhere overlap by more than the chords', (_, one, other) => {
  const tolerance = 4e-3;
  const [a, b] = [gearOutline(one, tolerance), gearOutline(other, tolerance)];
  const centre = ((one.teeth + other.teeth) * 2) / 2;
  const [reachA, reachB] = [toothForm(one).tipRadius, toothForm(other).tipRadius];
  for (let i = 0; i < PHASES; i++) {
    const turn = ((2 * Math.PI) / one.teeth) * (i / PHASES);
    // A tooth of the first points at a space of the second.
    const [first, second] = [
      moved(a, turn, 0),
      moved(b, Math.PI + Math.PI / other.teeth - (turn * one.teeth) / other.teeth, centre),
    ];
    expect(
      deepest(
        first.filter(({ x, y }) => Math.hypot(x - centre, y) < reachB),
        second,
      ),
    ).toBeLessThan(3 * tolerance);
    expect(
      deepest(
        second.filter((p) => radius(p) < reachA),
        first,
      ),
    ).toBeLessThan(3 * tolerance);
  }
});

test('with backlash the pair is free by as much; a gear in a ring nowhere touches where it should not', () => {
  const [a, b] = [
    { teeth: 20, moduleMm: 2, backlashMm: 0.2 },
    { teeth: 30, moduleMm: 2, backlashMm: 0.2 },
  ];
  const [widthA, widthB] = [toothForm(a).widthMm, toothForm(b).widthMm];
  // On the pitch circles tooth and tooth and backlash make one pitch.
  expect(widthA + widthB + 0.2).toBeCloseTo(Math.PI * 2, 9);
  const [ring, planet] = [
    gearOutline({ teeth: 60, moduleMm: 2, internal: true }, 2e-3),
    gearOutline({ teeth: 18, moduleMm: 2 }, 2e-3),
  ];
  const inner = toothForm({ teeth: 60, moduleMm: 2, internal: true }).tipRadius;
  for (let i = 0; i < PHASES; i++) {
    const turn = ((2 * Math.PI) / 18) * (i / PHASES);
    const hole = moved([...ring].reverse(), (turn * 18) / 60, 0);
    const near = moved(planet, turn, 42).filter((p) => radius(p) > inner);
    expect(near.length).toBeGreaterThan(10);
    // Whatever is not in the hole is in the ring's material.
    const stuck = near.filter((p) => deepest([p], hole) === 0 && distanceTo(p, hole) > 6e-3);
    expect(stuck).toEqual([]);
  }
});

function distanceTo(p: LoopPoint, loop: Loop): number {
  return Math.min(
    ...loop.map((a, i) => {
      const b = loop[(i + 1) % loop.length]!;
      const length = Math.hypot(b.x - a.x, b.y - a.y) || 1;
      const t = Math.max(0, Math.min(1, ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / length ** 2));
      return Math.hypot(p.x - a.x - t * (b.x - a.x), p.y - a.y - t * (b.y - a.y));
    }),
  );
}

test('chords stay within the tolerance: a finer one moves no place of the coarse one by more', () => {
  for (const tolerance of [0.05, 0.01, 0.002]) {
    const coarse = gearOutline({ teeth: 23, moduleMm: 3 }, tolerance);
    const fine = gearOutline({ teeth: 23, moduleMm: 3 }, tolerance / 50);
    const far = fine.filter((_, i) => i % 29 === 0).map((p) => distanceTo(p, coarse));
    expect(Math.max(...far)).toBeLessThan(tolerance * 1.05);
    expect(coarse.length).toBeLessThan(fine.length);
  }
});

test.each([
  [{ teeth: 3, moduleMm: 2, widthMm: 10 }, 'teeth', 'from 4 to 2000'],
  [{ teeth: 20, moduleMm: 0, widthMm: 10 }, 'moduleMm', 'from 0.05'],
  [{ teeth: 20, moduleMm: 2, widthMm: -1 }, 'widthMm', 'above 0'],
  [{ teeth: 20, moduleMm: 2, widthMm: 10, boreMm: 34 }, 'boreMm', 'leaves less than 1 mm under the teeth'],
  [{ teeth: 20, moduleMm: 2, widthMm: 10, boreMm: 8, squareMm: 8 }, 'squareMm', 'not both'],
  [{ teeth: 20, moduleMm: 2, widthMm: 10, keyway: { widthMm: 3, deepMm: 1 } }, 'keyway', 'round bore'],
  [{ teeth: 20, moduleMm: 2, widthMm: 10, herringbone: true }, 'herringbone', 'helix angle'],
  [{ teeth: 60, moduleMm: 2, widthMm: 10, internal: true, boreMm: 8 }, 'boreMm', 'A ring has no bore'],
  [
    { teeth: 20, moduleMm: 2, widthMm: 10, boreMm: 8, hub: { outsideMm: 9, longMm: 5 } },
    'hub',
    'thicker than the hole',
  ],
  [{ teeth: 20, moduleMm: 1, widthMm: 10, boreMm: 8, lighteningHoles: 6 }, 'lighteningHoles', 'no room'],
] as const)('%j is refused at %s', (own, field, says) => {
  expect(readWheel(own)).toMatchObject({
    ok: false,
    problems: [{ path: expect.arrayContaining([field]) as string[], message: expect.stringContaining(says) as string }],
  });
});

test('what is worth knowing is said: pointed tips, undercut roots, no backlash, how to print, what can burst', () => {
  const hints = (own: WheelSpec) => {
    const read = readWheel(own);
    if (!read.ok) throw new Error(refusalText(read));
    return read.value.hints.join(' ');
  };
  expect(hints({ teeth: 8, moduleMm: 2, widthMm: 5, shift: 0.8 })).toContain('end in a point');
  expect(hints({ teeth: 9, moduleMm: 2, widthMm: 5 })).toContain('undercut');
  expect(hints({ teeth: 40, moduleMm: 2, widthMm: 5 })).toMatch(/^No backlash.*lying flat.*burst/);
});

/**
 * How deep the basic rack, rolled along past a gear by small steps, cuts into a place of the gear's outline (mm; below
 * 0: how far it stays away from it).
 */
function cutBy(
  rack: { moduleMm: number; pitchRadius: number; teeth: number; shift: number },
  place: { radius: number; half: number },
): number {
  const { moduleMm: m, pitchRadius: r, teeth, shift } = rack;
  const [deepest, rounding] = [1.25 * m, 0.38 * m];
  const middle = deepest - rounding;
  const beside = (Math.PI * m) / 4 - middle * Math.tan(PRESSURE_ANGLE) - rounding / Math.cos(PRESSURE_ANGLE);
  const straight = middle + rounding * Math.sin(PRESSURE_ANGLE);
  /** Half the rack tooth's width so far below its own pitch line. */
  const half = (depth: number) =>
    depth <= straight
      ? (Math.PI * m) / 4 - depth * Math.tan(PRESSURE_ANGLE)
      : depth > deepest
        ? -Infinity
        : beside + Math.sqrt(rounding ** 2 - (depth - middle) ** 2);
  const cutAt = (turn: number) => {
    const at = Math.PI / teeth - place.half + turn;
    const x = place.radius * Math.sin(at) - r * turn;
    const depth = r + shift * m - place.radius * Math.cos(at);
    return half(depth) - Math.abs(x);
  };
  // Large steps first; then small ones wherever a large one came near the deepest.
  const [large, small] = [4e-3, 1e-4];
  const turns = Array.from({ length: 2.4 / large + 1 }, (_, i) => -1.2 + i * large);
  const near = Math.max(...turns.map(cutAt)) - r * large;
  let most = -Infinity;
  for (const turn of turns)
    if (cutAt(turn) >= near) for (let by = -large; by <= large; by += small) most = Math.max(most, cutAt(turn + by));
  return most;
}

test.each([9, 13, 14, 15, 16, 17, 18, 30])(
  'with %i teeth the rack rolled past cuts no place of the outline, and reaches every one',
  (teeth) => {
    for (const shift of [0, 0.25]) {
      const form = toothForm({ teeth, moduleMm: 2, shift });
      for (const { from, to, at } of form.pieces)
        for (let i = 0; i <= 8; i++) {
          const place = at(from + ((to - from) * i) / 8);
          // The bottom is reached at one depth only, where the rack's tip is flat; elsewhere the rack touches to within
          // its steps.
          if (place.radius < form.rootRadius + 1e-3) continue;
          const cut = cutBy({ moduleMm: 2, pitchRadius: form.pitchRadius, teeth, shift }, place);
          expect(cut).toBeLessThan(1e-4);
          expect(cut).toBeGreaterThan(-2e-3);
        }
    }
  },
);
