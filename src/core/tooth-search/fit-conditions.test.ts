import fc from 'fast-check';
import { checkedTrain } from '@/testing/checked-train';
import { runs } from '@/testing/runs';
import { ONE } from '../rational';
import type { Gear, Train } from '../train';
import { searchFit } from './fit';

type Wheel = Partial<Gear> & Pick<Gear, 'teeth'>;
type Kind = 'simple' | 'stepped' | 'double';

interface Drawn {
  readonly kind: Kind;
  readonly wheels: readonly [sun: Wheel, planet: Wheel, second: Wheel, ring: Wheel];
  readonly copies: number;
}

/** Sun in, carrier out, ring held. */
function setTrain({ kind, wheels: [sun, planet, second, ring], copies }: Drawn): Train {
  const isSimple = kind === 'simple';
  const secondOn = kind === 'double' ? 'other' : 'planet';
  return checkedTrain({
    name: 'Brine set',
    members: [
      { id: 'sun', name: 'sun' },
      { id: 'ring', name: 'ring' },
      { id: 'carrier', name: 'carrier' },
      { id: 'planet', name: 'planet', carrier: 'carrier', copies },
      ...(kind === 'double' ? [{ id: 'other', name: 'other planet', carrier: 'carrier', copies }] : []),
    ],
    gears: [
      { id: 's', member: 'sun', type: 'external', ...sun },
      { id: 'p', member: 'planet', type: 'external', ...planet },
      ...(isSimple ? [] : [{ id: 'q', member: secondOn, type: 'external', ...second }]),
      { id: 'r', member: 'ring', type: 'internal', ...ring },
    ],
    meshes: [
      { id: 'sp', gears: ['s', 'p'] },
      ...(kind === 'double' ? [{ id: 'pq', gears: ['p', 'q'] }] : []),
      { id: 'pr', gears: [isSimple ? 'p' : 'q', 'r'] },
    ],
    couplers: [{ id: 'held', name: 'held', type: 'brake', joins: ['ring', 'frame'] }],
    positions: [{ id: '1', name: '1', engaged: ['held'] }],
    input: 'sun',
    outputs: ['carrier'],
  });
}

/** Two pairs between the same two shafts; the wheel of the second is loose until its dog is in. */
const shaftsTrain = (wheels: readonly Wheel[]): Train =>
  checkedTrain({
    name: 'Brine box',
    members: ['in', 'out', 'loose'].map((id) => ({ id, name: id })),
    gears: ['a', 'b', 'c', 'd'].map((id, i) => ({
      id,
      member: ['in', 'out', 'in', 'loose'][i]!,
      type: 'external',
      ...wheels[i]!,
    })),
    meshes: [
      { id: 'ab', gears: ['a', 'b'] },
      { id: 'cd', gears: ['c', 'd'] },
    ],
    couplers: [{ id: 'dog', name: 'dog', type: 'clutch', joins: ['loose', 'out'] }],
    positions: [{ id: '1', name: '1', engaged: [] }],
    input: 'in',
    outputs: ['out'],
  });

const REACH = 3;

/** All counts within reach of the present ones that these laws let through, as texts. */
function allWithin(train: Train, laws: readonly ((teeth: (id: string) => number) => boolean)[]): string[] {
  const found: string[] = [];
  const go = (counts: readonly number[]): void => {
    const gear = train.gears[counts.length];
    if (gear) for (let by = -REACH; by <= REACH; by++) go([...counts, gear.teeth + by]);
    else if (laws.every((law) => law((id) => counts[train.gears.findIndex((one) => one.id === id)]!)))
      found.push(counts.join());
  };
  go([]);
  return found.sort();
}

const fitted = (train: Train): string[] =>
  searchFit({
    train,
    free: new Map(train.gears.map(({ id, teeth }) => [id, [teeth - REACH, teeth + REACH] as const])),
    targets: new Map([['1', { ratio: ONE, weight: 1 }]]),
    coprime: 'any',
    holdCentres: true,
    limit: 5000,
  })
    .results.map(({ teeth }) => train.gears.map(({ id }) => teeth.get(id)).join())
    .sort();

const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
const now = (train: Train) => (id: string) => train.gears.find((gear) => gear.id === id)!.teeth;

