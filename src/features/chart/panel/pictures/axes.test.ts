import fc from 'fast-check';
import { logAxis, roundAxis } from './axes';

const size = fc.double({ min: 1e-3, max: 1e4, noNaN: true });

test('a logarithmic axis has room for all sizes between whole steps, and few enough ticks to be read', () => {
  fc.assert(
    fc.property(fc.array(size, { minLength: 1, maxLength: 20 }), (sizes) => {
      const { min, max, ticks } = logAxis(sizes);
      expect(Math.min(...sizes.map(Math.log2))).toBeGreaterThan(min);
      expect(Math.max(...sizes.map(Math.log2))).toBeLessThan(max);
      expect(ticks).toBeGreaterThan(0);
      expect(ticks).toBeLessThanOrEqual(11);
      const step = (max - min) / ticks;
      expect(Math.log2(step) % 1).toBeCloseTo(0, 9);
    }),
  );
});

test('a round axis reaches the largest value in round steps', () => {
  expect(roundAxis(0, 42, 4)).toEqual({ min: 0, max: 60, ticks: 3 });
  expect(roundAxis(1, 1.475, 4)).toEqual({ min: 1, max: expect.closeTo(1.6, 9), ticks: 3 });
  fc.assert(
    fc.property(size, fc.integer({ min: 2, max: 10 }), (most, about) => {
      const { max, ticks } = roundAxis(0, most, about);
      expect(max).toBeGreaterThanOrEqual(most * (1 - 1e-9));
      expect(ticks).toBeLessThanOrEqual(about + 1);
      const step = max / ticks;
      expect([1, 2, 2.5, 5, 10]).toContain(Number((step / 10 ** Math.floor(Math.log10(step) + 1e-9)).toPrecision(6)));
    }),
  );
});
