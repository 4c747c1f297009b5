import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { checkedTrain } from '@/testing/checked-train';
import { demoTrain } from '@/testing/demo-train';
import { pairTrain } from '@/testing/pair-train';
import { runs } from '@/testing/runs';
import { centreOf, endView, type EndViewGear } from '../end-view';
import { axisLines, gearModules, geometryOf, meshingGears } from '../geometry';
import { modelOf } from '../model';
import { contributions } from '../powerflow';
import { toNumber } from '../rational';
import { rackAcross, rackOf } from '../shapes';
import { structureOf } from '../structure';
import { checkTrain, parseTrain, partsById, type Train } from '../train';
import { helixHands } from '../parts';
import { contactLoads, copiesOf, memberForces, meshForces, shaftForces, turningForces, type Vector } from '.';

const caseText = (name: string) => readFileSync(join(__dirname, 'cases', name), 'utf8');
const use = { torqueNm: 6, speedRpm: 1000 };
const forcesOf = (train: Train, position = '1', torqueNm = 6) =>
  meshForces(modelOf(train).solvedIn(position), { ...use, torqueNm });

test('a helical pair, by the independent solver', () => {
  const parsed = parseTrain(caseText('metal-helical.train.json'));
  if (!parsed.ok) throw new Error('The case does not read.');
  const { torqueNm, positions } = JSON.parse(caseText('metal-helical.forces.json')) as {
    torqueNm: number;
    positions: { 1: { meshes: { ab: Record<string, number> } } };
  };
  const found = forcesOf(parsed.train, '1', torqueNm).get('ab')!;
  const expected = positions[1].meshes.ab;
  expect(found.tangentialN).toBeCloseTo(expected.tangentialN!, 9);
  expect(found.radialN).toBeCloseTo(expected.radialN!, 9);
  expect(Math.abs(found.axialN)).toBeCloseTo(expected.axialNSize!, 9);
  expect(found.perMmN).toBeCloseTo(expected.perMmN!, 9);
});

test('a worm that is named second is read as one that is named first', () => {
  const [worm, wheel] = [
    { teeth: 2, type: 'worm' as const, module: 4 },
    { teeth: 40, module: 4 },
  ];
  const drive = { train: { input: 'out', outputs: ['in'] } };
  const first = pairTrain(worm, wheel, { mesh: { efficiency: 0.6, backEfficiency: 0.3 } });
  const second = pairTrain(wheel, worm, { ...drive, mesh: { efficiency: 0.3, backEfficiency: 0.6 } });
  const [one, other] = [first, second].map((train) => forcesOf(train).get('ab')!);
  expect([other!.tangentialN, other!.axialN, other!.radialN]).toEqual([one!.tangentialN, one!.axialN, one!.radialN]);
  // By hand: a worm of 8 modules, its thrust the wheel's push along its own circle.
  expect(one!.tangentialN).toBeCloseTo((2000 * 6) / (8 * 4), 9);
  expect(one!.axialN).toBeCloseTo((2000 * 6 * 20) / (40 * 4), 9);
  expect(one!.radialN).toBeCloseTo(one!.axialN * Math.tan((20 * Math.PI) / 180), 9);
  for (const train of [first, second]) {
    expect(train.meshes[0]).toMatchObject({ efficiency: 0.6, backEfficiency: 0.3 });
    expect(partsById(train).pair(train.meshes[0]!)[0].type).toBe('worm');
  }
  const read = checkTrain({ ...second, meshes: [{ ...second.meshes[0]!, gears: ['a', 'b'] }] });
  expect(read.ok && read.told).toEqual([{ path: ['meshes', 0, 'gears'], message: expect.stringContaining('worm') }]);
  // Without an efficiency of its own, forward is the train's.
  const back = {
    ...second,
    efficiency: 0.9,
    meshes: [{ id: 'ab', gears: ['a', 'b'], sense: 'opposite', backEfficiency: 0.5 }],
  };
  const turned = checkTrain(back);
  expect(turned.ok && turned.train.meshes[0]).toMatchObject({ efficiency: 0.5, backEfficiency: 0.9 });
});