/** S + R, R − S, or S P₂ + R P₁ with its common factor out, in as many equal parts as there are planets. */
const isEven = (kind: Kind, copies: number) => (teeth: (id: string) => number) =>
  (kind === 'simple'
    ? teeth('s') + teeth('r')
    : kind === 'double'
      ? teeth('r') - teeth('s')
      : (teeth('s') * teeth('q') + teeth('r') * teeth('p')) / gcd(teeth('p'), teeth('q'))) %
    copies ===
  0;

test('of sets: what going through every choice of counts finds, by laws written out for each kind', () => {
  let [offsets, uneven] = [0, 0];
  fc.assert(
    fc.property(
      fc.record({
        kind: fc.constantFrom<Kind>('simple', 'stepped', 'double'),
        sun: fc.integer({ min: 14, max: 30 }),
        planet: fc.integer({ min: 13, max: 24 }),
        second: fc.integer({ min: 13, max: 24 }),
        more: fc.constantFrom(0, 0, 1, 2, 7),
        shift: fc.constantFrom(undefined, undefined, 0.4),
        module: fc.constantFrom(undefined, 1.25),
        copies: fc.integer({ min: 1, max: 4 }),
      }),
      ({ kind, sun, planet, second, more, shift, module, copies }) => {
        const fits = kind === 'simple' ? sun + 2 * planet : sun + planet + second;
        const size = module === undefined ? {} : { module };
        const train = setTrain({
          kind,
          copies,
          wheels: [
            { teeth: sun, ...size },
            { teeth: planet, ...size, ...(shift !== undefined && { shift }) },
            { teeth: second, ...size },
            { teeth: fits + more, ...size },
          ],
        });
        // A shift makes up for some teeth; one wheel in both pairs has one module, two wheels one where it is given.
        const kept = shift !== undefined && more <= 3 ? more : 0;
        const isKnown = kind === 'simple' || module !== undefined || more <= (shift === undefined ? 0 : 3);
        const isOnOneAxis = (teeth: (id: string) => number) =>
          kind === 'double' ||
          !isKnown ||
          teeth('r') - teeth('s') - teeth('p') - teeth(kind === 'simple' ? 'p' : 'q') === kept;
        const even = isEven(kind, copies);
        const isSpaced = even(now(train)) ? even : () => true;
        if (kept > 0) offsets++;
        if (!even(now(train))) uneven++;
        expect(fitted(train)).toEqual(allWithin(train, [isOnOneAxis, isSpaced]));
      },
    ),
    { numRuns: runs(60) },
  );
  expect(offsets).toBeGreaterThan(0);
  expect(uneven).toBeGreaterThan(0);
});

/** By trying: the planets, each turned to its place, with every turn that brings its first gear into its mate. */
const goTogether = (
  contacts: readonly { readonly own: number; readonly central: number; readonly internal: boolean }[],
  copies: number,
): boolean =>
  Array.from({ length: copies }, (_, k) => k).every((k) => {
    const [first, ...others] = contacts as [(typeof contacts)[0], ...typeof contacts];
    // A mark of the central gear has gone k z / n teeth past this planet's place.
    const past = ({ central, internal }: (typeof contacts)[0]) => ((internal ? -1 : 1) * k * central) / copies;
    return Array.from({ length: first.own }, (_, tooth) => (past(first) + tooth) / first.own).some((turned) =>
      others.every((other) => {
        const off = other.own * turned - past(other);
        return Math.abs(off - Math.round(off)) < 1e-6;
      }),
    );
  });

