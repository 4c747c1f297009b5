import fc from 'fast-check';
import { demoTrain } from '@/testing/demo-train';
import { toFraction, toNumber } from '../rational';
import { checkDesign } from '.';
import { timingOf, type TimingContact } from './assembly';

const sun = (centralTeeth: number, planetTeeth: number): TimingContact => ({
  centralTeeth,
  planetTeeth,
  internal: false,
});
const ring = (centralTeeth: number, planetTeeth: number): TimingContact => ({
  centralTeeth,
  planetTeeth,
  internal: true,
});
const goesIn = (contacts: readonly TimingContact[], planets: number) => timingOf(contacts, planets) !== null;

test('for one gear between sun and ring it is the textbook rule: the number divides sun and ring together', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 8, max: 60 }),
      fc.integer({ min: 8, max: 60 }),
      fc.integer({ min: 1, max: 9 }),
      (s, p, n) => {
        const r = s + 2 * p;
        expect(goesIn([sun(s, p), ring(r, p)], n)).toBe((s + r) % n === 0);
      },
    ),
  );
});

test('for stepped planets the known rule: number times the common factor of their teeth divides S·p₂ + R·p₁', () => {
  const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
  fc.assert(
    fc.property(
      fc.integer({ min: 8, max: 40 }),
      fc.integer({ min: 8, max: 40 }),
      fc.integer({ min: 8, max: 40 }),
      fc.integer({ min: 50, max: 120 }),
      fc.integer({ min: 1, max: 6 }),
      (s, p1, p2, r, n) => {
        expect(goesIn([sun(s, p1), ring(r, p2)], n)).toBe((s * p2 + r * p1) % (n * gcd(p1, p2)) === 0);
      },
    ),
  );
});

test('turned as it is said, every planet has teeth where its central gears have gaps', () => {
  // A tooth of the central gear at the angle of contact, counted counter-clockwise, and the planet's there, must agree
  // as on the first planet.
  const misfit = ({ centralTeeth, planetTeeth, internal }: TimingContact, at: number, mark: number) => {
    const central = centralTeeth * at;
    const planet = internal ? -planetTeeth * mark : planetTeeth * mark;
    const apart = central - planet;
    return Math.abs(apart - Math.round(apart));
  };
  let seen = 0;
  fc.assert(
    fc.property(
      fc.integer({ min: 10, max: 30 }),
      fc.integer({ min: 10, max: 30 }),
      fc.integer({ min: 10, max: 30 }),
      fc.integer({ min: 2, max: 5 }),
      (s, p1, p2, n) => {
        const contacts = [sun(s, p1), ring(s + p1 + p2, p2)];
        for (const { at, mark } of timingOf(contacts, n) ?? []) {
          for (const contact of contacts) expect(misfit(contact, toNumber(at), toNumber(mark))).toBeLessThan(1e-6);
          expect(Math.abs(toNumber(mark))).toBeLessThanOrEqual(0.5);
          seen++;
        }
      },
    ),
  );
  expect(seen).toBeGreaterThan(20);
});

test('the brine lift’s stepped planets say how their marks point', () => {
  const lift = demoTrain('brine-lift');
  const planet = lift.members.find(({ carrier }) => carrier !== undefined)!;
  const found = (copies: number) =>
    checkDesign({
      ...lift,
      members: lift.members.map((member) => (member.id === planet.id ? { ...member, copies } : member)),
    }).find(({ kind }) => kind === 'timing' || kind === 'assembly')!;
  const kinds = [2, 3, 4, 5, 6, 7].map((copies) => found(copies).kind);
  expect(kinds).toContain('timing');
  expect(kinds).toContain('assembly');
  const { marks, mend } = found(kinds.indexOf('timing') + 2);
  expect(marks[0]).toMatchObject({ planet: 1, mark: { n: 0 } });
  if (marks.some(({ mark }) => mark.n !== 0))
    expect(mend).toContain(`planet 2 ${toFraction(marks[1]!.mark).replace('-', '−')}`);
});
