import { demoTrain } from '@/testing/demo-train';
import { fraction } from '../rational';
import { FRAME, type Train } from '../train';
import {
  bracketed,
  couplerName,
  couplerWords,
  exact,
  gearName,
  gearWords,
  listed,
  memberName,
  partWords,
  sentence,
  setName,
  unbalancedText,
} from '.';

const train = demoTrain('harvester');
const without = (what: 'members' | 'couplers'): Train => ({
  ...train,
  [what]: train[what].map(({ name: _, ...rest }) => rest),
});

test('parts go by their names, by their ids where they have none, and the frame is the frame', () => {
  for (const { id, name } of train.members) expect(memberName(train, id)).toBe(name ?? id);
  for (const { id } of train.members) expect(memberName(without('members'), id)).toBe(id);
  for (const { id, name } of train.couplers) expect(couplerName(train, id)).toBe(name ?? id);
  expect(memberName(train, FRAME)).toBe('the frame');
  expect(memberName(train, 'gone')).toBe('gone');
  expect(couplerName(train, 'self-lock 1')).toBe('the self-locking worm');
});

test('a gear is told by its teeth and what it is on', () => {
  const [gear] = train.gears;
  expect(gearName(train, gear!)).toBe(`${gear!.teeth} on ${memberName(train, gear!.member)}`);
  expect(partWords(train, { kind: 'gear', id: gear!.id })).toBe(`gear ${gearName(train, gear!)}`);
  expect(partWords(train, { kind: 'gear', id: 'gone' })).toBe('gone');
  const [coupler] = train.couplers;
  expect(partWords(train, { kind: 'coupler', id: coupler!.id })).toBe(couplerName(train, coupler!.id));
});

test('no two parts of a train are called the same', () => {
  for (const name of ['ferry-hub', 'draisine-hub', 'harvester', 'mud-tram']) {
    const own = demoTrain(name);
    const twice = {
      ...own,
      members: own.members.map((member) => ({ ...member, name: 'shaft' })),
      couplers: own.couplers.map((coupler) => ({ ...coupler, name: 'A' })),
    };
    for (const one of [own, twice]) {
      const gears = one.gears.map((gear) => gearWords(one, gear));
      expect(new Set(gears).size).toBe(gears.length);
      for (const list of [
        one.members.map(({ id }) => memberName(one, id)),
        one.couplers.map((coupler) => couplerWords(one, coupler)),
      ])
        expect(new Set(list).size).toBe(list.length);
    }
  }
});

test('a coupler says what it does to which members', () => {
  for (const coupler of train.couplers) {
    const words = couplerWords(train, coupler);
    if (coupler.type === 'sliding-mesh') continue;
    for (const member of coupler.joins) if (member !== FRAME) expect(words).toContain(memberName(train, member));
  }
});

test('sets on different carriers are told apart by the carrier, on one carrier by the planet', () => {
  const planets = train.members.filter(({ carrier }) => carrier !== undefined);
  const names = planets.map(({ id }) => setName(train, id));
  expect(names.every((name) => name.startsWith('set o'))).toBe(true);
});

test('lists, sentences, exact values', () => {
  expect([listed([]), listed(['A']), listed(['A', 'B']), listed(['A', 'B', 'C'])]).toEqual([
    '',
    'A',
    'A and B',
    'A, B and C',
  ]);
  expect([sentence('It turns'), sentence('Does it?'), sentence('It is “1st.”…')]).toEqual([
    'It turns.',
    'Does it?',
    'It is “1st.”…',
  ]);
  expect([exact(fraction(-57, 13)), exact(fraction(2))]).toEqual(['−57/13', '2']);
  expect([bracketed('−2'), bracketed('-2'), bracketed('2')]).toEqual(['(−2)', '(-2)', '2']);
});

test('loads that do not balance say what would turn, and how', () => {
  const [output] = train.outputs;
  const text = unbalancedText(train, {
    kind: 'would begin',
    speeds: [
      { member: output!, speed: fraction(-2) },
      { member: train.input, speed: fraction(1) },
    ],
  });
  expect(text).toContain(`${memberName(train, output!)} back`);
  expect(text).not.toContain(`${memberName(train, train.input)} forward`);
});
