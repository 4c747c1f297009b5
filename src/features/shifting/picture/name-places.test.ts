import { gearingsOf, orderOf, presetFor } from '@/core/shifting';
import { demoTrain } from '@/testing/demo-train';
import { shiftingFormOf } from '../form-of';
import { setupOf } from '../setup';
import { forceAt, frameOf } from './frame';
import { namePlaces } from './name-places';

/** Far enough apart to be read, in pixels. */
const APART = 11;

test.each(['pan-rake', 'ramp-automatic', 'cart-sleeve', 'mud-tram', 'crawler'])(
  '%s: names of positions keep off one another and the marks of shifts, each beside its own curve',
  (name) => {
    const train = demoTrain(name);
    const order = orderOf(train);
    const scenario = presetFor('conveyor', order, gearingsOf(train, order, false), false);
    const setup = setupOf(train, shiftingFormOf(scenario), scenario);
    const frame = frameOf(setup, 720, 380);
    const places = [...namePlaces(frame, setup)];
    expect(places.map(([id]) => id)).toEqual([...order]);
    for (const [id, { x, y }] of places) {
      expect(x).toBeGreaterThan(frame.left);
      expect(x).toBeLessThan(frame.right);
      // Just right of its curve and above it.
      expect(y + 4).toBeCloseTo(frame.y(forceAt(frame, setup, id, frame.x.invert(x - 5))), 6);
      for (const [other, at] of places) if (other !== id) expect(Math.hypot(at.x - x, at.y - y)).toBeGreaterThan(APART);
      for (const { from, to, own } of setup.bands)
        for (const [on, rpm] of own
          ? ([
              [from, own.upRpm],
              [to, own.downRpm],
            ] as const)
          : []) {
          const outputRpm = rpm / setup.gearings.get(on)!.ratio;
          const mark = { x: frame.x(outputRpm), y: frame.y(forceAt(frame, setup, on, outputRpm)) };
          expect(Math.hypot(mark.x - (x + 8), mark.y - (y - 6))).toBeGreaterThan(APART);
        }
    }
  },
);
