import { pairTrain } from '@/testing/pair-train';
import { demoTrain } from '@/testing/demo-train';
import { geometryOf, splitShift, type Sharing } from '../geometry';
import { rootSection, rootStress } from '../forces';
import type { Train } from '../train';
import { checkDesign, type Finding } from '.';

const found = (train: Train, kind: Finding['kind']) => checkDesign(train).filter((one) => one.kind === kind);
const only = (train: Train, kind: Finding['kind']): Finding => {
  const [first, ...others] = found(train, kind);
  if (!first || others.length > 0) throw new Error(`${others.length + (first ? 1 : 0)} findings of ${kind}`);
  return first;
};
function mended(train: Train, finding: Finding, nth = 0): Train {
  const edit = finding.mends[nth]!.apply(train);
  if (!edit.ok) throw new Error(edit.message);
  return edit.train;
}
const pair = (a: object, b: object, rest = {}) =>
  pairTrain({ teeth: 18, module: 2, ...a }, { teeth: 40, module: 2, ...b }, rest);

test('a given centre: loose teeth get shifts, each way to share them fills the gap', () => {
  const train = pair({}, {}, { mesh: { centre: 58.9 } });
  const loose = only(train, 'centre');
  expect(loose).toMatchObject({ weight: 'note', what: '18 and 40 run loose at 58.9 mm: 0.702 mm of backlash.' });
  expect(loose.mends.map(({ label }) => label.replace(/^.*: /, ''))).toEqual([
    'both slide alike',
    'both roots alike',
    'as little as keeps the roots whole',
  ]);
  loose.mends.forEach((_, i) => {
    const next = mended(train, loose, i);
    expect(found(next, 'centre')).toEqual([]);
    expect(geometryOf(next).mesh('ab')!.backlashMm).toBeCloseTo(0, 3);
    const sum = next.gears.reduce((total, { shift = 0 }) => total + shift, 0);
    expect(sum).toBeCloseTo(0.475, 3);
  });
});

test('a given centre that is too near jams; one that no shift reaches is said', () => {
  expect(only(pair({}, {}, { mesh: { centre: 57.6 } }), 'centre')).toMatchObject({
    weight: 'wrong',
    what: expect.stringMatching(/^18 and 40 jam at 57.6 mm/) as string,
  });
  const far = only(pair({}, {}, { mesh: { centre: 40 } }), 'centre');
  expect(far.what).toBe('18 and 40 cannot run at 40 mm.');
  expect(far.mends).toEqual([]);
});

test('a hub whose ring is not sun + 2 planets is mended by one shift on the planet', () => {
  const stirrer = demoTrain('stirrer');
  const [sun, planet, ring] = ['external', 'external', 'internal'].map(
    (type, i) => stirrer.gears.filter((gear) => gear.type === type)[i === 1 ? 1 : 0]!,
  );
  const off: Train = {
    ...stirrer,
    gears: stirrer.gears.map((gear) => ({
      ...gear,
      module: 1,
      ...(gear.id === ring!.id && { teeth: sun!.teeth + 2 * planet!.teeth + 1 }),
    })),
  };
  const coaxial = only(off, 'coaxial');
  expect(coaxial.mend).toMatch(/x = −?0\.\d{3} on the planet makes both pairs run at \d+(\.\d+)? mm\.$/);
  const next = mended(off, coaxial);
  expect(found(next, 'coaxial')).toEqual([]);
  const centres = next.meshes.map(({ id }) => geometryOf(next).mesh(id)!.running.centreMm);
  expect(centres[0]).toBeCloseTo(centres[1]!, 3);
  // Without sizes the same is said in modules.
  const bare = only({ ...off, gears: off.gears.map(({ module: _, ...gear }) => gear) }, 'coaxial');
  expect(bare.mend).toMatch(/ modules\.$/);
});

test('pairs of two shafts that want two distances: the second is shifted to the first', () => {
  const base = pair({}, {});
  const train: Train = {
    ...base,
    gears: [
      ...base.gears,
      { id: 'c', member: 'in', teeth: 25, type: 'external', module: 2 },
      { id: 'd', member: 'out', teeth: 32, type: 'external', module: 2 },
    ],
    meshes: [...base.meshes, { id: 'cd', gears: ['c', 'd'] }],
  };
  const distance = only(train, 'distance');
  expect(distance.what).toContain('25 with 32 wants 57 mm between the shafts, 18 with 40 on the same two wants 58 mm.');
  const byShift = distance.mends.findIndex(({ label }) => label.startsWith('x ='));
  expect(found(mended(train, distance, byShift), 'distance')).toEqual([]);
});

test('hands of helices: a pair outside leans opposite ways, a gear in a ring the same', () => {
  const helix = only(pair({ helix: 20 }, {}), 'helix');
  expect(helix.what).toBe('18 has a helix of 20°, 40 one of 0°: they do not run together.');
  expect(helix.mends.map(({ label }) => label)).toEqual(['Gear 40: helix −20°', 'Gear 18: helix 0°']);
  for (const nth of [0, 1]) expect(found(mended(pair({ helix: 20 }, {}), helix, nth), 'helix')).toEqual([]);
  expect(found(pair({ helix: 20 }, { helix: -20 }), 'helix')).toEqual([]);
  expect(found(pair({ helix: 20 }, { helix: -20, type: 'internal', teeth: 60 }), 'helix')).toHaveLength(1);
  expect(found(pair({ helix: 20 }, { helix: 20, type: 'internal', teeth: 60 }), 'helix')).toEqual([]);
});

