import { drawnApart } from './apart';

describe('sets that are drawn apart', () => {
  const sets = [
    [10, 20],
    [30, 40],
    [60, 70],
  ] as const;

  test('move as wholes, evenly, the last one by all of it', () => {
    const shift = drawnApart(sets, 50);
    expect([0, 10, 15, 20].map(shift)).toEqual([0, 0, 0, 0]);
    expect([30, 34, 40].map(shift)).toEqual([25, 25, 25]);
    expect([60, 70, 99].map(shift)).toEqual([50, 50, 50]);
  });

  test('what joins them is drawn out between, without a jump', () => {
    const shift = drawnApart(sets, 50);
    expect(shift(25)).toBeCloseTo(12.5, 9);
    for (let z = 0; z < 80; z += 0.5) expect(shift(z + 0.5)).toBeGreaterThanOrEqual(shift(z));
  });

  test('one set stays where it is', () => {
    expect(drawnApart([[3, 4]], 50)(3.5)).toBe(0);
  });
});
