import fc from 'fast-check';
import { arbitraryDressedTrain } from '@/testing/dressed-train';
import { demoTrain, demoTrains } from '@/testing/demo-train';
import { withCountedIds } from '@/testing/renamed';
import { runs } from '@/testing/runs';
import { checkDesign } from '../checks';
import { checkTrain, type Train } from '../train';
import { readWritten, writeTrain } from '.';

function again(train: Train, change: (text: string) => string = (text) => text): Train {
  const { train: read, problems } = readWritten(change(writeTrain(train)), train);
  if (!read) throw new Error(problems.map(({ message }) => message).join('\n'));
  return read;
}

test('a text that nobody changed is the document that it was written from', () => {
  for (const train of demoTrains()) {
    const setAside = checkDesign(train).map(({ key }) => ({ finding: key, note: '' }));
    const full = setAside.length > 0 ? { ...train, setAside } : train;
    expect(again(full)).toBe(full);
  }
  fc.assert(
    fc.property(arbitraryDressedTrain(), (train) => expect(again(train)).toEqual(train)),
    { numRuns: runs(300) },
  );
});

test('what is changed keeps its id: a count, a name, an end; what is new has one of its own', () => {
  const train = demoTrain('harvester');
  const count = again(train, (text) => text.replace('sun 40 on', 'sun 42 on'));
  expect(count.gears.map(({ id }) => id)).toEqual(train.gears.map(({ id }) => id));
  expect(count.gears.find(({ id }) => id === 's1')?.teeth).toBe(42);
  const name = again(train, (text) => text.replaceAll('held ring', 'outer ring').replaceAll('Drive', 'Engine clutch'));
  expect(name.members.find(({ id }) => id === 'r1')?.name).toBe('outer ring');
  expect(name.couplers.find(({ id }) => id === 'C')?.name).toBe('Engine clutch');
  expect({ ...name, members: [], couplers: [] }).toEqual({ ...train, members: [], couplers: [] });
  const more = again(train, (text) => `${text}clutch C: held ring with wheel shaft\nposition 9: Drive, C\n`);
  expect(more.couplers.map(({ id }) => id)).toEqual(['A', 'B', 'C', 'D', 'E', 'C 2']);
  expect(more.positions.at(-1)).toEqual({ id: '9', name: '9', engaged: ['C', 'C 2'] });
  const fewer = again(train, (text) => text.replace(/^position 3.*\n/m, '').replace(/^position R.*\n/m, ''));
  expect(fewer.positions).toEqual(train.positions.filter(({ id }) => id !== '3' && id !== 'R'));
});

test('whatever is changed, the ids are each another and the document holds', () => {
  fc.assert(
    fc.property(arbitraryDressedTrain(), arbitraryDressedTrain(), (a, b) => {
      const read = readWritten(writeTrain(a), b).train;
      expect(read && checkTrain(read).ok).toBe(true);
      expect(read && withCountedIds(read)).toEqual(withCountedIds(a));
    }),
    { numRuns: runs(300) },
  );
});
