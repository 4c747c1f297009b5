import { demoTrain, withoutSizes } from '@/testing/demo-train';
import type { Train } from '../train';
import { endView, pitchesPast, poseOf } from '.';
import { axisPlaces, type Disc, type Spacing } from './axis-places';
import { centreDistance, gearModules, pitchRadius } from '../geometry';

const far = (a: { x: number; y: number }, b: { x: number; y: number }) => Math.hypot(a.x - b.x, a.y - b.y);

describe('places of axes', () => {
  test('the second stands below the first, at its distance', () => {
    const [a, b] = axisPlaces(2, [{ a: 0, b: 1, distance: 30 }], []);
    expect([a, b!.x, b!.y]).toEqual([{ x: 0, y: 0 }, expect.closeTo(0, 9), 30]);
  });

  test('an axis that meshes with two stands where both distances meet', () => {
    const spacings: Spacing[] = [
      { a: 0, b: 1, distance: 50 },
      { a: 0, b: 2, distance: 40 },
      { a: 1, b: 2, distance: 30 },
    ];
    const places = axisPlaces(3, spacings, []);
    for (const { a, b, distance } of spacings) expect(far(places[a]!, places[b]!)).toBeCloseTo(distance, 6);
  });

  test('gears that do not mesh do not lie on each other', () => {
    const spacings: Spacing[] = [
      { a: 0, b: 1, distance: 40 },
      { a: 1, b: 2, distance: 40 },
    ];
    const discs: Disc[] = [0, 1, 2].map((axis) => ({ axis, station: 's', radius: 20, hollow: false }));
    const places = axisPlaces(3, spacings, discs);
    expect(far(places[0]!, places[2]!)).toBeGreaterThanOrEqual(40 - 1e-6);
  });

  test('an axis that meshes with nothing has a place of its own', () => {
    const places = axisPlaces(2, [], []);
    expect(far(places[0]!, places[1]!)).toBeGreaterThan(10);
  });
});

describe('modules', () => {
  const lines = (member: string) => member;

  test('what is given is kept, what meshes with it has the same', () => {
    const winch = withoutSizes(demoTrain('sluice-winch'));
    const train: Train = {
      ...winch,
      gears: winch.gears.map((gear) => (gear.id === 'i' ? { ...gear, module: 2.5 } : gear)),
    };
    const modules = gearModules(train, lines);
    expect(['c', 'i', 'l'].map((id) => modules.get(id))).toEqual([2.5, 2.5, 2.5]);
    expect(modules.get('g3a')).toBe(1);
  });

  test('pairs between the same two shafts are scaled to one distance', () => {
    const rake = withoutSizes(demoTrain('pan-rake'));
    const train: Train = {
      ...rake,
      gears: rake.gears.map((gear) => (gear.id === 'g2b' ? { ...gear, teeth: 60 } : gear)),
    };
    const shaft = (member: string) => (['in', 'out', 'w1', 'w2', 'w3'].includes(member) ? 'upper' : member);
    const modules = gearModules(train, shaft);
    const gear = (id: string) => train.gears.find((one) => one.id === id)!;
    const distance = (a: string, b: string) => centreDistance(gear(a), gear(b), modules.get(a)!);
    expect(distance('g2a', 'g2b')).toBeCloseTo(distance('g1a', 'g1b'), 9);
    expect(distance('g3a', 'g3b')).toBeCloseTo(distance('g1a', 'g1b'), 9);
  });

  test('centre distances: sum outside, difference in a ring, more along a chain', () => {
    const gear = (teeth: number, type: 'external' | 'internal' | 'sprocket') => ({ id: 'x', member: 'm', teeth, type });
    expect(centreDistance(gear(20, 'external'), gear(30, 'external'), 2)).toBe(50);
    expect(centreDistance(gear(20, 'external'), gear(60, 'internal'), 2)).toBe(40);
    expect(centreDistance(gear(20, 'sprocket'), gear(30, 'sprocket'), 2)).toBeGreaterThan(50);
    expect(pitchRadius(gear(40, 'external'), 1.5)).toBe(30);
  });
});