test('turned round, what is put in turns the forces along the teeth and along the axis, not those apart', () => {
  const train = pairTrain({ teeth: 19, module: 2.5, helix: 20 }, { teeth: 38, module: 2.5, helix: -20 });
  const [ahead, back] = [6, -6].map((torque) => contactLoads(train, forcesOf(train, '1', torque)));
  ahead!.forEach(({ force, place: { from } }, i) => {
    const other = back![i]!.force;
    const size = Math.hypot(from.own.x, from.own.y);
    const [ux, uy] = [from.own.x / size, from.own.y / size];
    const along = ({ x, y }: Vector) => x * ux + y * uy;
    const across = ({ x, y }: Vector) => -x * uy + y * ux;
    expect(along(other)).toBeCloseTo(along(force), 9);
    expect(across(other)).toBeCloseTo(-across(force), 9);
    expect(other.z).toBeCloseTo(-force.z, 9);
  });
  // A right-handed pinion that turns clockwise as one looks along the axis, and drives, is pushed ahead.
  expect(forcesOf(train).get('ab')!.axialN).toBeGreaterThan(0);
});

test('by hand: a planet between a sun and a held ring; the sun is pushed from all sides', () => {
  const stirrer = demoTrain('stirrer');
  const train: Train = { ...stirrer, gears: stirrer.gears.map((gear) => ({ ...gear, module: 2 })) };
  const sun = train.gears.find(({ member }) => member === train.input)!;
  const planet = train.members.find(({ carrier }) => carrier !== undefined)!;
  const position = train.positions.find(({ id }) => rankable(train, id))!.id;
  const forces = forcesOf(train, position);
  const tangential = (2000 * 6) / (2 * sun.teeth) / planet.copies!;
  for (const found of forces.values()) expect(found!.tangentialN).toBeCloseTo(tangential, 9);
  const members = memberForces(train, forces);
  // Sun and ring push the planet the same way; what pushes it out and in is the same.
  expect(members.get(planet.id)!.pinN).toBeCloseTo(2 * tangential, 9);
  expect(members.get(sun.member)!.balanced).toBe(true);
});

test('by hand: a planet that turns with its carrier pulls at its pin, and nothing is said where a size is missing', () => {
  const stirrer = demoTrain('stirrer');
  const heavy: Train = {
    ...stirrer,
    gears: stirrer.gears.map((gear) => ({ ...gear, module: 2, faceWidth: 20, bore: 10, material: 'steel' })),
  };
  const planet = heavy.members.find(({ carrier }) => carrier !== undefined)!;
  const gear = heavy.gears.find(({ member }) => member === planet.id)!;
  const sun = heavy.gears.find(({ type, member }) => type === 'external' && member !== planet.id)!;
  const position = heavy.positions.find(({ id }) => rankable(heavy, id))!.id;
  const solved = modelOf(heavy).solvedIn(position);
  const turns = toNumber(solved.state.speeds.of(solved.network.memberIds.indexOf(planet.carrier!))!);
  const mass = 7850 * Math.PI * (gear.teeth ** 2 - 5 ** 2) * 1e-6 * 0.02;
  const expected = mass * ((sun.teeth + gear.teeth) / 1000) * ((turns * 1000 * 2 * Math.PI) / 60) ** 2;
  const turning = turningForces(solved, use);
  expect(turning.get(planet.id)! / expected).toBeCloseTo(1, 9);
  // Teeth push the pin along the circle of pins, and out as much as in.
  const forces = forcesOf(heavy, position);
  const still = memberForces(heavy, forces).get(planet.id)!;
  const moved = memberForces(heavy, forces, turning).get(planet.id)!;
  expect(moved.pinN! / Math.hypot(still.pinN!, expected)).toBeCloseTo(1, 6);
  expect(turningForces(solved, { ...use, speedRpm: null }).size).toBe(0);
  const light = { ...heavy, gears: heavy.gears.map(({ material: _, ...rest }) => rest) };
  expect(turningForces(modelOf(light).solvedIn(position), use).size).toBe(0);
});

/** A position in which all meshes carry. */
const rankable = (train: Train, position: string) =>
  [...forcesOf(train, position).values()].every((found) => found !== null && found.tangentialN > 0);

