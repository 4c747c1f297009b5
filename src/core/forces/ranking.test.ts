import { demoTrain } from '@/testing/demo-train';
import { pairTrain } from '@/testing/pair-train';
import { modelOf } from '../model';
import { partsById, type Train } from '../train';
import { couplerForces, forcedState, meshForces, rankWheels, shaftForces, stressesIn } from '.';

const use = { torqueNm: 6, speedRpm: 1000 };

describe('which breaks first', () => {
  const pair = (module: number) =>
    pairTrain(
      { teeth: 14, module, faceWidth: 12, material: 'printed' },
      { teeth: 40, module, faceWidth: 12, material: 'printed' },
    );

  test('the small wheel, and twice the module makes a quarter of it', () => {
    const [small, large] = [pair(2), pair(4)].map((train) => rankWheels(train, use));
    expect(small!.map(({ gear }) => gear)).toEqual(['a', 'b']);
    expect(small![0]!.ofLargest).toBe(1);
    for (const [i, { rootStressMPa, contact }] of small!.entries()) {
      expect(large![i]!.rootStressMPa / rootStressMPa).toBeCloseTo(0.25, 9);
      // F / b and the curvature halve each: pressure goes with the root of both.
      expect(large![i]!.contact!.pressureMPa / contact!.pressureMPa).toBeCloseTo(0.5, 9);
    }
  });

  test('width evens it out, shift strengthens the pinion, an unknown width says nothing', () => {
    const wider = pairTrain({ teeth: 14, module: 2, faceWidth: 24 }, { teeth: 40, module: 2, faceWidth: 24 });
    expect(rankWheels(wider, use)[0]!.rootStressMPa / rankWheels(pair(2), use)[0]!.rootStressMPa).toBeCloseTo(0.5, 9);
    const shifted = pairTrain(
      { teeth: 14, module: 2, faceWidth: 12, shift: 0.4 },
      { teeth: 40, module: 2, faceWidth: 12, shift: -0.4 },
    );
    expect(rankWheels(shifted, use).find(({ gear }) => gear === 'a')!.rootStressMPa).toBeLessThan(
      0.85 * rankWheels(pair(2), use)[0]!.rootStressMPa,
    );
    expect(rankWheels(pairTrain({ teeth: 14, module: 2 }, { teeth: 40, module: 2, faceWidth: 9 }), use)).toEqual([]);
    expect(rankWheels(pairTrain({ teeth: 14, faceWidth: 9 }, { teeth: 40, faceWidth: 9 }), use)).toEqual([]);
  });

  test('every wheel of a set that carries is ranked, rings too, and none is NaN', () => {
    const stirrer = demoTrain('stirrer');
    const gears = stirrer.gears.map((gear) => ({ ...gear, module: 2, faceWidth: 15 }));
    const ranked = rankWheels({ ...stirrer, gears }, use);
    expect(ranked.map(({ gear }) => gear).sort()).toEqual(gears.map(({ id }) => id).sort());
    for (const { rootStressMPa } of ranked) expect(rootStressMPa).toBeGreaterThan(0);
  });
});

test('pressure on flanks is the worst over mates and positions, and the same at both ends of a contact', () => {
  const stirrer = demoTrain('stirrer');
  const train: Train = {
    ...stirrer,
    gears: stirrer.gears.map((gear) => ({ ...gear, module: 2, faceWidth: 15, material: 'steel' })),
  };
  const ranked = new Map(rankWheels(train, use).map((one) => [one.gear, one]));
  for (const gear of train.gears) {
    // Every pressure of every mesh and position, one at a time.
    const all = train.positions.flatMap(({ id }) =>
      stressesIn(modelOf(train).solvedIn(id), use).filter((one) => one.gear === gear.id),
    );
    const most = (of: 'rootStressMPa' | 'contactMPa') => Math.max(...all.map((one) => one[of]!));
    expect(ranked.get(gear.id)!.contact!.pressureMPa).toBe(most('contactMPa'));
    expect(ranked.get(gear.id)!.rootStressMPa).toBe(most('rootStressMPa'));
  }
  // The sun's small curvature presses hardest, on both.
  const of = (type: string, planet: boolean) =>
    train.gears.find(
      (gear) => gear.type === type && (partsById(train).member(gear.member).carrier !== undefined) === planet,
    )!.id;
  const [sun, planet] = [of('external', false), of('external', true)].map((id) => ranked.get(id)!.contact!.pressureMPa);
  expect(planet).toBeCloseTo(sun!, 9);
});