describe('wheels', () => {
  test('equal planets stand evenly round the sun, as many as the document says', () => {
    const stirrer = demoTrain('stirrer');
    const train: Train = {
      ...stirrer,
      members: stirrer.members.map((member) => (member.carrier ? { ...member, copies: 4 } : member)),
    };
    const [station] = endView(train, []);
    const planets = station!.wheels.filter(({ orbit }) => orbit !== null);
    expect(planets).toHaveLength(4);
    const places = planets.map((wheel) => poseOf(wheel, () => 0, 0));
    for (let i = 0; i < 4; i++)
      expect(far(places[i]!, places[(i + 1) % 4]!)).toBeCloseTo(Math.SQRT2 * planets[0]!.orbit!.radius, 6);
  });

  test('planets are carried round by their carrier, and roll against it', () => {
    const [station] = endView(demoTrain('stirrer'), []);
    const planet = station!.wheels.find(({ orbit }) => orbit !== null)!;
    const quarter = (member: string) => (member === 'arm' ? 0.25 : 0);
    const [before, after] = [poseOf(planet, () => 0, 0), poseOf(planet, quarter, 0)];
    expect([after.x, after.y]).toEqual([expect.closeTo(-before.y, 6), expect.closeTo(before.x, 6)]);
    expect(pitchesPast(planet, quarter)).toBe(-planet.teeth / 4);
  });

  test('stations follow the order of the side view', () => {
    const order = ['set p4', 'set p3', 'set p2', 'set p1'];
    expect(endView(demoTrain('harvester'), order).map(({ figure }) => figure)).toEqual(order);
  });
});

describe('chains and worms', () => {
  const winch = demoTrain('sluice-winch');
  const chained: Train = {
    ...winch,
    gears: winch.gears.map((gear) => (['g3a', 'g3b'].includes(gear.id) ? { ...gear, type: 'sprocket' } : gear)),
  };

  test('a chain joins two wheels that stand apart, and is no mesh of teeth', () => {
    const station = endView(chained, []).find(({ wheels }) => wheels.some(({ gear }) => gear === 'g3a'))!;
    expect(station.meshes).toEqual([]);
    expect(station.chains.map(({ mesh }) => mesh)).toEqual(['m3']);
    const [a, b] = station.wheels;
    expect(far(a!.centre, b!.centre)).toBeGreaterThan(a!.radius + b!.radius + a!.module);
  });

  test('pulleys are smooth, sprockets have teeth', () => {
    const belted: Train = {
      ...chained,
      gears: chained.gears.map((gear) => (gear.type === 'sprocket' ? { ...gear, type: 'pulley' } : gear)),
    };
    const shapes = (train: Train) =>
      endView(train, []).flatMap(({ wheels }) =>
        wheels.filter(({ gear }) => gear.startsWith('g3')).map(({ shape }) => shape),
      );
    expect(shapes(chained)).toEqual(['toothed', 'toothed']);
    expect(shapes(belted)).toEqual(['smooth', 'smooth']);
  });

  test('a worm lies under its wheel and keeps its place while its thread comes past', () => {
    const station = endView(demoTrain('conveyor-shifter'), []).find(({ wheels }) =>
      wheels.some(({ shape }) => shape === 'worm'),
    )!;
    const worm = station.wheels.find(({ shape }) => shape === 'worm')!;
    const wheel = station.wheels.find(({ shape }) => shape === 'toothed')!;
    expect(worm.centre.y).toBeGreaterThan(wheel.centre.y + wheel.radius);
    const turned = (member: string) => (member === 'worm' ? 0.75 : 0);
    expect(poseOf(worm, turned, 0)).toEqual(poseOf(worm, () => 0, 0));
    expect(pitchesPast(worm, turned)).toBe(0.75);
  });
});