test('two bearings of a shaft with a wheel in the middle, at a quarter, and beyond them', () => {
  const load = (z: number, force: Partial<Vector>) => ({
    force: { x: 0, y: 0, z: 0, ...force },
    at: { x: 0, y: 0, z },
  });
  const middle = shaftForces([0, 100], [load(50, { y: -80 })]);
  expect(middle.bearings.map(({ n, angleDeg }) => [n, angleDeg])).toEqual([
    [40, 90],
    [40, 90],
  ]);
  expect(middle.bendingNm).toBeCloseTo(2, 9);
  expect(shaftForces([0, 100], [load(25, { x: 100 })]).bearings.map(({ n }) => n)).toEqual([75, 25]);
  expect(shaftForces([0, 100], [load(150, { x: 100 })]).bearings.map(({ n, angleDeg }) => [n, angleDeg])).toEqual([
    [50, 0],
    [150, 180],
  ]);
  // A thrust off the axis is a couple.
  const thrust = shaftForces([0, 100], [{ force: { x: 0, y: 0, z: 60 }, at: { x: 0, y: 20, z: 40 } }]);
  expect(thrust.bearings.map(({ n }) => n)).toEqual([12, 12]);
  expect(thrust.thrustN).toBe(60);
});

/** A random train with sizes, hands that run together, places along the axis and bearings. */
const sized = arbitraryTrain({ outputs: true, worms: true, oneWays: true }).map((train): Train => {
  const modules = gearModules(train, axisLines(structureOf(train)));
  const hands = helixHands(train);
  // What meshes stands at one place.
  const groups = meshingGears(train);
  const full = {
    ...train,
    stationLength: 14,
    gears: train.gears.map((gear) => ({
      ...gear,
      module: modules.get(gear.id)!,
      station: (7 * groups.findIndex((group) => group.includes(gear.id))) % 5,
      faceWidth: 10,
      ...((gear.type === 'external' || gear.type === 'internal') && { helix: 15 * hands.get(gear.id)! }),
    })),
    members: train.members.map((member, i) => ({ ...member, bearings: [-20 - i, 90 + 3 * i] as const })),
  };
  const read = checkTrain(full);
  if (!read.ok) throw new Error('A random train does not hold.');
  return read.train;
});

/** The same, but some members have no bearings of their own. */
const loose = fc
  .tuple(sized, fc.array(fc.boolean(), { minLength: 12, maxLength: 12 }))
  .map(([train, picks]): Train => ({
    ...train,
    members: train.members.map(({ bearings, ...member }, i) => ({
      ...member,
      ...(bearings && !picks[i % picks.length] && { bearings }),
    })),
  }));

const cross = (a: Vector, b: Vector): Vector => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
});
const plus = (a: Vector, b: Vector): Vector => ({ x: a.x + b.x, y: a.y + b.y, z: a.z + b.z });
const NONE: Vector = { x: 0, y: 0, z: 0 };

test('random trains: every contact pushes along the common normal of its flanks, with the torque that was solved', () => {
  let seen = 0;
  fc.assert(
    fc.property(sized, (train) => {
      const parts = partsById(train);
      for (const { id } of train.positions) {
        const solved = modelOf(train).solvedIn(id);
        const forces = meshForces(solved, use);
        const torques = new Map<string, number>();
        if (solved.state.load.outcome === 'balanced')
          for (const { source, torque } of contributions(solved))
            if (source.kind === 'mesh' && source.side !== 'arm' && torque)
              torques.set(`${source.id} ${source.side}`, toNumber(torque) * use.torqueNm);
        for (const { place, force } of contactLoads(train, forces)) {
          const { mesh, gear, from } = place;
          const found = parts.mesh(mesh);
          const copies = copiesOf(train, found);
          const side = found.gears[0] === gear ? 'a' : 'b';
          const torque = (torques.get(`${mesh} ${side}`) ?? 0) / copies;
          const at = { ...from.own, z: 0 };
          expect(cross(at, force).z / 1000).toBeCloseTo(torque, 9);
          if (torque === 0) continue;
          seen++;
          // Along the line of action: tangent to the base cylinder, leaning by the base helix.
          const wheel = geometryOf(train).gear(gear)!;
          const across = Math.hypot(force.x, force.y);
          expect(across).toBeCloseTo((1000 * Math.abs(torque)) / wheel.form.baseRadius, 6);
          const rack = rackAcross(rackOf(train), wheel.spec.moduleMm, wheel.spec.helixDegrees!);
          const lean = Math.tan((wheel.spec.helixDegrees! * Math.PI) / 180) * Math.cos(rack.pressureAngle);
          expect(Math.abs(force.z)).toBeCloseTo(Math.abs(across * lean), 6);
        }
      }
    }),
    { numRuns: runs(150) },
  );
  expect(seen).toBeGreaterThan(20);
});

