import fc from 'fast-check';
import { demoTrains } from '@/testing/demo-train';
import { pairTrain } from '@/testing/pair-train';
import { runs } from '@/testing/runs';
import { rankWheels } from '../forces';
import { endView } from '../end-view';
import { toothForm } from '../shapes';
import { checkTrain, type Train } from '../train';
import { geometryOf } from '.';

/** What is left of every tooth: its tip lies outside its root, of a ring inside. */
function expectTeeth(train: Train): void {
  for (const { id, teeth } of train.gears) {
    const wheel = geometryOf(train).gear(id);
    if (!wheel) continue;
    const { tipRadius, rootRadius, pitchRadius, pieces } = wheel.form;
    expect([id, Math.sign(tipRadius - rootRadius)]).toEqual([id, wheel.spec.internal ? -1 : 1]);
    expect(Number.isFinite(tipRadius + rootRadius + pitchRadius)).toBe(true);
    for (const { from, to, at } of pieces)
      for (const t of [from, (from + to) / 2, to]) expect(Number.isFinite(at(t).radius + at(t).half)).toBe(true);
    expect(pitchRadius).toBeGreaterThan((teeth * wheel.spec.moduleMm) / 2 - 1e-9);
  }
}

test('a gear that all but fills its ring asks for all of the teeth; both are made all the same', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 5, max: 60 }),
      fc.integer({ min: 1, max: 8 }),
      fc.double({ min: -2, max: 2, noNaN: true }),
      fc.double({ min: -2, max: 2, noNaN: true }),
      (teeth, more, shift, shiftTwo) => {
        const wheel = { module: 2, teeth, shift };
        expectTeeth(pairTrain(wheel, { module: 2, teeth: teeth + more, shift: shiftTwo, type: 'internal' }));
      },
    ),
    { numRuns: runs(150) },
  );
});

test('whatever is taken off a tip, something of the tooth is left', () => {
  for (const internal of [false, true])
    for (const tipCutMm of [0, 1, 10, 1000]) {
      const { tipRadius, rootRadius } = toothForm({ teeth: 40, moduleMm: 2, internal, tipCutMm });
      expect(Math.sign(tipRadius - rootRadius)).toBe(internal ? -1 : 1);
      expect(Math.abs(tipRadius - rootRadius)).toBeGreaterThan(0.1);
    }
});

test('one pair more between any two wheels of any train of the saltworks: sizes, end view and ranking are made', () => {
  const trains = demoTrains();
  let seen = 0;
  fc.assert(
    fc.property(fc.nat(), fc.nat(), fc.nat(), fc.boolean(), (which, a, b, turned) => {
      const train = trains[which % trains.length]!;
      const [one, two] = [train.gears[a % train.gears.length]!, train.gears[b % train.gears.length]!];
      const read = checkTrain({
        ...train,
        gears: train.gears.map((gear) => (turned && gear === one ? { ...gear, type: 'internal' } : gear)),
        meshes: [...train.meshes, { id: 'one more', gears: [one.id, two.id] }],
      });
      if (!read.ok) return;
      seen++;
      expectTeeth(read.train);
      expect(endView(read.train, []).length).toBeGreaterThan(0);
      const ranked = rankWheels(read.train, { torqueNm: 10, speedRpm: 30 });
      expect(ranked.every(({ rootStressMPa }) => rootStressMPa > 0)).toBe(true);
    }),
    { numRuns: runs(150) },
  );
  expect(seen).toBeGreaterThan(10);
});
