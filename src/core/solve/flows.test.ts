import { demoTrain } from '@/testing/demo-train';
import { compare, isZero, sign, toFraction, ZERO } from '../rational';
import type { Train } from '../train';
import { driveBackward, jointTorque, slipPoints, solveCoasting, solveEngaged } from '.';
import { modelOf } from '../model';

const openOf = (train: Train) => modelOf(train).open;
const engagedIn = (train: Train, position: string) => train.positions.find(({ id }) => id === position)!.engaged;

describe('driving backward', () => {
  test.each([
    ['sluice-winch', 'wind', 'drives'],
    ['draisine-hub', '1', 'slips'],
    ['draisine-hub', '3', 'slips'],
    ['crawler', '1', 'slips'],
    ['crawler', '2', 'drives'],
    ['crawler', 'N', 'nothing connected'],
    ['pan-rake', 'N', 'nothing connected'],
    ['conveyor-shifter', 'fast', 'jams'],
    ['harvester', 'all', 'jams'],
    ['mud-tram', '1', 'slips'],
    ['mud-tram', '2', 'slips'],
    ['mud-tram', '4', 'drives'],
    ['ferry-hub', '2', 'slips'],
    ['ferry-hub', '8', 'slips'],
    ['wagon-axle', 'open', 'drives'],
  ])('%s in %s: %s', (name, position, verdict) => {
    const train = demoTrain(name);
    expect(driveBackward(openOf(train), engagedIn(train, position)).verdict).toBe(verdict);
  });
});

describe('coasting', () => {
  const coast = (name: string, position: string) => {
    const train = demoTrain(name);
    const open = openOf(train);
    return solveCoasting(open, engagedIn(train, position));
  };

  test('first gear of the crawler lets go: its one-way clutch overruns', () => {
    const solved = coast('crawler', '1');
    expect(solved.status).toBe('neutral');
    expect(Object.fromEntries(solved.state.oneWays)).toEqual({ F1: 'overruns' });
  });

  test('second gear brakes with the engine: torques turn round, speeds stay', () => {
    const solved = coast('crawler', '2');
    expect(solved.status).toBe('drive');
    expect(toFraction(solved.ratio!)).toBe('143/95');
    expect(toFraction(jointTorque(solved.state, 'B1')!)).toBe('48/95');
  });

  test('the hub freewheels in every position', () => {
    for (const position of ['1', '2', '3', '4', '5']) expect(coast('draisine-hub', position).status).toBe('neutral');
  });
});

describe('friction', () => {
  /**
   * Ring held, carrier driven by the motor's sun through a stepped planet: a huge reduction from a small difference.
   */
  const differential = (efficiency: number): Train => ({
    format: 'tin-wheel/train',
    version: 1,
    name: 'Gate screw drive',
    members: [
      { id: 'arm', name: 'arm' },
      { id: 'fixed', name: 'fixed sun' },
      { id: 'out', name: 'moving sun' },
      { id: 'planet', name: 'planet', carrier: 'arm', copies: 2 },
    ],
    gears: [
      { id: 'f', member: 'fixed', teeth: 50, type: 'external' },
      { id: 'pf', member: 'planet', teeth: 30, type: 'external' },
      { id: 'po', member: 'planet', teeth: 31, type: 'external' },
      { id: 'o', member: 'out', teeth: 49, type: 'external' },
    ],
    meshes: [
      { id: 'a', gears: ['f', 'pf'], efficiency },
      { id: 'b', gears: ['po', 'o'], efficiency },
    ],
    couplers: [{ id: 'hold', name: 'hold', type: 'brake', joins: ['fixed', 'frame'] }],
    positions: [{ id: 'run', name: 'run', engaged: ['hold'] }],
    input: 'arm',
    outputs: ['out'],
  });

  test('a drive that lives on a small difference loses most of its power forward and locks itself backward', () => {
    const open = openOf(differential(0.97));
    const forward = solveEngaged(open, ['hold'], { losses: true });
    expect(forward.status).toBe('drive');
    expect(compare(forward.efficiency!, { n: 1, d: 2 })).toBe(-1);
    expect(compare(forward.efficiency!, ZERO)).toBe(1);
    expect(driveBackward(open, ['hold']).verdict).toBe('drives');
    const backward = driveBackward(open, ['hold'], { losses: true });
    expect(backward.verdict).toBe('jams');
    expect(backward.solved.selfLocking).toBe(true);
  });

  test('with hardly any friction the same drive can be driven back', () => {
    expect(driveBackward(openOf(differential(0.9999)), ['hold'], { losses: true }).verdict).toBe('drives');
  });

  test('back efficiency counts when the second gear drives', () => {
    const winch = demoTrain('sluice-winch');
    const train: Train = {
      ...winch,
      meshes: winch.meshes.map((mesh) => ({ ...mesh, efficiency: 0.9, backEfficiency: 0.5 })),
    };
    const open = openOf(train);
    expect(toFraction(solveEngaged(open, [], { losses: true }).efficiency!)).toBe('729/1000');
    expect(toFraction(driveBackward(open, [], { losses: true }).solved.efficiency!)).toBe('1/8');
  });
});

describe('capacity', () => {
  test('a band that is too weak slips, and what it held then moves', () => {
    const lift = demoTrain('brine-lift');
    const train: Train = { ...lift, couplers: lift.couplers.map((coupler) => ({ ...coupler, capacity: 5 })) };
    const open = openOf(train);
    const [slip] = slipPoints(open, solveEngaged(open, ['band']));
    expect(slip).toMatchObject({ coupler: 'band', then: 'neutral' });
    expect(toFraction(slip!.inputTorque)).toBe('11/2');
    expect(slip!.moves).toContain('ring');
  });

  test('couplers without a capacity, or that carry nothing, have no slip point', () => {
    const train = demoTrain('draisine-hub');
    const open = openOf({
      ...train,
      couplers: train.couplers.map((coupler) => (coupler.id === 'holdB' ? { ...coupler, capacity: 1 } : coupler)),
    });
    expect(slipPoints(open, solveEngaged(open, engagedIn(train, '3')))).toEqual([]);
  });
});

describe('self-locking worm', () => {
  test('stands when nothing drives it and takes the reaction', () => {
    const train = demoTrain('conveyor-shifter');
    const solved = solveEngaged(openOf(train), []);
    const worm = solved.network.memberIndex.get('worm')!;
    expect(isZero(solved.state.speeds.of(worm)!)).toBe(true);
    expect(sign(jointTorque(solved.state, 'self-lock:m3')!)).toBe(-1);
  });

  test('a train driven through its wheel jams at once', () => {
    const train: Train = {
      format: 'tin-wheel/train',
      version: 1,
      name: 'Sluice screw',
      members: [
        { id: 'wheel', name: 'wheel' },
        { id: 'worm', name: 'worm' },
      ],
      gears: [
        { id: 'w', member: 'worm', teeth: 1, type: 'worm' },
        { id: 'z', member: 'wheel', teeth: 40, type: 'external' },
      ],
      meshes: [{ id: 'm', gears: ['w', 'z'], sense: 'same', selfLocking: true }],
      couplers: [],
      positions: [],
      input: 'wheel',
      outputs: ['worm'],
    };
    expect(solveEngaged(openOf(train), []).status).toBe('locked');
    const right = solveEngaged(openOf({ ...train, input: 'worm', outputs: ['wheel'] }), []);
    expect(toFraction(right.ratio!)).toBe('40');
  });
});