test('pointed tips, short contact, tips that meet: each is said with what it is', () => {
  expect(only(pair({ teeth: 12, shift: 0.9 }, {}), 'pointed')).toMatchObject({ gears: ['a'], weight: 'wrong' });
  expect(found(pair({ teeth: 30, shift: 0.2 }, {}), 'pointed')).toEqual([]);
  expect(only(pair({}, {}, { mesh: { centre: 60.5 } }), 'contact')).toMatchObject({ weight: 'wrong' });
  const inRing = (teeth: number, ring: number) =>
    found(pair({ teeth }, { teeth: ring, type: 'internal' }), 'interference').map(({ weight, what }) => [weight, what]);
  // Which way in they go is told of pairs that can run.
  expect(inRing(30, 34)).toEqual([['wrong', 'Tips of 30 and 34 meet where they should have passed each other.']]);
  expect(inRing(46, 47)).toEqual([['wrong', 'Tips of 46 and 47 meet where they should have passed each other.']]);
  expect(inRing(38, 47)).toEqual([['note', '38 and 47 go together along the axis only.']]);
});

test('tips that are cut back for their mate are told with how much, so that nobody orders the stock wheel', () => {
  const shortened = found(pair({ teeth: 28, shift: 1.3 }, { teeth: 17, shift: 1.1 }), 'shortened');
  expect(shortened.map(({ weight, gears }) => [weight, gears])).toEqual([
    ['note', ['a']],
    ['note', ['b']],
  ]);
  const { gear } = geometryOf(pair({ teeth: 28, shift: 1.3 }, { teeth: 17, shift: 1.1 }));
  expect(shortened[0]!.what).toContain(
    `cut back by ${(Math.round(gear('a')!.spec.tipCutMm! * 1000) / 1000).toString()} mm`,
  );
  const full = gear('a')!.form.pitchRadius + 2 + 1.3 * 2;
  expect(gear('a')!.form.tipRadius).toBeCloseTo(full - gear('a')!.spec.tipCutMm!, 9);
  expect(found(pair({ shift: 0.3 }, {}), 'shortened')).toEqual([]);
});

test('undercut is mended by a shift, and by teeth where the wheel is a standard one', () => {
  const undercut = only(pair({ teeth: 12 }, {}), 'undercut');
  expect(undercut.mends.map(({ label }) => label)).toEqual(['Gear 12 → 17 teeth', 'x = 0.300 on 12']);
  const next = mended(pair({ teeth: 12 }, {}), undercut, 1);
  expect(found(next, 'undercut')).toEqual([]);
  expect(found(pair({ teeth: 12, shift: 0.1 }, {}), 'undercut')[0]!.what).toContain('with a shift of 0.1');
  expect(found(pair({ teeth: 14 }, {}, { train: { pressureAngle: 25 } }), 'undercut')).toEqual([]);
});

test('a shift is shared as it is said: equal sliding, equal roots', () => {
  const geometry = geometryOf(pair({}, {}, { mesh: { centre: 58.9 } }));
  const specs = [geometry.spec('a')!, geometry.spec('b')!] as const;
  const stresses: Sharing['stresses'] = (shifts) => {
    const [one, two] = specs.map((spec, i) => rootSection({ ...spec, shift: shifts[i]! }, 1.5)!);
    return [rootStress(one!, 1, 1, 0.35), rootStress(two!, 1, 1, 0.35)];
  };
  const sharing = { specs, centreMm: 58.9, stresses };
  const sliding = splitShift(sharing, 'equal sliding')!;
  const shifted = pair({ shift: sliding[0] }, { shift: sliding[1] }, { mesh: { centre: 58.9 } });
  const [a, b] = geometryOf(shifted).mesh('ab')!.specificSliding;
  expect(a).toBeCloseTo(b!, 2);
  const [one, two] = stresses(splitShift(sharing, 'equal strength')!)!;
  expect(one / two).toBeCloseTo(1, 2);
  expect(splitShift(sharing, 'least shift')![0]).toBeCloseTo(0, 9);
});

test('two helices on one shaft that push the same way are said, and turned round they push against each other', () => {
  const pump = demoTrain('pump-step-down');
  expect(found(pump, 'thrust')).toEqual([]);
  const turned: Train = {
    ...pump,
    gears: pump.gears.map((gear) => (gear.teeth === 17 || gear.teeth === 52 ? { ...gear, helix: -gear.helix! } : gear)),
  };
  const thrust = only(turned, 'thrust');
  expect(thrust.what).toBe('Both helices on countershaft push it the same way in position run.');
  expect(thrust.mends.map(({ label }) => label)).toEqual([
    'Turn the helices of 19 and 56 round',
    'Turn the helices of 17 and 52 round',
  ]);
  expect(mended(turned, thrust, 1)).toEqual(pump);
  for (const nth of [0, 1]) expect(found(mended(turned, thrust, nth), 'thrust')).toEqual([]);
});

test('planets clear each other by the tips that they are cut with', () => {
  const stirrer = demoTrain('stirrer');
  const planet = stirrer.members.find(({ carrier }) => carrier !== undefined)!;
  const copies = (train: Train, count: number): Train => ({
    ...train,
    members: train.members.map((member) => (member.id === planet.id ? { ...member, copies: count } : member)),
  });
  const sizedTrain = { ...stirrer, gears: stirrer.gears.map((gear) => ({ ...gear, module: 2 })) };
  for (let count = 2; count < 9; count++)
    // Of standard teeth the working geometry says what the counts say.
    expect(found(copies(sizedTrain, count), 'collision').length).toBe(
      found(copies(stirrer, count), 'collision').length,
    );
});