test.each([
  ['two suns', 'external'],
  ['two rings', 'internal'],
] as const)('of stepped planets between %s: every choice that goes together, and no other', (_, type) => {
  const internal = type === 'internal';
  let [even, uneven] = [0, 0];
  fc.assert(
    fc.property(
      fc.integer({ min: 14, max: 26 }),
      fc.integer({ min: 14, max: 26 }),
      fc.integer({ min: 40, max: 60 }),
      fc.integer({ min: 2, max: 4 }),
      fc.constantFrom(undefined, 1.5),
      (p, q, sum, copies, module) => {
        const size = module === undefined ? {} : { module };
        const wheel = (id: string, member: string, teeth: number, kind: string) => ({
          ...{ id, member, teeth, type: kind, ...size },
        });
        const train = checkedTrain({
          name: 'Brine set',
          members: [
            { id: 'one', name: 'one' },
            { id: 'two', name: 'two' },
            { id: 'carrier', name: 'carrier' },
            { id: 'planet', name: 'planet', carrier: 'carrier', copies },
          ],
          gears: [
            wheel('a', 'one', internal ? sum + p : sum - p, type),
            wheel('p', 'planet', p, 'external'),
            wheel('q', 'planet', q, 'external'),
            wheel('b', 'two', internal ? sum + q : sum - q, type),
          ],
          meshes: [
            { id: 'ap', gears: ['a', 'p'] },
            { id: 'bq', gears: ['b', 'q'] },
          ],
          couplers: [{ id: 'held', name: 'held', type: 'brake', joins: ['two', 'frame'] }],
          positions: [{ id: '1', name: '1', engaged: ['held'] }],
          input: 'carrier',
          outputs: ['one'],
        });
        const isOnOneAxis = (teeth: (id: string) => number) =>
          internal
            ? teeth('a') - teeth('p') === teeth('b') - teeth('q')
            : teeth('a') + teeth('p') === teeth('b') + teeth('q');
        const together = (teeth: (id: string) => number) =>
          goTogether(
            [
              { own: teeth('p'), central: teeth('a'), internal },
              { own: teeth('q'), central: teeth('b'), internal },
            ],
            copies,
          );
        const isSpaced = together(now(train));
        if (isSpaced) even++;
        else uneven++;
        // A choice in which the output stands is none.
        const drives = (teeth: (id: string) => number) => teeth('a') * teeth('q') !== teeth('b') * teeth('p');
        if (!drives(now(train))) return;
        expect(fitted(train)).toEqual(allWithin(train, [isOnOneAxis, drives, isSpaced ? together : () => true]));
      },
    ),
    { numRuns: runs(40) },
  );
  expect([even > 0, uneven > 0]).toEqual([true, true]);
});

test('of two pairs between two shafts: they agree, or shifts go on making up for as much as now', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 20, max: 30 }),
      fc.integer({ min: 20, max: 30 }),
      fc.constantFrom(0, 0, 1, 9),
      fc.constantFrom(undefined, 0.3),
      fc.constantFrom([1, 1], [2, 1], [null, null], [2, null]),
      (sum, first, more, shift, [m, n]) => {
        const other = m === 2 && n === 1 ? 2 * sum : sum;
        const train = shaftsTrain([
          { teeth: first, ...(m && { module: m }) },
          { teeth: 2 * sum - first, ...(m && { module: m }) },
          { teeth: other - 5, ...(n && { module: n }), ...(shift !== undefined && { shift }) },
          { teeth: other + 5 + more, ...(n && { module: n }) },
        ]);
        const difference = (teeth: (id: string) => number) =>
          (m ?? 1) * (teeth('a') + teeth('b')) - (n ?? 1) * (teeth('c') + teeth('d'));
        const is = difference(now(train));
        const kept = shift !== undefined && Math.abs(is) <= 3 * Math.max(m ?? 1, n ?? 1) ? is : 0;
        const isKnown = (m === null) === (n === null) && (m !== null || is === kept);
        expect(fitted(train)).toEqual(allWithin(train, isKnown ? [(teeth) => difference(teeth) === kept] : []));
      },
    ),
    { numRuns: runs(30) },
  );
});

test('one pinion that two wheels of one shaft mesh with is free; the two have as many teeth', () => {
  const pump = checkedTrain({
    name: 'Brine pump',
    members: ['in', 'out'].map((id) => ({ id, name: id })),
    gears: [
      { id: 'a', member: 'in', type: 'external', teeth: 20 },
      { id: 'b', member: 'out', type: 'external', teeth: 40 },
      { id: 'c', member: 'out', type: 'external', teeth: 40 },
    ],
    meshes: [
      { id: 'ab', gears: ['a', 'b'] },
      { id: 'ac', gears: ['a', 'c'] },
    ],
    couplers: [],
    positions: [{ id: '1', name: '1', engaged: [] }],
    input: 'in',
    outputs: ['out'],
  });
  const found = fitted(pump);
  expect(found).toContain('22,41,41');
  expect(found).toEqual(allWithin(pump, [(teeth) => teeth('b') === teeth('c')]));
});