test('the load that pushes: flanks change sides, a one-way clutch overruns, no load has no angle', () => {
  const pair = pairTrain(
    { teeth: 20, module: 2, station: 1 },
    { teeth: 40, module: 2, station: 1 },
    {
      train: {
        stationLength: 20,
        members: [
          { id: 'in', name: 'in', bearings: [0, 40] },
          { id: 'shaft', name: 'shaft', bearings: [0, 40] },
          { id: 'out', name: 'out' },
        ],
        gears: [
          { id: 'a', member: 'in', teeth: 20, type: 'external', module: 2, station: 1 },
          { id: 'b', member: 'shaft', teeth: 40, type: 'external', module: 2, station: 1 },
        ],
        couplers: [{ id: 'F', name: 'F', type: 'one-way', joins: ['out', 'shaft'] }],
      },
    },
  );
  const position = pair.positions[0]!;
  // The pair reverses, so that the shaft pushes the output backward; the clutch holds so.
  const drive = forcedState(pair, position, use);
  const coast = forcedState(pair, position, { ...use, torqueNm: -6 });
  const tangential = ({ solved, use: borne }: ReturnType<typeof forcedState>) =>
    meshForces(solved, borne).get('ab')?.tangentialN ?? 0;
  expect([drive, coast].map((state) => tangential(state) > 0).sort()).toEqual([false, true]);
  // No load, or loads that cancel but for rounding: no direction either.
  const push = (y: number) => ({ force: { x: 0, y, z: 0 }, at: { x: 0, y: 0, z: 30 } });
  for (const loads of [[], [push(0.1), push(0.2), push(-0.3)]])
    expect(shaftForces([0, 100], loads).bearings.map(({ n, angleDeg }) => [n, angleDeg])).toEqual([
      [0, null],
      [0, null],
    ]);
  // Without the clutch it holds back as hard as it drives, pushed from the other flank.
  const plain = pairTrain({ teeth: 20, module: 2 }, { teeth: 40, module: 2 });
  const [ahead, held, back] = [
    forcedState(plain, plain.positions[0]!, use),
    forcedState(plain, plain.positions[0]!, { ...use, torqueNm: -6 }),
    forcedState(plain, plain.positions[0]!, { ...use, torqueNm: 12 }, { flow: 'backward' }),
  ].map(({ solved, use: borne }) => meshForces(solved, borne).get('ab')!);
  for (const one of [held, back]) expect(one!.tangentialN).toBeCloseTo(ahead!.tangentialN, 9);
  expect(held!.torquesNm.map(Math.sign)).toEqual(ahead!.torquesNm.map((torque) => -Math.sign(torque)));
});

test('what is engaged holds its torque at the radius of its dogs', () => {
  const stirrer = demoTrain('stirrer');
  const [first] = stirrer.couplers;
  const train = { ...stirrer, couplers: stirrer.couplers.map((coupler) => ({ ...coupler, radius: 25 })) };
  const position = train.positions.find(({ engaged }) => engaged.includes(first!.id))!;
  const { forceN, torqueNm } = couplerForces(modelOf(train).solvedIn(position.id), 6).get(first!.id)!;
  expect(torqueNm).toBeGreaterThan(0);
  expect(forceN).toBeCloseTo((1000 * torqueNm) / 25, 9);
  expect(couplerForces(modelOf(stirrer).solvedIn(position.id), 6).get(first!.id)!.forceN).toBeNull();
});
