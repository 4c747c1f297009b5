import { typedNumber } from './typed-number';

test.each([
  ['2.5', 2.5],
  [' 2,5 ', 2.5],
  ['-,5', -0.5],
  ['1e3', 1000],
  ['1,5e-2', 0.015],
  ['', NaN],
  ['two', NaN],
  ['1,000,5', NaN],
  ['2.5 N', NaN],
])('%j is %d', (text, value) => {
  expect(typedNumber(text)).toBe(value);
});
