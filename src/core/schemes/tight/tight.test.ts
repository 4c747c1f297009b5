import { allSchemes, plainKey } from '@/testing/all-schemes';
import { schemeQuestion, simpleSet } from '@/testing/scheme-question';
import { toNumber } from '../../rational';
import { required } from '../../required';
import { choose } from '../choose';
import { layoutsFor } from '../layouts';
import { partitions } from '../partitions';
import type { GivenSet, SchemeQuestion } from '../question';
import type { FoundScheme } from '../scheme';
import { standingRatio } from '../standing-ratio';
import { systemOf } from '../system';
import { schemesIn, walkSchemes } from '../walk';
import { leadingWishes, wishTable } from '../wish-table';
import { demandOf, ENGAGED } from './demand';

const [A, B, C] = [simpleSet('a', 28, 74), simpleSet('b', 42, 66), simpleSet('c', 30, 78)] as const;
const STEPPED: GivenSet = { id: 'c', kind: 'stepped', sun: 30, planet: 24, second: 20, ring: 74 };
const DOUBLE: GivenSet = { id: 'b', kind: 'double-pinion', sun: 30, ring: 78 };

const ask = (sets: readonly GivenSet[], forward: string, more: Partial<SchemeQuestion> = {}): SchemeQuestion =>
  schemeQuestion(sets, forward.split(' '), {
    tolerance: 0.17,
    reverse: 'none',
    atMost: 4,
    engaged: ENGAGED,
    ...more,
  });

const keyOf = ({ scheme: { members, input, output } }: FoundScheme, sets: number) =>
  plainKey(members, input, output, sets);
/** What is joined and what is fixed, whatever the ends. */
const wayOf = (key: string) => key.slice(0, key.lastIndexOf(' | '));
const found = (question: SchemeQuestion) => {
  expect(demandOf(question, question.tolerance)).not.toBeNull();
  const standings = (question.sets as readonly GivenSet[]).map(standingRatio);
  return walkSchemes(question, standings).found.best();
};
const says = (key: string, elements: number, worst: number) => `${key}: ${elements}, ${worst.toFixed(9)}`;
const told = (all: readonly FoundScheme[], sets: number) =>
  all.map((one) => says(keyOf(one, sets), one.selection.elements.length, one.selection.worst)).sort();

describe('schemes with three engaged of few, found by way of those with one engaged for good', () => {
  test.each([
    ['two simple sets', ask([A, B], '3.6 1.6 1', { tolerance: 0.12 })],
    ['overdrives and few brakes', ask([A, B], '1 0.6 0.4', { brakes: 1 })],
    ['another kind of set', ask([A, DOUBLE], '4 2 1')],
  ])('%s, by sampling: all that trying everything finds', (_, question) => {
    const ways = new Set<string>();
    let count = 0;
    const plain = allSchemes(question, ENGAGED, (blocks) => {
      if (count++ % 6 !== 1) return false;
      for (const frame of [[], ...blocks]) ways.add(frameKey(blocks, frame));
      return true;
    });
    const own = told(found(question), 2).filter((line) => ways.has(wayOf(line)));
    expect(own).toEqual(plain.map(({ key, elements, worst }) => says(key, elements, worst)).sort());
    expect(own.length).toBeGreaterThan(3);
  });

  /** What is joined, with one of the blocks fixed, as keys begin: with shafts of their own up to M = 6. */
  function frameKey(blocks: readonly (readonly number[])[], frame: readonly number[]): string {
    const members = blocks.filter((block) => block !== frame);
    const shafts = Array.from({ length: 6 - members.length }, () => [] as number[]);
    return wayOf(plainKey([...members, ...shafts], 0, 1, 2));
  }

  test.each([
    ['a reverse too', ask([A, B, C], '3.5 1.5 1', { tolerance: 0.015, reverse: 'any' })],
    ['four of four', ask([A, DOUBLE, STEPPED], '3.5 2.2 1.5 1', { tolerance: 0.08 })],
    ['seven of ten', ask([A, B, C], '4.6 3.4 2.5 1.9 1.4 1 0.75', { tolerance: 0.09, atMost: 5 })],
    ['ends that are asked for', ask([A, B, C], '3.5 2.2 1.5 1', { tolerance: 0.1, input: 'shaft', output: 'carrier' })],
  ])('three sets, %s: what is joined so is found exactly where the walk through everything finds it', (_, question) => {
    const own = told(found(question), 3);
    const standings = (question.sets as readonly GivenSet[]).map(standingRatio);
    const wishes = question.forward.map(toNumber);
    const { tolerance } = question;
    const listed = wishTable(leadingWishes(wishes, question.atMost - ENGAGED), tolerance);
    const [ways, plain] = [new Set<string>(), [] as FoundScheme[]];
    for (const layout of layoutsFor(question))
      partitions(3, layout.blocks)
        .all()
        .filter((__, i) => i % 17 === 5)
        .forEach((partition) => {
          for (const frame of layout.fixed ? new Set(partition) : [-1]) {
            const system = systemOf(question, layout, partition, frame, standings);
            if (!system) continue;
            const joined = Array.from({ length: system.members }, (___, m) =>
              system.memberOf.flatMap((member, central) => (member === m ? [central] : [])),
            );
            ways.add(wayOf(plainKey(joined, 0, 1, 3)));
            plain.push(...schemesIn(question, system, standings, { wishes, tolerance }, listed, () => true));
          }
        });
    expect(own.filter((line) => ways.has(wayOf(line)))).toEqual(told(plain, 3));
    expect(plain.length).toBeGreaterThan(0);
  });

  test('equal sets: the same schemes, but for which of them is which', () => {
    const alike = ask([A, { ...A, id: 'b' }, C], '3.5 2.2 1.5 1', { tolerance: 0.08 });
    // Equal in motion, but not known as equal: other counts of the same ratio.
    const other = { ...alike, sets: [A, simpleSet('b', 14, 37), C] };
    const swapped = ({ scheme, selection }: FoundScheme) => {
      const change = (joined: readonly number[]) => joined.map((one) => (one < 6 ? (one + 3) % 6 : one));
      const { members, input, output } = scheme;
      return says(plainKey(members.map(change), input, output, 3), selection.elements.length, selection.worst);
    };
    const classes = (all: readonly FoundScheme[]) =>
      all.map((one) => [...told([one], 3), swapped(one)].sort()[0] as string).sort();
    expect(classes(found(alike))).toEqual([...new Set(classes(found(other)))]);
  });
});

