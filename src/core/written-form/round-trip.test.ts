import fc from 'fast-check';
import { arbitraryDressedTrain } from '@/testing/dressed-train';
import { demoTrains } from '@/testing/demo-train';
import { withCountedIds } from '@/testing/renamed';
import { runs } from '@/testing/runs';
import { checkDesign } from '../checks';
import type { Train } from '../train';
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
