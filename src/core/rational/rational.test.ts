import fc from 'fast-check';
import { runs } from '@/testing/runs';
import {
  add,
  compare,
  div,
  equals,
  fraction,
  fromDecimal,
  inverse,
  mul,
  neg,
  ONE,
  parseRational,
  solveDense,
  sub,
  sum,
  toFraction,
  toNumber,
  ZERO,
  type Rational,
} from '.';

const whole = fc.oneof(
  fc.integer({ min: -1000, max: 1000 }).map(BigInt),
  fc.bigInt({ min: -(2n ** 80n), max: 2n ** 80n }),
);
const rational = fc
  .tuple(
    whole,
    whole.filter((d) => d !== 0n),
  )
  .map(([n, d]) => fraction(n, d));

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

  test('numbers of hundreds of digits come out in lowest terms', () => {
    const long = fc.bigInt({ min: 1n, max: 2n ** 2000n });
    const euclid = (a: bigint, b: bigint): bigint => (b === 0n ? a : euclid(b, a % b));
    fc.assert(
      fc.property(long, long, fc.bigInt({ min: 1n, max: 2n ** 600n }), (a, b, common) => {
        const found = fraction(-a * common, b * common);
        const g = euclid(a, b);
        expect([BigInt(found.n), BigInt(found.d)]).toEqual([-a / g, b / g]);
        expect(toFraction(add(found, fraction(a, b)))).toBe('0');
        const product = mul(found, fraction(b * common, a * 6n));
        expect(toFraction(product)).toBe(toFraction(fraction(-common, 6n)));
      }),
    );
  });

  test('equal values have equal fields, whatever way they were reached', () => {
    fc.assert(
      fc.property(rational, rational, (a, b) => (b.n === 0 ? true : toFraction(mul(div(a, b), b)) === toFraction(a))),
    );
    const wide = mul(fraction(2 ** 52), fraction(2 ** 52));
    expect(typeof wide.n).toBe('bigint');
    expect(div(wide, wide)).toEqual(ONE);
  });

  test('order agrees with subtraction', () => {
    expect(compare(fraction(1, 3), fraction(33, 100))).toBe(1);
    expect(compare(neg(ONE), ZERO)).toBe(-1);
  });

  describe('sums that nearly cancel', () => {
    /** a/b − c/d on one denominator, in long whole numbers from end to end. */
    const byCrosswise = (a: bigint, b: bigint, c: bigint, d: bigint) => toFraction(fraction(a * d - c * b, b * d));
    const agreesWithCrosswise = (a: bigint, b: bigint, c: bigint, d: bigint) => {
      const [x, y] = [fraction(a, b), fraction(c, d)];
      expect(toFraction(sub(x, y))).toBe(byCrosswise(a, b, c, d));
      expect(toFraction(add(neg(y), x))).toBe(byCrosswise(a, b, c, d));
      const above = a * d - c * b;
      expect(compare(x, y)).toBe(above > 0n ? 1 : above < 0n ? -1 : 0);
      expect(compare(x, y) === 0).toBe(equals(x, y));
    };

    test('neighbouring Fibonacci fractions differ by one over both denominators', () => {
      let [a, b, c] = [1n, 1n, 2n];
      for (let n = 2; n < 160; n++) {
        agreesWithCrosswise(c, b, b, a);
        expect(toFraction(sub(fraction(c, b), fraction(b, a)))).toBe(toFraction(fraction(n % 2 ? -1 : 1, a * b)));
        [a, b, c] = [b, c, b + c];
      }
    });

    test('neighbours of a Farey sequence, on both sides of the safe range', () => {
      // Down the Stern–Brocot tree by a random path: the two ends are neighbours at every step.
      const path = fc.array(fc.tuple(fc.boolean(), fc.bigInt({ min: 1n, max: 40n })), { minLength: 1, maxLength: 30 });
      fc.assert(
        fc.property(path, (turns) => {
          let [a, b, c, d] = [0n, 1n, 1n, 1n];
          for (const [left, times] of turns) {
            if (left) [c, d] = [c + times * a, d + times * b];
            else [a, b] = [a + times * c, b + times * d];
            agreesWithCrosswise(a, b, c, d);
            agreesWithCrosswise(a + 7n * b, b, c + 7n * d, d);
          }
        }),
        { numRuns: runs(300) },
      );
    });

    test('random fractions of safe whole numbers, a little apart', () => {
      const safe = fc.bigInt({ min: 1n, max: BigInt(Number.MAX_SAFE_INTEGER) });
      const little = fc.bigInt({ min: -3n, max: 3n });
      fc.assert(
        fc.property(safe, safe, little, little, (n, d, more, other) => {
          if (n + more <= 0n || d + other <= 0n) return;
          agreesWithCrosswise(n, d, n + more, d + other);
          agreesWithCrosswise(-n, d, -n - more, d + other);
        }),
        { numRuns: runs(2000) },
      );
    });
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

  test.each(['', 'abc', '1/0', '1/2/3', '--1', '1e9999', 'NaN', '.', '1 2'])('does not read %p', (text) =>
    expect(parseRational(text)).toBeNull(),
  );

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
  const exact = (matrix: number[][]) => matrix.map((row) => row.map((value) => fraction(value)));
  const shown = (values: readonly Rational[]) => values.map(toFraction);

  test('every solution put back satisfies every equation, and the directions change nothing', () => {
    const coefficient = fc.integer({ min: -4, max: 4 });
    const row = fc.array(coefficient, { minLength: 4, maxLength: 4 });
    fc.assert(
      fc.property(fc.array(row, { minLength: 1, maxLength: 6 }), row, (matrix, x) => {
        const rows = exact(matrix);
        const times = (values: readonly Rational[]) =>
          rows.map((coefficients) => sum(coefficients.map((c, i) => mul(c, values[i]!))));
        const rhs = times(x.map((value) => fraction(value)));
        const solutions = solveDense(rows, rhs)!;
        expect(shown(times(solutions.particular))).toEqual(shown(rhs));
        for (const direction of solutions.directions)
          expect(times(direction).every((value) => value.n === 0)).toBe(true);
      }),
    );
  });

  test('unknowns that trade against each other share a direction, the rest have none', () => {
    const { particular, directions } = solveDense(
      exact([
        [1, 1, 0],
        [0, 0, 2],
      ]),
      [fraction(5), fraction(3)],
    )!;
    expect(shown([particular[2]!])).toEqual(['3/2']);
    expect(directions.map(shown)).toEqual([['-1', '1', '0']]);
  });

  test('a contradiction is said', () =>
    expect(
      solveDense(
        exact([
          [1, 1],
          [2, 2],
        ]),
        [fraction(1), fraction(3)],
      ),
    ).toBeNull());
});
