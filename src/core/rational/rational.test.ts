import fc from 'fast-check';
import { add, compare, div, equals, fraction, fromDecimal, inverse, mul, neg, ONE, parseRational, solveSystem, sub, toFraction, toNumber, ZERO, type Rational } from '.';

const whole = fc.oneof(fc.integer({ min: -1000, max: 1000 }).map(BigInt), fc.bigInt({ min: -(2n ** 80n), max: 2n ** 80n }));
const rational = fc.tuple(whole, whole.filter((d) => d !== 0n)).map(([n, d]) => fraction(n, d));

describe('exact fractions', () => {
  test('follow the laws of a field, across the safe-integer border', () => {
    fc.assert(
      fc.property(rational, rational, rational, (a, b, c) => {
        expect(equals(add(a, b), add(b, a))).toBe(true);
        expect(equals(mul(a, add(b, c)), add(mul(a, b), mul(a, c)))).toBe(true);
        expect(equals(sub(add(a, b), b), a)).toBe(true);
        if (b.n !== 0) expect(equals(div(mul(a, b), b), a)).toBe(true);
      }),
    );
  });

  test('equal values have equal fields, whatever way they were reached', () => {
    fc.assert(fc.property(rational, rational, (a, b) => (b.n === 0 ? true : toFraction(mul(div(a, b), b)) === toFraction(a))));
    const wide = mul(fraction(2 ** 52), fraction(2 ** 52));
    expect(typeof wide.n).toBe('bigint');
    expect(div(wide, wide)).toEqual(ONE);
  });

  test('order agrees with subtraction', () => {
    expect(compare(fraction(1, 3), fraction(33, 100))).toBe(1);
    expect(compare(neg(ONE), ZERO)).toBe(-1);
  });

  test.each([
    ['17/5', '17/5'],
    ['-592/133', '-592/133'],
    ['6/4', '3/2'],
    ['0.99', '99/100'],
    ['-2.50', '-5/2'],
    ['1e-3', '1/1000'],
    ['12', '12'],
    ['.5', '1/2'],
  ])('reads %s as %s', (text, expected) => expect(toFraction(parseRational(text)!)).toBe(expected));

  test.each(['', 'abc', '1/0', '1/2/3', '--1', '1e9999', 'NaN', '.', '1 2'])('does not read %p', (text) => expect(parseRational(text)).toBeNull());

  test('a JSON decimal is taken as written', () => expect(toFraction(fromDecimal(0.1))).toBe('1/10'));

  test('converts fractions far beyond doubles to the nearest number', () => {
    const third = fraction(10n ** 400n, 3n * 10n ** 400n + 1n);
    expect(toNumber(third)).toBeCloseTo(1 / 3, 12);
    expect(toNumber(inverse(neg(third)))).toBeCloseTo(-3, 12);
  });

  test('refuses a zero denominator, a broken number and the inverse of zero', () => {
    expect(() => fraction(1, 0)).toThrow(RangeError);
    expect(() => fraction(0.5)).toThrow(RangeError);
    expect(() => inverse(ZERO)).toThrow(RangeError);
  });
});

describe('linear systems', () => {
  const equation = (coefficients: number[], rhs: number) => ({ terms: new Map<number, Rational>(coefficients.flatMap((c, i) => (c === 0 ? [] : [[i, fraction(c)]]))), rhs: fraction(rhs) });

  test('a solution put back satisfies every equation', () => {
    const coefficient = fc.integer({ min: -4, max: 4 });
    fc.assert(
      fc.property(fc.array(fc.array(coefficient, { minLength: 4, maxLength: 4 }), { minLength: 1, maxLength: 6 }), fc.array(coefficient, { minLength: 4, maxLength: 4 }), (matrix, x) => {
        const rows = matrix.map((row) => equation(row, row.reduce((total, c, i) => total + c * x[i]!, 0)));
        const solution = solveSystem(rows, 4);
        if (!solution.consistent) throw new Error('A system with a known solution was called inconsistent.');
        solution.values.forEach((value, i) => value !== null && expect(toFraction(value)).toBe(String(x[i])));
      }),
    );
  });

  test('unknowns that trade against each other stay open, the rest do not', () => {
    const solution = solveSystem([equation([1, 1, 0], 5), equation([0, 0, 2], 3)], 3);
    expect(solution.consistent && solution.values.map((value) => value && toFraction(value))).toEqual([null, null, '3/2']);
  });

  test('a contradiction is said', () => expect(solveSystem([equation([1, 1], 1), equation([2, 2], 3)], 2).consistent).toBe(false));
});
