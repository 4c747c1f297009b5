import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import { solveCoasting, solveEngaged, type Solved } from '../solve';
import type { Train } from '../train';
import { add, compare, equals, sum, toFraction, ZERO, type Rational } from '../rational';
import { contributions, memberFigures, meshRoles, powerFlow } from '.';
import { modelOf } from '../model';

const solve = (name: string, position: string): Solved => modelOf(demoTrain(name)).positions().get(position)!;
const story = (solved: Solved) =>
  powerFlow(solved)!.paths.map(({ share, stops }) => `${toFraction(share)} ${stops.map(({ id }) => id).join(' ')}`);

describe('torques on members', () => {
  test('sum to zero on every member of every train', () => {
    let checked = 0;
    fc.assert(
      fc.property(arbitraryTrain({ oneWays: true, outputs: true, worms: true }), fc.boolean(), (train, losses) =>
        modelOf(train)
          .positions({ losses })
          .forEach((solved) => {
            const totals = new Map<number, Rational | null>();
            for (const { member, torque } of contributions(solved)) {
              const before = totals.get(member) ?? (totals.has(member) ? null : ZERO);
              totals.set(member, before && torque ? add(before, torque) : null);
            }
            for (const total of totals.values()) {
              if (total === null) continue;
              checked++;
              expect(equals(total, ZERO)).toBe(true);
            }
          }),
      ),
      { numRuns: runs(150) },
    );
    expect(checked).toBeGreaterThan(200);
  });
});

describe('power paths', () => {
  test('the winch has one path through every mesh', () =>
    expect(story(solve('sluice-winch', 'wind'))).toEqual(['1 crank m1 idler m2 lay m3 drum']));

  test('two paths are told apart with their exact shares', () => {
    expect(story(solve('conveyor-shifter', 'fast'))).toEqual([
      '48/73 in m2 fast S worm m3 cross m4 case pin out',
      '25/73 in m1 top pin out',
    ]);
  });

  test('power going round in the harvester in reverse is flagged with its amount', () => {
    const { recirculating } = powerFlow(solve('harvester', 'R'))!;
    expect(
      recirculating.map(({ share, stops }) => `${toFraction(share)} ${stops.map(({ id }) => id).join(' ')}`),
    ).toEqual(['425/736 p3 r3s4 p4 out D c3']);
  });

  test('shares of an ideal train add up to one', () => {
    fc.assert(
      fc.property(arbitraryTrain({ oneWays: true, outputs: true, worms: true }), (train) =>
        modelOf(train)
          .positions()
          .forEach((solved) => {
            const flow = powerFlow(solved);
            if (!flow || flow.paths.length === 0) return;
            expect(toFraction(sum(flow.paths.map(({ share }) => share)))).toBe('1');
            flow.recirculating.forEach(({ share }) => expect(compare(share, ZERO)).toBe(1));
          }),
      ),
      { numRuns: runs(150) },
    );
  });

  test('a set that turns as one block passes power on like a shaft: nothing goes round in it', () => {
    const stirrer = demoTrain('stirrer');
    const block = {
      ...stirrer,
      outputs: ['ring'],
      couplers: [
        ...stirrer.couplers,
        { id: 'joined', name: 'joined', type: 'clutch' as const, joins: ['arm', 'ring'] as [string, string] },
      ],
    };
    const solved = solveEngaged(modelOf(block).open, ['joined']);
    expect(toFraction(solved.ratio!)).toBe('1');
    expect(powerFlow(solved)!.recirculating).toEqual([]);
    expect(story(solved)).toEqual(['1 sun p1 arm joined ring']);
  });

  test('a planet as output gets its path through its own set', () => {
    const stirrer = demoTrain('stirrer');
    const planet = stirrer.members.find(({ carrier }) => carrier !== undefined)!.id;
    const solved = solveEngaged(modelOf({ ...stirrer, outputs: [planet] }).open, ['hold']);
    expect(solved.status).toBe('drive');
    expect(story(solved)).toEqual([`1 sun ${planet} ${planet}`]);
  });

  test('two sets on one carrier are two stops, and the carrier between them is on the path with what passes', () => {
    const second = solve('ferry-hub', '2');
    expect(story(second)).toEqual(['1 sprocket low rollers lowRing lowPlanet carrier planet ring ring rollers shell']);
    const carrier = memberFigures(second).find(({ id }) => id === 'carrier')!;
    expect([toFraction(carrier.torque!), toFraction(carrier.power!), carrier.role]).toEqual(['10/7', '1', 'carries']);
  });

  test('what floats without torque, or stands between two brakes, does not hide the path', () =>
    ['1', '5'].forEach((position) => expect(powerFlow(solve('ferry-hub', position))).not.toBeNull()));

  test('with losses a share is what arrives of what enters', () => {
    const solved = modelOf(demoTrain('sluice-winch')).positions({ losses: true }).get('wind')!;
    expect(powerFlow(solved)!.paths.map(({ share }) => toFraction(share))).toEqual([toFraction(solved.efficiency!)]);
  });

  test('what is shared between parallel ways is not guessed', () =>
    expect(powerFlow(solve('wagon-axle', 'locked'))).toBeNull());
});

