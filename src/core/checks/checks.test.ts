import { demoNames, demoTrain, demoTrains } from '@/testing/demo-train';
import { pairTrain } from '@/testing/pair-train';
import { toFraction } from '../rational';
import { setTeeth, type Gear, type Train } from '../train';
import { checkDesign, fixEffects, type Finding, type FindingFix } from '.';
import { modelOf } from '../model';

const kinds = (train: Train) =>
  checkDesign(train).map(({ kind, gears, positions }) => `${kind}: ${[...gears, ...positions].join(' ')}`);
const of = (train: Train, kind: Finding['kind']) => checkDesign(train).filter((found) => found.kind === kind);
const withGears = (train: Train, change: (gear: Gear) => Partial<Gear>): Train => ({
  ...train,
  gears: train.gears.map((gear) => ({ ...gear, ...change(gear) })),
});
const mended = (train: Train, { apply }: FindingFix): Train => {
  const edit = apply(train);
  if (!edit.ok) throw new Error(edit.message);
  return edit.train;
};
const withCopies = (train: Train, copies: number): Train => ({
  ...train,
  members: train.members.map((member) => (member.carrier ? { ...member, copies } : member)),
});

describe('meshes', () => {
  const winch = demoTrain('sluice-winch');

  test('gears of different module do not mesh', () => {
    expect(
      of(
        withGears(winch, () => ({ module: 2 })),
        'module',
      ),
    ).toEqual([]);
    const [found] = of(
      withGears(winch, ({ id }) => ({ module: id === 'g3b' ? 2.5 : 2 })),
      'module',
    );
    expect(found).toMatchObject({
      weight: 'wrong',
      gears: ['g3a', 'g3b'],
      what: expect.stringContaining('2 and 2.5 mm'),
    });
  });

  test('shared factors: how often the same teeth meet, and what would hunt', () => {
    const [found] = of(winch, 'shared factor').filter(({ gears }) => gears.includes('g3b'));
    // 15 and 45: every tooth of 15 meets only 3 of 45, again after 3 turns.
    expect(found!.why).toContain('meets only 3 of 45 teeth, repeating every 3 turns');
    expect(found!.mend).toContain('44 or 46 instead of 45 would hunt');
    expect(
      of(
        withGears(winch, ({ id }) => (id === 'g3b' ? { teeth: 46 } : {})),
        'shared factor',
      ).filter(({ gears }) => gears.includes('g3b')),
    ).toEqual([]);
  });

  test('undercut is said of external gears below 17 teeth only', () => {
    expect(of(winch, 'undercut').map(({ gears }) => gears[0])).toEqual(['c', 'g3a']);
    expect(of(demoTrain('stirrer'), 'undercut')).toEqual([]);
  });
});

describe('shafts', () => {
  test('pairs on the same two shafts want one distance, where modules are given', () => {
    const rake = demoTrain('pan-rake');
    expect(of(rake, 'distance')).toEqual([]);
    const even = withGears(rake, () => ({ module: 2 }));
    expect(of(even, 'distance')).toEqual([]);
    const [found] = of(
      withGears(even, ({ id }) => (id === 'g2b' ? { teeth: 40 } : {})),
      'distance',
    );
    expect(found).toMatchObject({
      what: '13 with 40 wants 53 mm between the shafts, 19 with 32 on the same two wants 51 mm.',
      mend: expect.stringContaining('add up to 51'),
    });
  });

  test('so do all pairs of a stepped planet', () => {
    const lift = demoTrain('brine-lift');
    expect(of(lift, 'distance')).toEqual([]);
    const even = withGears(lift, () => ({ module: 2 }));
    const [found] = of(even, 'distance');
    expect(found!.what).toBe(
      '36 with 18 wants 54 mm between the planet’s pin and the centre, 90 with 18 on the same two wants 72 mm.',
    );
    const byModule = found!.mends.find(({ label }) => label === 'Module 2.6667 on both')!;
    const mended = byModule.apply(even);
    expect(mended.ok && of(mended.train, 'distance')).toEqual([]);
    // Centres that are given do not follow the module.
    const meshes = lift.meshes.map((mesh) => ({ ...mesh, centre: mesh.id === 'm2' ? 54.5 : 54 }));
    const [given] = of({ ...lift, meshes }, 'distance');
    expect(given!.mend).toBe('With this module the teeth of the pair should add up to 54; or shift the profiles.');
    expect(given!.mends.filter(({ label }) => label.startsWith('Module'))).toEqual([]);
  });
});

