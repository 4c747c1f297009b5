import fc from 'fast-check';
import { laneScale, stretchesOf, thinLine } from './lanes';

/** The heights that a path of M and L passes through. */
const heights = (path: string): readonly number[] =>
  path
    .split(/[ML]/)
    .filter(Boolean)
    .map((point) => Number(point.split(' ')[1]));

test('a thinned line keeps its ends and its peaks, and draws at most four points on a pixel', () => {
  const values = fc.array(fc.integer({ min: -1000, max: 1000 }), { minLength: 1, maxLength: 3000 });
  fc.assert(
    fc.property(values, fc.integer({ min: 1, max: 300 }), (column, pixels) => {
      const times = Float64Array.from(column, (_, i) => i);
      const last = Math.max(1, column.length - 1);
      const drawn = heights(
        thinLine(
          times,
          Float64Array.from(column),
          (time) => (time / last) * pixels,
          (value) => value,
        ),
      );
      expect(Math.max(...drawn)).toBe(Math.max(...column));
      expect(Math.min(...drawn)).toBe(Math.min(...column));
      expect([drawn[0], drawn.at(-1)]).toEqual([column[0], column.at(-1)]);
      expect(drawn.length).toBeLessThanOrEqual(4 * (pixels + 1));
    }),
  );
});

test('a lane’s scale has room for all that lies over one another, from nothing', () => {
  expect(laneScale([Float64Array.of(3, 5), Float64Array.of(8)], 0, 100).domain()).toEqual([0, 8]);
  expect(laneScale([Float64Array.of(-2, 5)], 0, 100).domain()).toEqual([-2, 5]);
});

test('stretches of a position follow each other without a hole', () => {
  const none = new Float64Array(5);
  const traces = { timeS: Float64Array.of(0, 1, 2, 3, 4), position: Int16Array.of(0, 0, -1, 1, 1) };
  const rest = {
    inputRpm: none,
    outputRpm: none,
    inputTorqueNm: none,
    outputTorqueNm: none,
    powerShare: none,
    read: none,
  };
  expect(stretchesOf({ ...traces, ...rest })).toEqual([
    { place: 0, fromS: 0, toS: 2 },
    { place: -1, fromS: 2, toS: 3 },
    { place: 1, fromS: 3, toS: 4 },
  ]);
});