describe('what must be found with one element engaged for good', () => {
  const ratios = ['4.5', '3.4', '2.5', '1.9', '1.4', '1', '0.75', '0.56', '0.42', '0.3'];
  const triples = (all: number) =>
    Array.from({ length: 1 << all }, (_, bits) => bits).filter((bits) => bitsIn(bits).length === ENGAGED);
  const bitsIn = (bits: number) => Array.from({ length: 10 }, (_, i) => i).filter((i) => bits & (1 << i));

  /** The choices of so many of these. */
  function* choices<T>(of: readonly T[], count: number): Generator<readonly T[]> {
    if (count === 0) return yield [];
    for (let i = 0; i <= of.length - count; i++)
      for (const rest of choices(of.slice(i + 1), count - 1)) yield [of[i] as T, ...rest];
  }

  test.each([
    [4, 3],
    [4, 4],
    [5, 7],
    [5, 8],
    [5, 9],
    [5, 10],
  ])('of %i elements with %i wishes: whatever these take, some one leaves a group that is found', (all, count) => {
    const demand = required(demandOf(ask([A, B], ratios.slice(0, count).join(' '), { atMost: all }), 0.01));
    const { least, others, wishes } = demand;
    let seen = 0;
    // Of the wishes those that are looked for are enough: each takes another three.
    for (const taken of choices(triples(all), wishes.length)) {
      seen++;
      const leaves = bitsIn((1 << all) - 1).some((good) => {
        const pairs = taken.filter((three) => three & (1 << good)).map((three) => three & ~(1 << good));
        const isFull = bitsIn((1 << all) - 1).some(
          (other) => other !== good && pairs.filter((pair) => pair & (1 << other)).length === others - 1,
        );
        return pairs.length >= least && isFull;
      });
      expect(leaves).toBe(true);
    }
    expect(seen).toBe(choose(choose(all, ENGAGED), wishes.length));
  });

  test('nothing is demanded where there are elements to spare, or wishes too near to be told apart', () => {
    expect(demandOf(ask([A, B], '4 2 1', { atMost: 5 }), 0.01)).toBeNull();
    expect(demandOf(ask([A, B], '1.1 1.05 1'), 0.03)).toBeNull();
    expect(demandOf(ask([A, B], '4 2 1', { brakes: 1, clutches: 1 }), 0.01)).toBeNull();
  });
});
