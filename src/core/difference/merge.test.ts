import fc from 'fast-check';
import { runs } from '@/testing/runs';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import { done } from '@/testing/edited';
import {
  addMeshingGear,
  changeMember,
  deletePosition,
  keepPosition,
  movePosition,
  removePart,
  renameTrain,
  setTeeth,
  type Train,
} from '../train';
import { changeText, mergeTrains } from '.';

const rake = demoTrain('pan-rake');
const [first, second] = rake.gears;

test('changes of different parts are put together, whoever made which', () => {
  const mine = done(setTeeth(rake, first!.id, 21));
  const theirs = done(renameTrain(done(setTeeth(rake, second!.id, 30)), 'Rake of the north pan'));
  const merged = mergeTrains(rake, mine, theirs);
  if (!merged.ok) throw new Error('they clash');
  expect(merged.value).toEqual(done(setTeeth(theirs, first!.id, 21)));
  expect(mergeTrains(rake, theirs, mine)).toEqual(merged);
});

test('parts that were added, removed and reordered come together', () => {
  const mine = done(addMeshingGear(done(movePosition(rake, '1', 2)), 'g1a', 40));
  const theirs = done(keepPosition(done(deletePosition(rake, 'R')), 'creep', []));
  const merged = mergeTrains(rake, mine, theirs);
  if (!merged.ok) throw new Error('they clash');
  expect(merged.value.gears).toEqual(mine.gears);
  expect(merged.value.positions.map(({ id }) => id)).toEqual([
    ...mine.positions.map(({ id }) => id).filter((id) => id !== 'R'),
    'creep',
  ]);
});

test('one part that both changed is named; so is what the two together make unsound', () => {
  const clash = mergeTrains(rake, done(setTeeth(rake, first!.id, 21)), done(setTeeth(rake, first!.id, 22)));
  expect(clash).toMatchObject({ ok: false, problems: [{ path: ['gears', first!.id] }] });
  const wheel = rake.gears.find(({ id }) => id === 'g3b')!;
  const gone = done(removePart(rake, { kind: 'gear', id: wheel.id }));
  const grown = done(addMeshingGear(rake, wheel.id, 40));
  const unsound = mergeTrains(rake, gone, grown);
  expect(unsound.ok).toBe(false);
  expect(
    mergeTrains(rake, done(changeMember(rake, 'in', { name: 'a' })), done(changeMember(rake, 'in', { name: 'a' }))).ok,
  ).toBe(true);
});

test('what only one side changed is that side’s, in any train; nothing changed is the base', () => {
  fc.assert(
    fc.property(
      arbitraryTrain({ oneWays: true, worms: true }),
      fc.nat(),
      fc.integer({ min: 8, max: 90 }),
      (train, at, teeth) => {
        const gear = train.gears[at % train.gears.length];
        const changed = gear ? setTeeth(train, gear.id, teeth) : renameTrain(train, 'Without gears');
        if (!changed.ok) return;
        const value = (result: ReturnType<typeof mergeTrains>): Train | null => (result.ok ? result.value : null);
        expect(value(mergeTrains(train, changed.train, train))).toEqual(changed.train);
        expect(value(mergeTrains(train, train, changed.train))).toEqual(changed.train);
        expect(value(mergeTrains(train, train, train))).toEqual(train);
      },
    ),
    { numRuns: runs(100) },
  );
});

test('a change in a line: what it was, the first two of several', () => {
  expect(changeText(rake, rake)).toBeNull();
  const once = done(setTeeth(rake, first!.id, 21));
  expect(changeText(rake, once)).toContain('19 → 21');
  const often = done(renameTrain(done(setTeeth(once, second!.id, 30)), 'Rake'));
  expect(changeText(rake, often)).toMatch(/; .* and 1 more$/);
});
