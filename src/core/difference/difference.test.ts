import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import {
  addCoupler,
  addMeshingGear,
  changeCoupler,
  changeGear,
  changeMember,
  changeMesh,
  deletePosition,
  engageInPosition,
  joinMembers,
  keepPosition,
  movePosition,
  removePart,
  renamePosition,
  renameTrain,
  setInput,
  setTeeth,
  toggleOutput,
  type Edit,
  type Train,
} from '../train';
import { differenceOf } from '.';

const rake = demoTrain('pan-rake');

function edited(...edits: ((train: Train) => Edit)[]): Train {
  return edits.reduce((train, edit) => {
    const next = edit(train);
    if (!next.ok) throw new Error(next.message);
    return next.train;
  }, rake);
}

const words = (...edits: ((train: Train) => Edit)[]) => differenceOf(rake, edited(...edits), 'in/out');

test('a tooth count, and what it does to the positions', () => {
  const { parts, positions } = words((train) => setTeeth(train, 'g3b', 34));
  expect(parts).toEqual(['second wheel’s gear 32 → 34 teeth']);
  expect(positions).toEqual(['2: 2.837 → 3.014']);
});

test('ratios are said in the convention that is asked for', () => {
  const after = edited((train) => setTeeth(train, 'g3b', 34));
  expect(differenceOf(rake, after, 'out/in').positions[0]).toMatch(/^2: 0\.\d{4} → 0\.\d{4}$/);
});

test('every kind of edit is said in words', () => {
  const says = (edit: (train: Train) => Edit) => words(edit).parts;
  expect(says((train) => renameTrain(train, 'Rake two'))).toEqual([`name “${rake.name}” → “Rake two”`]);
  expect(says((train) => changeGear(train, 'g3b', { module: 2 }))).toEqual([
    'second wheel’s gear of 32 module 2.5 → 2 mm',
  ]);
  expect(says((train) => changeMember(train, 'out', { name: 'rake shaft' }))).toEqual([
    'output shaft, now called rake shaft',
  ]);
  expect(says((train) => changeMember(train, 'out', { color: '#112233' }))).toEqual([
    'output shaft: colour none → #112233',
  ]);
  expect(says((train) => changeMesh(train, train.meshes[0]!.id, { efficiency: 0.9 }))[0]).toMatch(
    /^mesh of .* and .*: efficiency none → 0\.9$/,
  );
  expect(says((train) => changeCoupler(train, 'first', { capacity: 40, style: 'dog' }))).toEqual([
    'First: style none → dog, capacity none → 40 N·m',
  ]);
  expect(says((train) => keepPosition(train, 'crawl', ['first']))).toEqual(['position crawl added']);
  expect(says((train) => renamePosition(train, '2', 'second'))).toEqual(['position 2, now called second']);
  expect(says((train) => engageInPosition(train, '2', ['third']))).toEqual([
    'position 2: engages Third, releases Second',
  ]);
  expect(says((train) => deletePosition(train, '1+2'))).toEqual(['position 1+2 removed']);
  expect(says((train) => movePosition(train, '2', -1))[0]).toMatch(/^positions stand in the order /);
  expect(says((train) => setInput(train, 'lay'))[0]).toMatch(/^input: .* → /);
  expect(says((train) => toggleOutput(train, 'lay'))[0]).toMatch(/^output: output shaft → output shaft, /);
  expect(says((train) => addMeshingGear(train, 'g3b', 20))).toEqual([
    'shaft added',
    'gear of 20 on shaft added',
    'second wheel’s 32 and shaft’s 20 mesh',
  ]);
  expect(says((train) => addCoupler(train, 'clutch', 'in', 'out'))[0]).toMatch(
    /^A added between input shaft and output shaft$/,
  );
});

test('a part that goes takes others along, and each is said', () => {
  const { parts, positions } = words((train) => removePart(train, { kind: 'coupler', id: 'first' }));
  expect(parts).toEqual(expect.arrayContaining(['First removed', 'position 1: releases First']));
  expect(positions).toEqual(expect.arrayContaining([expect.stringMatching(/^1: 4\.\d+ → neutral$/)]));
  const joined = words((train) => joinMembers(train, 'out', 'w1')).parts;
  expect(joined).toEqual(
    expect.arrayContaining([
      expect.stringContaining('removed'),
      expect.stringContaining('fixed to output shaft instead of'),
    ]),
  );
});

test('nothing is said of a train and itself; something is said of every change', () => {
  fc.assert(
    fc.property(arbitraryTrain(), fc.nat(), fc.integer({ min: 1, max: 99 }), (train, pick, teeth) => {
      expect(differenceOf(train, structuredClone(train), 'in/out')).toEqual({ parts: [], positions: [] });
      const gear = train.gears[pick % train.gears.length]!;
      fc.pre(gear.teeth !== teeth);
      const edit = setTeeth(train, gear.id, teeth);
      fc.pre(edit.ok);
      const { parts } = differenceOf(train, edit.train, 'in/out');
      expect(parts).toHaveLength(1);
      expect(parts[0]).toContain(`${gear.teeth} → ${teeth} teeth`);
    }),
    { numRuns: 60 },
  );
});