test.each([
  ['with bearings on every member', sized, 0],
  ['with loose wheels, which ride on shafts', loose, 5],
] as const)('random trains %s: each member, and the housing as a whole, are in balance', (_, trains, leastRiding) => {
  let [seen, riding] = [0, 0];
  fc.assert(
    fc.property(trains, (train) => {
      // A worm lies across: where it is drawn says nothing about its shaft.
      const isAcross = ({ shape }: EndViewGear) => shape !== 'toothed' && shape !== 'ring';
      const places = new Map(
        endView(train, []).flatMap(({ wheels }) =>
          wheels.flatMap((wheel) =>
            isAcross(wheel)
              ? []
              : wheel.orbit === null
                ? [[wheel.member, centreOf(wheel, () => 0)] as const]
                : [[wheel.orbit.carrier, wheel.centre] as const],
          ),
        ),
      );
      for (const { id } of train.positions) {
        const forces = meshForces(modelOf(train).solvedIn(id), use);
        const loads = contactLoads(train, forces);
        const members = memberForces(train, forces);
        // Action and reaction.
        const sum = loads.reduce((total, { force }) => plus(total, force), NONE);
        const size = loads.reduce((total, { force }) => total + Math.hypot(force.x, force.y, force.z), 1);
        expect(Math.hypot(sum.x, sum.y, sum.z) / size).toBeLessThan(1e-9);
        let [force, moment] = [NONE, NONE];
        let whole = true;
        for (const { id: member, carrier } of train.members) {
          if (carrier !== undefined) continue;
          const { shaft } = members.get(member)!;
          const centre = places.get(member);
          const on = members.get(member)!.ridesOn;
          // What rides on a shaft is in the balance of that shaft.
          if (on !== null && members.get(on)!.shaft) continue;
          if (!shaft || !centre) {
            // What is known of its planets pushes a carrier of which not all is known.
            whole &&= !loads.some(({ place }) => place.member === member || place.carrier === member);
            continue;
          }
          // The member by itself: its contacts, and those of the planets that it carries, against its bearings.
          const borne = [...members].flatMap(([id, { ridesOn }]) => (ridesOn === member ? [id] : []));
          const isBorne = (id: string | undefined) => id === member || (id !== undefined && borne.includes(id));
          const own = loads.flatMap(({ place, force }) => {
            const at = isBorne(place.member)
              ? place.from.own
              : isBorne(partsById(train).find.member(place.member)?.carrier)
                ? place.from.carrier
                : null;
            return at ? [{ force, at }] : [];
          });
          if (borne.some((id) => loads.some(({ place }) => place.member === id))) riding++;
          const reactions = shaft.bearings.map(({ n, angleDeg, atMm }) => ({
            force: {
              x: n * Math.cos(((angleDeg ?? 0) * Math.PI) / 180),
              y: n * Math.sin(((angleDeg ?? 0) * Math.PI) / 180),
              z: 0,
            },
            at: { x: 0, y: 0, z: atMm },
          }));
          const all = [...own, ...reactions];
          const net = all.reduce((total, one) => plus(total, one.force), NONE);
          const turning = all.reduce((total, one) => plus(total, cross(one.at, one.force)), NONE);
          const scale = own.reduce((total, one) => total + Math.hypot(one.force.x, one.force.y, one.force.z), 1);
          expect(Math.hypot(net.x, net.y) / scale).toBeLessThan(1e-9);
          expect(Math.hypot(turning.x, turning.y) / scale).toBeLessThan(1e-7);
          if (own.length > 0) seen++;
          for (const one of reactions) {
            force = plus(force, one.force);
            moment = plus(moment, cross(plus(one.at, { ...centre, z: 0 }), one.force));
          }
          const thrust = { x: 0, y: 0, z: -shaft.thrustN };
          force = plus(force, thrust);
          moment = plus(moment, cross({ ...centre, z: 0 }, thrust));
        }
        // Where pairs between the same axes agree on their distance, the reactions hold each other, but for torque.
        if (!whole || !agree(train)) continue;
        expect(Math.hypot(force.x, force.y, force.z) / size).toBeLessThan(1e-9);
        expect(Math.hypot(moment.x, moment.y) / size).toBeLessThan(1e-6);
      }
    }),
    { numRuns: runs(150) },
  );
  expect(seen).toBeGreaterThan(20);
  expect(riding).toBeGreaterThanOrEqual(leastRiding);
});