describe('roles', () => {
  test('the role of a gear changes with the position', () => {
    expect(meshRoles(solve('harvester', '2')).get('m3')).toBe('a drives');
    expect(meshRoles(solve('harvester', '4')).get('m3')).toBe('b drives');
    expect(meshRoles(solve('harvester', '6')).get('m3')).toBe('turns as one block');
    expect(meshRoles(solve('harvester', '2')).get('m1')).toBe('stands');
    expect(meshRoles(solve('pan-rake', '1')).get('m3')).toBe('idle');
  });

  test('members are held, idle, carrying, a block or floating', () => {
    const roles = Object.fromEntries(memberFigures(solve('harvester', '2')).map(({ id, role }) => [id, role]));
    expect(roles).toMatchObject({
      in: 'drives',
      out: 'gives out',
      s12: 'holds',
      c1r4: 'holds',
      r2s3: 'carries',
      c3: 'idle',
    });
    const ids = (position: string, keep: (figure: ReturnType<typeof memberFigures>[number]) => boolean) =>
      memberFigures(solve('harvester', position))
        .filter(keep)
        .map(({ id }) => id);
    expect(ids('2', ({ block }) => block)).toEqual(['r2s3', 'c3', 'r3s4', 'p3']);
    expect(ids('N', ({ speed }) => speed === null)).toEqual(['c3', 'r3s4', 'out', 'p3', 'p4']);
  });

  test('a shaft carries its torque, not the sum of both ends', () => {
    const figures = memberFigures(solve('sluice-winch', 'wind'));
    expect(figures.map(({ torque }) => toFraction(torque!))).toEqual(['1', '-25/14', '4', '-12']);
    expect(figures.map(({ power }) => toFraction(power!))).toEqual(['1', '1', '1', '1']);
  });

  test('coasting, the input gives out what the load puts in', () => {
    const open = modelOf(demoTrain('pan-rake')).open;
    const solved = solveCoasting(open, ['first']);
    const roles = new Map(memberFigures(solved).map(({ id, role }) => [id, role]));
    expect([roles.get('in'), roles.get('out')]).toEqual(['gives out', 'drives']);
    const [path] = powerFlow(solved)!.paths;
    expect([path!.stops[0]!.id, path!.stops.at(-1)!.id]).toEqual(['out', 'in']);
  });

  test('a driver whose inner split is open is the driver all the same', () => {
    const roles = new Map(memberFigures(solve('wagon-axle', 'locked')).map(({ id, role }) => [id, role]));
    expect(roles.get('prop')).toBe('drives');
  });

  /** A held sun of 20, an idler, and a planet of 20 that so goes round without turning, in a ring of 60. */
  const TRANSLATING: Train = {
    format: 'tin-wheel/train',
    version: 1,
    name: 'Rake that stays upright',
    members: [
      { id: 'sun', name: 'sun' },
      { id: 'arm', name: 'arm' },
      { id: 'ring', name: 'ring' },
      { id: 'idler', name: 'idler', carrier: 'arm' },
      { id: 'upright', name: 'upright', carrier: 'arm' },
    ],
    gears: [
      { id: 's', member: 'sun', teeth: 20, type: 'external' },
      { id: 'i', member: 'idler', teeth: 15, type: 'external' },
      { id: 'u', member: 'upright', teeth: 20, type: 'external' },
      { id: 'r', member: 'ring', teeth: 60, type: 'internal' },
    ],
    meshes: [
      { id: 'a', gears: ['s', 'i'] },
      { id: 'b', gears: ['i', 'u'] },
      { id: 'c', gears: ['u', 'r'] },
    ],
    couplers: [{ id: 'hold', name: 'Hold', type: 'brake', joins: ['sun', 'frame'] }],
    positions: [{ id: 'p', name: 'p', engaged: ['hold'] }],
    input: 'arm',
    outputs: ['ring'],
  };

  test('a planet that goes round without turning, and passes all power, carries it', () => {
    const solved = modelOf(TRANSLATING).positions().get('p')!;
    const upright = memberFigures(solved).find(({ id }) => id === 'upright')!;
    expect([toFraction(upright.speed!), upright.role, toFraction(upright.power!)]).toEqual(['0', 'carries', '1']);
  });

  test('a set that floats as a block does not stand', () => {
    const block: Train = {
      ...TRANSLATING,
      couplers: [{ id: 'lock', name: 'Lock', type: 'clutch', joins: ['arm', 'ring'] }],
      members: [...TRANSLATING.members, { id: 'crank', name: 'crank' }, { id: 'end', name: 'end' }],
      positions: [{ id: 'p', name: 'p', engaged: ['lock'] }],
      input: 'crank',
      outputs: ['end'],
    };
    const solved = modelOf(block).positions().get('p')!;
    expect(solved.state.speeds.of(1)).toBeNull();
    expect([...meshRoles(solved).values()]).toEqual(['turns as one block', 'turns as one block', 'turns as one block']);
    expect(memberFigures(solved).find(({ id }) => id === 'ring')).toMatchObject({ block: true, role: 'floats' });
  });

  test('a pin without a lever carries nothing, also where its chain shares', () => {
    // Two chains of equal sprockets side by side keep the planet upright: what each pulls is open, and their pins bear
    // no torque.
    const chain = (id: string): Train['gears'] => [
      { id: `${id}0`, member: 'sun', teeth: 20, type: 'sprocket' },
      { id: `${id}1`, member: 'upright', teeth: 20, type: 'sprocket' },
    ];
    const train: Train = {
      ...TRANSLATING,
      members: TRANSLATING.members.filter(({ id }) => id !== 'idler'),
      gears: [...chain('x'), ...chain('y'), ...TRANSLATING.gears.filter(({ id }) => id === 'u' || id === 'r')],
      meshes: [
        { id: 'x', gears: ['x0', 'x1'] },
        { id: 'y', gears: ['y0', 'y1'] },
        { id: 'c', gears: ['u', 'r'] },
      ],
    };
    const solved = modelOf(train).positions().get('p')!;
    const arm = contributions(solved).filter(({ source }) => source.kind === 'mesh' && source.side === 'arm');
    expect(arm.map(({ torque }) => torque && toFraction(torque)).slice(0, 2)).toEqual(['0', '0']);
    expect(memberFigures(solved).find(({ id }) => id === 'arm')!.torque).not.toBeNull();
  });
});