describe('planetary sets', () => {
  const stirrer = demoTrain('stirrer');

  test('sun, planet and ring fit round one axis, or it is said what would', () => {
    expect(of(stirrer, 'coaxial')).toEqual([]);
    const [found] = of(
      withGears(stirrer, ({ id }) => (id === 'r1' ? { teeth: 76 } : {})),
      'coaxial',
    );
    expect(found!.mend).toContain('A ring of 72, or a planet of 26, would fit');
  });

  test('planets are spaced evenly when their number divides sun and ring together', () => {
    for (const copies of [2, 3, 4, 6]) expect(of(withCopies(stirrer, copies), 'assembly')).toEqual([]);
    const [found] = of(withCopies(stirrer, 5), 'assembly');
    expect(found).toMatchObject({
      why: expect.stringContaining('add up to 96'),
      mend: expect.stringContaining('2, 3, 4 planets'),
    });
  });

  test('planets that run into each other are counted', () => {
    expect(of(withCopies(stirrer, 4), 'collision')).toEqual([]);
    expect(of(withCopies(stirrer, 6), 'collision')[0]!.mend).toContain('At most 5 of them fit');
  });

  test('without a number of planets nothing is guessed', () => {
    const uncounted = {
      ...stirrer,
      members: stirrer.members.map(({ id, name, carrier }) => ({ id, name, ...(carrier && { carrier }) })),
    };
    expect([...of(uncounted, 'assembly'), ...of(uncounted, 'collision')]).toEqual([]);
  });
});

describe('positions', () => {
  test('one that locks says who fights; two that engage the same are one', () => {
    const rake = demoTrain('pan-rake');
    expect(of(rake, 'locked')).toMatchObject([
      { positions: ['1+2'], why: 'Nothing can turn with First, Second engaged.' },
    ]);
    const twice = { ...rake, positions: [...rake.positions, { id: 'low', name: 'low', engaged: ['first'] }] };
    expect(of(twice, 'duplicate')).toMatchObject([
      { positions: ['low'], what: 'Positions 1 and low engage the same.' },
    ]);
  });
});

describe('places', () => {
  const rake = demoTrain('pan-rake');

  test('gears that mesh turn about two lines', () => {
    expect(of(rake, 'axes')).toEqual([]);
    const clash: Train = {
      ...rake,
      couplers: [...rake.couplers, { id: 'x', name: 'Lock', type: 'clutch', joins: ['in', 'lay'] }],
    };
    expect(of(clash, 'axes').length).toBeGreaterThan(0);
    expect(of(clash, 'axes')[0]).toMatchObject({
      weight: 'wrong',
      what: expect.stringContaining('mesh, but turn about one line'),
    });
  });

  test('a coupler does not join a planet with what is not carried', () => {
    const stirrer = demoTrain('stirrer');
    const planet = stirrer.members.find(({ carrier }) => carrier !== undefined)!;
    const [found] = of(
      {
        ...stirrer,
        couplers: [...stirrer.couplers, { id: 'x', name: 'Pin', type: 'clutch', joins: [planet.id, stirrer.input] }],
      },
      'axes',
    );
    expect(found).toMatchObject({ couplers: ['x'], what: expect.stringContaining('whose lines move apart') });
    for (const name of demoNames()) expect(of(demoTrain(name), 'axes')).toEqual([]);
  });

  test('gears that mesh share a station, and one press gives it', () => {
    const placed = withGears(rake, ({ id }) => (id === 'g3a' ? { station: 2 } : id === 'g3b' ? { station: 5 } : {}));
    const [found] = of(placed, 'station');
    expect(found!.what).toContain('stand at stations 2 and 5');
    for (const mend of found!.mends) expect(of(mended(placed, mend), 'station')).toEqual([]);
  });
});

describe('outputs', () => {
  const rake = demoTrain('pan-rake');

  test('one that no position drives is wrong; a position that engages in vain is noted', () => {
    expect(of(rake, 'floating output')).toEqual([]);
    const half: Train = {
      ...rake,
      positions: [...rake.positions, { id: 'half', name: 'half R', engaged: ['idler-a'] }],
    };
    expect(of(half, 'floating output')).toMatchObject([{ weight: 'note', positions: ['half'] }]);
    const loose: Train = {
      ...rake,
      members: [...rake.members, { id: 'pump', name: 'pump' }],
      outputs: ['out', 'pump'],
    };
    const [found] = of(loose, 'floating output');
    expect(found).toMatchObject({ weight: 'wrong', members: ['pump'], what: 'No position drives the output “pump”.' });
    expect(of(mended(loose, found!.mends[0]!), 'floating output')).toEqual([]);
  });
});

