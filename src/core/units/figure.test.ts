import { readFigure } from '.';

describe('a figure as people type it', () => {
  test.each([
    ['2.5', 2.5],
    [' 2,5 ', 2.5],
    ['-,5', -0.5],
    ['1e3', 1000],
    ['1,5e-2', 0.015],
    ['5/2', 2.5],
    ['2 1/2', 2.5],
    ['-2 1/2', -2.5],
    ['−3', -3],
    ['1\u202f800', 1800],
    ['', NaN],
    ['two', NaN],
    ['1,000,5', NaN],
    ['2 3', NaN],
    ['1/0', NaN],
    ['1/2/3', NaN],
    ['2.5 N', NaN],
  ])('%j is %d', (text, value) => expect(readFigure(text)).toBe(value));
});

describe('a unit behind it is turned into the one beside the field', () => {
  test.each([
    ['4 in', 'mm', 101.6],
    ['1/2 in', 'mm', 12.7],
    ['12 mm', 'mm', 12],
    ['29.97 fps', 'frames/s', 29.97],
    ['2 lbf·ft', 'N·m', 2.71163589666],
    ['2 lbf ft', 'N·m', 2.71163589666],
    ['3 Nm', 'N·m', 3],
    ['2 N', 'g', 203.943242596],
    ['1 kgf', 'N', 9.80665],
    ['2 turns/s', 'rpm', 120],
    ['30 rpm', 'rad/s', 3.14159265359],
    ['2 kg', 'kg', 2],
    ['2 N', 'kg', NaN],
    ['1 lb', 'kg', 0.45359237],
    ['3 min', 's', 180],
    ['5 %', '%', 5],
    ['3 teeth', 'teeth', 3],
    ['2 kg', 'mm', NaN],
    ['2 N·m', '', NaN],
  ])('%j at a field of %s is %d', (text, unit, value) => expect(readFigure(text, unit)).toBe(value));
});
