import fc from 'fast-check';
import { demoTrain } from '@/testing/demo-train';
import { changeGear, changeMember } from './edits';
import { checkTrain } from './parse';
import { withSharedParts } from './shared-parts';

test('a document that stands in the order of the format is accepted as the very object that was given', () => {
  for (const name of ['harvester', 'mud-tram', 'pan-rake']) {
    const train = demoTrain(name);
    const read = checkTrain(train);
    expect(read.ok && read.train).toBe(train);
  }
});

test('an edit makes new what it changes, and nothing else', () => {
  const train = demoTrain('harvester');
  const [first, ...rest] = train.gears;
  const edit = changeGear(train, first!.id, { teeth: first!.teeth + 1 });
  if (!edit.ok) throw new Error('It holds.');
  expect(edit.train.gears[0]).toEqual({ ...first, teeth: first!.teeth + 1 });
  rest.forEach((gear, i) => expect(edit.train.gears[i + 1]).toBe(gear));
  expect(edit.train.members).toBe(train.members);
  expect(edit.train.couplers).toBe(train.couplers);
  expect(edit.train.positions).toBe(train.positions);
});

test('a key that an edit adds stands where the format has it', () => {
  const train = demoTrain('harvester');
  const [first] = train.members;
  const edit = changeMember(train, first!.id, { color: '#102030', name: 'another' });
  if (!edit.ok) throw new Error('It holds.');
  const keys = Object.keys(edit.train.members[0]!);
  expect(keys.indexOf('name')).toBeLessThan(keys.indexOf('color'));
  expect(edit.train.members[1]).toBe(train.members[1]);
});

test('whatever is read: it says what was read, and is the given one exactly where both are written alike', () => {
  fc.assert(
    fc.property(fc.jsonValue(), fc.jsonValue(), (given, other) => {
      const read = structuredClone(given);
      expect(withSharedParts(read, given)).toBe(given);
      expect(withSharedParts(read, other)).toEqual(read);
      expect(JSON.stringify(withSharedParts(read, other))).toBe(JSON.stringify(read));
      const nested = withSharedParts({ a: structuredClone(given), b: 1 }, { a: given, b: 2 });
      expect(nested.a).toBe(given);
    }),
  );
});
