import fc from 'fast-check';
import { demoTrain } from '@/testing/demo-train';
import { countershaftBox } from '@/testing/countershaft-box';
import { checkDesign } from '../checks';
import { withSet, withStages } from './as-train';
import { checksOf } from './finding-checks';
import { search } from './search';
import { readWritten } from './search-file';
import { simpleSetsOf } from '../train';
import { stagesOf } from './stages-of';
import { undominated } from './undominated';
import { refusalText } from '../result';

test('the stages of an open train, from the input on, and their counts replaced in one step', () => {
  const box = countershaftBox([
    [
      [20, 40],
      [30, 30],
    ],
    [[20, 50]],
  ]);
  const stages = stagesOf(box);
  expect(stages.map(({ driver, driven }) => [driver, driven])).toEqual([
    ['a1 driver', 'a1 driven'],
    ['a2 driver', 'a2 driven'],
    ['b1 driver', 'b1 driven'],
  ]);
  const edit = withStages(
    box,
    [stages[0]!, stages[2]!],
    [
      [17, 44],
      [19, 53],
    ],
  );
  if (!edit.ok) throw new Error(edit.message);
  expect(edit.train.gears.map(({ id, teeth }) => `${id} ${teeth}`)).toEqual(
    expect.arrayContaining(['a1 driver 17', 'a1 driven 44', 'a2 driver 30', 'b1 driver 19', 'b1 driven 53']),
  );
  expect(box.gears.find(({ id }) => id === 'a1 driver')!.teeth).toBe(20);
});

test('an idler is no stage of its own, and no wheel is given two counts', () => {
  const winch = demoTrain('sluice-winch');
  const idle = winch.members.find(({ name }) => name === 'idler')!.id;
  const [first] = stagesOf(winch);
  const teeth = (id: string) => winch.gears.find((gear) => gear.id === id)!;
  // 14 on the crank drives 56 on the countershaft through the idler.
  expect([teeth(first!.driver).teeth, teeth(first!.driven).teeth]).toEqual([14, 56]);
  expect(stagesOf(winch).some(({ driver, driven }) => [driver, driven].some((id) => teeth(id).member === idle))).toBe(
    false,
  );
  expect(
    withStages(
      winch,
      [first!, first!],
      [
        [14, 56],
        [16, 56],
      ],
    ),
  ).toMatchObject({ ok: false, message: expect.stringMatching(/two counts/) });
});

test('planets and what they roll on are no stages; the sets are found, and their counts replaced', () => {
  const train = demoTrain('stirrer');
  const planets = new Set(train.members.flatMap(({ id, carrier }) => (carrier === undefined ? [] : [id])));
  const memberOf = new Map(train.gears.map(({ id, member }) => [id, member]));
  for (const { driver, driven } of stagesOf(train))
    expect([driver, driven].some((gear) => planets.has(memberOf.get(gear)!))).toBe(false);
  const [set] = simpleSetsOf(train);
  const edit = withSet(train, set!, { sun: 30, planet: 24, ring: 78, copies: 3 });
  if (!edit.ok) throw new Error(edit.message);
  const teeth = (id: string) => edit.train.gears.find((gear) => gear.id === id)!.teeth;
  expect([teeth(set!.sun.id), teeth(set!.planet.id), teeth(set!.ring.id)]).toEqual([30, 24, 78]);
  expect(edit.train.members.find(({ id }) => id === set!.planet.member)!.copies).toBe(3);
});

test('undominated: exactly those that nothing beats', () => {
  const one = fc.record({
    error: fc.integer({ min: 0, max: 9 }),
    teeth: fc.integer({ min: 1, max: 9 }),
    largest: fc.integer({ min: 1, max: 5 }),
  });
  fc.assert(
    fc.property(
      fc.array(one, { maxLength: 12 }),
      fc.constantFrom('teeth' as const, 'largest' as const),
      (all, size) => {
        const findings = all.map((finding, i) => ({ ...finding, key: `${i}` }));
        const front = undominated(findings, size);
        const beaten = (a: (typeof findings)[0]) =>
          findings.some((b) => b.error <= a.error && b[size] <= a[size] && (b.error < a.error || b[size] < a[size]));
        for (const finding of findings) if (front.has(finding.key)) expect(beaten(finding)).toBe(false);
        // Of those that are alike one stands for all.
        for (const finding of findings)
          if (!beaten(finding))
            expect(
              findings.some((b) => front.has(b.key) && b.error === finding.error && b[size] === finding[size]),
            ).toBe(true);
      },
    ),
  );
});

test('what the checks say of a finding is told with it', () => {
  const read = readWritten({
    format: 'tin-wheel/search',
    version: 1,
    target: '3',
    stages: 1,
    teeth: { min: 8, max: 30 },
  });
  if (!read.ok) throw new Error(refusalText(read));
  const [finding] = search(read.value, null).findings;
  // 8 with 24 is undercut and shares a factor: what the checks of that pair say.
  expect(finding!.made).toMatchObject({ chain: [[8, 24]] });
  const told = checksOf(read.value, finding!, null);
  expect(told.join(' ')).toMatch(/undercut/i);
  const train = demoTrain('sluice-winch');
  const fit = readWritten({
    format: 'tin-wheel/search',
    version: 1,
    fit: { free: { l: [10, 40] }, targets: { wind: '12' } },
  });
  if (!fit.ok) throw new Error(refusalText(fit));
  const before = checkDesign(train).map(({ what }) => what);
  const [fitted] = search(fit.value, train).findings;
  for (const what of checksOf(fit.value, fitted!, train)) expect(before).not.toContain(what);
});