describe('what the train is used with', () => {
  const rake = demoTrain('pan-rake');
  const weak: Train = {
    ...rake,
    couplers: rake.couplers.map((coupler) => (coupler.id === 'second' ? { ...coupler, capacity: 40 } : coupler)),
  };
  const used = (train: Train, use: { inputSpeed?: number; inputTorque?: number }, kind: Finding['kind']) =>
    checkDesign(train, use).filter((found) => found.kind === kind);

  test('a coupler slips above its capacity', () => {
    // Second carries the output torque, 1024/361 of what is put in.
    expect(used(weak, { inputTorque: (40 * 361) / 1024 - 0.01 }, 'capacity')).toEqual([]);
    const [found] = used(weak, { inputTorque: (40 * 361) / 1024 + 0.01 }, 'capacity');
    expect(found).toMatchObject({
      couplers: ['second'],
      positions: ['2'],
      why: expect.stringContaining('it slips above 14.10 N·m at the input'),
    });
    expect(of(weak, 'capacity')).toEqual([]);
  });

  test('tips run at 2π n (d/2 + m), and the limit is the material’s or the train’s own', () => {
    const printed = withGears(rake, ({ id }) => (id === 'g1a' ? { module: 2, material: 'printed' as const } : {}));
    // 19 teeth of 2 mm: tips at 21 mm.
    const limit = 5 / (2 * Math.PI * 0.021);
    expect(used(printed, { inputSpeed: limit - 0.01 }, 'tip speed')).toEqual([]);
    expect(used(printed, { inputSpeed: limit + 0.01 }, 'tip speed')).toMatchObject([
      { gears: ['g1a'], why: expect.stringContaining('this material (printed) is 5.000 m/s') },
    ]);
    expect(used({ ...printed, tipSpeedLimits: { printed: 8 } }, { inputSpeed: limit + 0.01 }, 'tip speed')).toEqual([]);
    expect(used({ ...printed, tipSpeedLimits: { printed: 2 } }, { inputSpeed: limit / 2 }, 'tip speed')).toHaveLength(
      1,
    );
  });
});

test('every mend on offer can be done, and what it is for is then gone', () => {
  let done = 0;
  for (const name of demoNames()) {
    const train = demoTrain(name);
    for (const found of checkDesign(train)) {
      for (const mend of found.mends) {
        const after = checkDesign(mended(train, mend));
        expect(after.map(({ key, what, why }) => `${key} ${what} ${why}`)).not.toContain(
          `${found.key} ${found.what} ${found.why}`,
        );
        done++;
      }
    }
  }
  expect(done).toBeGreaterThan(20);
});

test('findings keep their names as long as they are about the same parts', () => {
  const winch = demoTrain('sluice-winch');
  const keys = (train: Train) => of(train, 'shared factor').map(({ key }) => key);
  expect(keys(withGears(winch, ({ id }) => (id === 'g3b' ? { teeth: 30 } : {})))).toEqual(keys(winch));
  expect(new Set(checkDesign(winch).map(({ key }) => key)).size).toBe(checkDesign(winch).length);
});

test('what is wrong comes before what is worth knowing, and every finding says why and what to do', () => {
  let found = 0;
  for (const name of demoNames()) {
    const findings = checkDesign(demoTrain(name));
    const weights = findings.map(({ weight }) => weight);
    expect(weights).toEqual([...weights].sort((a, b) => (a === b ? 0 : a === 'wrong' ? -1 : 1)));
    for (const { what, why, mend } of findings)
      for (const text of [what, why, mend]) expect(text).toMatch(/^\S.{10,}\.$/);
    found += findings.length;
  }
  expect(found).toBeGreaterThan(10);
  expect(kinds(demoTrain('harvester'))).toContain('locked: all');
});

