import { gearOutline, STANDARD_RACK, toothForm, type LoopPoint, type ToothSpec } from '../shapes';
import { linePressure, rootSection, rootStress, stiffnessOf } from '.';
import { pairTrain } from '@/testing/pair-train';

/** Half a tooth of the printed outline, from its root to its tip: along the tooth's middle, and beside it. */
function halfTooth(spec: ToothSpec): readonly LoopPoint[] {
  const pitch = Math.PI / spec.teeth;
  return gearOutline(spec, 2e-5)
    .filter(({ x, y }) => Math.atan2(y, x) >= 0 && Math.atan2(y, x) <= pitch)
    .sort((a, b) => Math.hypot(a.x, a.y) - Math.hypot(b.x, b.y));
}

test.each([
  [{ teeth: 17, moduleMm: 2 }, 1.6],
  [{ teeth: 14, moduleMm: 3, shift: 0.3 }, 1.4],
  [{ teeth: 60, moduleMm: 1, shift: -0.2 }, 1.75],
] as const)('of %j the section and the load are those of the outline, measured on it', (spec, contactRatio) => {
  const section = rootSection(spec, contactRatio)!;
  const line = halfTooth(spec);
  // From the root upward the outline leans less and less; where it leans by 30° the tooth bends.
  const at = line.findIndex((p, i) => {
    const next = line[i + 3];
    return next !== undefined && i > 3 && Math.atan2(p.y - next.y, next.x - p.x) < Math.PI / 6;
  });
  const bent = line[at + 1]!;
  expect(section.thicknessMm).toBeCloseTo(2 * bent.y, 1);
  // The place where one pair alone carries, at its tip: so far below the tip along the flank's normal.
  const { baseRadius, tipRadius } = toothForm(spec);
  const pitch = Math.PI * spec.moduleMm * Math.cos(STANDARD_RACK.pressureAngle);
  const reach = Math.sqrt(tipRadius ** 2 - baseRadius ** 2) - (contactRatio - 1) * pitch;
  const radius = Math.hypot(baseRadius, reach);
  const touched = line.find((p) => Math.hypot(p.x, p.y) >= radius)!;
  // Its normal touches the base circle: the foot of the tangent from the place.
  const turn = Math.atan2(touched.y, touched.x) - Math.acos(baseRadius / radius);
  const foot = { x: baseRadius * Math.cos(turn), y: baseRadius * Math.sin(turn) };
  const crossing = foot.x - (foot.y * (touched.x - foot.x)) / (touched.y - foot.y);
  expect(section.armMm).toBeCloseTo(crossing - bent.x, 1);
  expect(section.loadAngle).toBeCloseTo(-turn, 2);
});

test('of a ring the tooth is what stands between two spaces', () => {
  const section = rootSection({ teeth: 60, moduleMm: 2, internal: true }, 1.7)!;
  expect(section.thicknessMm).toBeGreaterThan(Math.PI);
  expect(section.thicknessMm).toBeLessThan(2 * Math.PI);
  expect(section.armMm).toBeGreaterThan(1);
  expect(section.armMm).toBeLessThan(5);
});

test('stress of a block that is pushed at its end; pressure of two steel rollers', () => {
  // 100 N across, 10 mm up a block of 6 × 5 mm: M / W = 1 000 / (5 · 36 / 6).
  expect(rootStress({ thicknessMm: 6, armMm: 10, loadAngle: 0 }, 100, 5, 0)).toBeCloseTo(1000 / 30, 9);
  const steel = stiffnessOf(pairTrain({ teeth: 20 }, { teeth: 20 }), 'steel');
  // Hertz's half width b = √(8 F R (1 − ν²) / (π E)) with R = 5, and the pressure 2 F / (π b).
  const half = Math.sqrt((8 * 200 * 5 * (1 - 0.09)) / (Math.PI * 206_000));
  expect(linePressure(200, 1 / 10 + 1 / 10, steel, steel)).toBeCloseTo((2 * 200) / (Math.PI * half), 6);
  const own = pairTrain({ teeth: 20 }, { teeth: 20 }, { train: { elasticity: { steel: 190_000 } } });
  expect(stiffnessOf(own, 'steel').elasticity).toBe(190_000);
});
