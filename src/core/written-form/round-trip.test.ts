import fc from 'fast-check';
import { arbitraryDressedTrain } from '@/testing/dressed-train';
import { demoTrains } from '@/testing/demo-train';
import { withCountedIds } from '@/testing/renamed';
import { runs } from '@/testing/runs';
import { checkDesign } from '../checks';
import { checkTrain, type Train } from '../train';
import { readWritten, writeTrain } from '.';

/** Reads a text that has to be a train. */
function read(text: string): Train {
  const { train, problems } = readWritten(text);
  if (!train)
    throw new Error(
      `${problems.map(({ place, message }) => `${place.line}:${place.column} ${message}`).join('\n')}\n${text}`,
    );
  return train;
}

function expectSame(train: Train): void {
  const text = writeTrain(train);
  const back = read(text);
  expect(withCountedIds(back)).toEqual(withCountedIds(train));
  expect(writeTrain(back)).toBe(text);
}

test('every shipped train comes back from its text, and gives the same text again', () => {
  for (const train of demoTrains()) expectSame(train);
});

test('so does any train, with everything that the format knows', () => {
  fc.assert(fc.property(arbitraryDressedTrain(), expectSame), { numRuns: runs(1000) });
});

test('names made of the words of the grammar go through writing and reading, wherever they stand', () => {
  const word = fc.constantFrom(
    ...['nothing', 'Nothing', 'x1', 'X3', '×2', '20', '20/22', 'x', 'set', 'pair', 'on', 'with', 'drives', 'ring'],
    ...['frame', 'not', 'in', 'the', 'ladder', 'named', 'same', 'planet', 'carried', 'at', 'all', '+', 'and', 'a,b'],
  );
  const name = fc.array(word, { minLength: 1, maxLength: 4 }).map((words) => words.join(' '));
  const list = fc.constantFrom('members', 'couplers', 'positions');
  fc.assert(
    fc.property(fc.constantFrom(...demoTrains()), list, name, fc.nat(), (train, of, text, at) => {
      const place = at % Math.max(1, train[of].length);
      const changed = { ...train, [of]: train[of].map((one, i) => (i === place ? { ...one, name: text } : one)) };
      if (checkTrain(changed).ok) expectSame(changed);
    }),
    { numRuns: runs(900) },
  );
});

test('a text of a megabyte is refused where no train goes on so long, and not worked through', () => {
  const lines: readonly ((i: number) => string)[] = [
    (i) => `set: sun 20 on a${i}, planet 20 x3, ring 60 on r${i}, carrier on c${i}`,
    (i) => `pair: 19 on a${i} drives 32 on b${i}`,
    (i) => `clutch C${i}: m${i} with n${i}`,
    (i) => `position p${i}: A`,
  ];
  for (const line of lines) {
    let text = '';
    for (let i = 0; text.length < 1e6; i++) text += `${line(i)}\n`;
    const { train, problems } = readWritten(text);
    expect(train).toBeNull();
    expect(problems).toHaveLength(1);
    expect(problems[0]!.message).toMatch(/^There are more than \d+ statements like this one/);
  }
});

test('a change of one count is a change of one line', () => {
  for (const train of demoTrains())
    train.gears.forEach((gear, i) => {
      const gears = train.gears.map((one, at) => (at === i ? { ...one, teeth: one.teeth + 1 } : one));
      const [before, after] = [writeTrain(train), writeTrain({ ...train, gears })].map((text) => text.split('\n'));
      expect(after?.filter((line, at) => line !== before?.[at])).toHaveLength(1);
      expect(after).toHaveLength(before?.length ?? 0);
      expect(gear.teeth).not.toBe(gears[i]?.teeth);
    });
});

test('what was set aside stays so, whatever the ids', () => {
  let aside = 0;
  for (const train of demoTrains()) {
    const found = checkDesign(train);
    const setAside = found.map(({ key }, i) => ({ finding: key, note: i % 2 === 0 ? '' : `seen, "${i}"` }));
    if (setAside.length === 0) continue;
    const back = read(writeTrain({ ...train, setAside }));
    expect(back.setAside?.map(({ finding }) => finding)).toEqual(checkDesign(back).map(({ key }) => key));
    expect(back.setAside?.map(({ note }) => note)).toEqual(setAside.map(({ note }) => note));
    aside += setAside.length;
  }
  expect(aside).toBeGreaterThan(20);
});