describe('one-way clutches', () => {
  const tram = demoTrain('mud-tram');
  const facing: Train = {
    ...tram,
    couplers: [...tram.couplers, { id: 'back', name: 'Back roller', type: 'one-way', joins: ['mid', 'in'] }],
  };

  test('two that face each other are said to lock, and turning one round mends it', () => {
    expect(of(tram, 'one-way clutches')).toEqual([]);
    const [found, ...more] = of(facing, 'one-way clutches');
    expect(more).toEqual([]);
    expect(found).toMatchObject({
      weight: 'wrong',
      what: 'One-way clutches Front roller and Back roller lock each other.',
      couplers: ['front roller', 'back'],
    });
    expect(of(mended(facing, found!.mends[1]!), 'one-way clutches')).toEqual([]);
  });

  test('both ways to the frame they lock each other too; between fixed members one has nothing to do', () => {
    const frame = (id: string, joins: [string, string]) => ({ id, name: id, type: 'one-way' as const, joins });
    const stopped = of(
      { ...tram, couplers: [...tram.couplers, frame('up', ['frame', 'out']), frame('down', ['out', 'frame'])] },
      'one-way clutches',
    );
    expect(stopped.map(({ what }) => what)).toEqual(['One-way clutches up and down lock each other.']);
    const [idle] = of(
      { ...tram, couplers: [...tram.couplers, frame('none', ['in', 'in2'])], ...likeCounters(tram) },
      'one-way clutches',
    );
    expect(idle).toMatchObject({ weight: 'note', couplers: ['none'] });
  });

  /** A countershaft that turns "in2" just as fast as "in". */
  function likeCounters(train: Train): Pick<Train, 'gears' | 'meshes' | 'members'> {
    const gear = (id: string, member: string): Gear => ({ id, member, teeth: 30, type: 'external' });
    return {
      members: [...train.members, { id: 'in2', name: 'in2' }, { id: 'lay', name: 'lay' }],
      gears: [...train.gears, gear('e', 'in'), gear('f', 'lay'), gear('f2', 'lay'), gear('e2', 'in2')],
      meshes: [...train.meshes, { id: 'e1', gears: ['e', 'f'] }, { id: 'e2', gears: ['f2', 'e2'] }],
    };
  }
});

describe('what a mend would do', () => {
  const fewer = (gear: string, teeth: number): FindingFix => ({
    label: 'fewer teeth',
    apply: (train) => setTeeth(train, gear, teeth),
  });

  test('is told of a train without positions, as it is engaged now', () => {
    const pair = pairTrain({ teeth: 24 }, { teeth: 48 }, { train: { positions: [] } });
    const [change, ...others] = fixEffects(pair, [])(fewer('b', 47))!;
    expect(others).toEqual([]);
    expect([change!.position, toFraction(change!.before.ratio!), toFraction(change!.after.ratio!)]).toEqual([
      null,
      '-2',
      '-47/24',
    ]);
  });

  test('is told of every output: each is compared with the exact solve of the changed train', () => {
    for (const train of demoTrains().filter(({ outputs }) => outputs.length > 1))
      for (const { id, teeth } of train.gears) {
        const mend = fewer(id, teeth + 1);
        const edit = setTeeth(train, id, teeth + 1);
        if (!edit.ok) continue;
        const told = new Set(fixEffects(train, null)(mend)!.map(({ position, output }) => `${position} ${output}`));
        const speeds = (of: Train) => {
          const { positions, network } = modelOf(of);
          return new Map(
            [...positions()].flatMap(([position, { state, status }]) =>
              of.outputs.map((output) => {
                const speed = state.speeds.of(network.memberIndex.get(output)!);
                return [`${position} ${output}`, status === 'drive' && speed ? toFraction(speed) : status] as const;
              }),
            ),
          );
        };
        const [was, is] = [speeds(train), speeds(edit.train)];
        for (const [key, speed] of was) expect([key, told.has(key)]).toEqual([key, is.get(key) !== speed]);
      }
  });

  test('the positions whose ratio changes, before and after', () => {
    const rake = demoTrain('pan-rake');
    const [found] = of(rake, 'undercut');
    const effect = fixEffects(rake, null)(found!.mends[0]!)!;
    const changed = effect.map(
      ({ position, before, after }) =>
        `${position} ${before.ratio && toFraction(before.ratio)} ${after.ratio && toFraction(after.ratio)}`,
    );
    const after = modelOf(mended(rake, found!.mends[0]!)).positions();
    const was = modelOf(rake).positions();
    expect(changed.length).toBeGreaterThan(0);
    for (const { position } of effect)
      expect(changed).toContain(
        `${position} ${toFraction(was.get(position!)!.ratio!)} ${toFraction(after.get(position!)!.ratio!)}`,
      );
    for (const [id, { ratio }] of was)
      if (!effect.some(({ position }) => position === id))
        expect(after.get(id)!.ratio && toFraction(after.get(id)!.ratio!)).toBe(ratio && toFraction(ratio));
  });
});