test('by hand: a clutched wheel in the middle of its shaft loads both bearings with half; unclear, it is said', () => {
  const wheel = (id: string, member: string, teeth: number, station: number) =>
    ({ id, member, teeth, type: 'external', module: 2, faceWidth: 10, station }) as const;
  const box = (more: object = {}) =>
    checkedTrain({
      name: 'Salt barrow box',
      stationLength: 10,
      members: [
        { id: 'in', name: 'input shaft', bearings: [0, 100] },
        { id: 'low', name: 'low gear' },
        { id: 'out', name: 'output shaft', bearings: [0, 100] },
        { id: 'tail', name: 'tail shaft' },
      ],
      gears: [wheel('a', 'in', 20, 5), wheel('b', 'low', 40, 5)],
      meshes: [{ id: 'ab', gears: ['a', 'b'] }],
      couplers: [
        { id: 'L', name: 'Low', type: 'clutch', joins: ['low', 'out'] },
        { id: 'T', name: 'Tail', type: 'clutch', joins: ['out', 'tail'] },
      ],
      positions: [{ id: '1', name: '1', engaged: ['L'] }],
      input: 'in',
      outputs: ['out'],
      ...more,
    });
  const train = box();
  const members = memberForces(train, forcesOf(train));
  const tooth = (2000 * 6) / 40 / Math.cos((20 * Math.PI) / 180);
  for (const { n } of members.get('out')!.shaft!.bearings) expect(n).toBeCloseTo(tooth / 2, 9);
  expect([members.get('low')!.ridesOn, members.get('low')!.lacks, members.get('out')!.lacks]).toEqual([
    'out',
    null,
    null,
  ]);
  // With two shafts on its line the coupler says which; without one that says it, nobody is told nothing.
  const two = box({
    members: train.members.map((member) => (member.id === 'tail' ? { ...member, bearings: [110, 150] } : member)),
  });
  expect(memberForces(two, forcesOf(two)).get('low')!.ridesOn).toBe('out');
  const apart = box({
    members: two.members,
    couplers: [
      { id: 'L', name: 'Low', type: 'clutch', joins: ['low', 'out'] },
      { id: 'M', name: 'Mid', type: 'clutch', joins: ['low', 'tail'] },
    ],
    positions: [{ id: '1', name: '1', engaged: ['L'] }],
  });
  const unclear = memberForces(apart, forcesOf(apart));
  expect(unclear.get('out')).toMatchObject({ shaft: null, lacks: expect.stringContaining('low gear') });
  expect(unclear.get('tail')!.lacks).toContain('low gear');
});

/** Do wheels stand as far apart in the end view as they run? */
function agree(train: Train): boolean {
  const fits = train.meshes.every((mesh) => {
    const [ring, mate] = [...partsById(train).pair(mesh)].sort((a, b) => b.teeth - a.teeth);
    return mate!.type !== 'internal' && (ring!.type !== 'internal' || ring!.teeth > mate!.teeth);
  });
  if (!fits) return false;
  return endView(train, []).every(({ wheels, meshes }) =>
    meshes.every(({ a, b, mesh }) => {
      const centre = geometryOf(train).mesh(mesh)?.running.centreMm;
      const [p, q] = [wheels[a]!, wheels[b]!].map((wheel) => centreOf(wheel, () => 0));
      return centre === undefined || Math.abs(Math.hypot(p!.x - q!.x, p!.y - q!.y) - centre) < 1e-9;
    }),
  );
}
