import fc from 'fast-check';
import { strFromU8, unzipSync } from 'fflate';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { checkedTrain } from '@/testing/checked-train';
import { demoTrain, demoTrains } from '@/testing/demo-train';
import { readGltf } from '@/testing/read-gltf';
import { pairTrain } from '@/testing/pair-train';
import { runs, someOf } from '@/testing/runs';
import { inEachOthersTeeth, openEdgesOf, overlapsOf, volumeOf } from '@/testing/solid-bodies';
import { modelOf } from '../model';
import { toNumber } from '../rational';
import { itemAt, required } from '../required';
import { solveEngaged } from '../solve';
import { memberMoves, NOTHING_TURNED, turnFurther } from '../turning';
import { fraction } from '../rational';
import type { Train } from '../train';
import { bodyGlb, bodyOf, bodyStlZip, motionOf, poseOf, slidPhase, triangleCount, type TrainBody } from '.';
import { SurfaceBuilder } from './surface';
import { addTurned } from './turned';
import '@/testing/seed';

const bodies = new Map<string, TrainBody>();

/** Of a demo train, made once. */
function body(train: Train): TrainBody {
  const key = JSON.stringify(train);
  const known = bodies.get(key) ?? makeBody(train);
  bodies.set(key, known);
  return known;
}

function makeBody(train: Train): TrainBody {
  const made = bodyOf(train);
  if (!made.ok) throw new Error(made.problems[0].message);
  return made.value;
}

const triangles = ({ nodes, surfaces }: TrainBody) =>
  nodes.reduce((sum, { surface }) => sum + triangleCount(itemAt(surfaces, surface)), 0);

describe('what is turned about an axis', () => {
  // By the theorem of Pappus, from the section alone; flat sides cut off a known part.
  test('has the volume that its section has by Pappus, hollow or solid', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.5, max: 9, noNaN: true }), { minLength: 3, maxLength: 9 }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        fc.integer({ min: 8, max: 80 }),
        (reach, inner, sides) => {
          // A star-shaped section about a middle that lies above the axis.
          const middle = inner + Math.max(...reach) + 0.01;
          const section = reach.map((far, i) => {
            const angle = (2 * Math.PI * i) / reach.length;
            return { z: far * Math.cos(angle), r: middle + far * Math.sin(angle) };
          });
          const builder = new SurfaceBuilder();
          addTurned(builder, section, sides);
          const surface = builder.finish();
          let moment = 0;
          section.forEach((a, i) => {
            const b = itemAt(section, (i + 1) % section.length);
            moment += ((a.z * b.r - b.z * a.r) * (a.r + b.r)) / 6;
          });
          const pappus = 2 * Math.PI * moment * ((sides / (2 * Math.PI)) * Math.sin((2 * Math.PI) / sides));
          expect(openEdgesOf(surface)).toBe(0);
          expect(volumeOf(surface) / pappus).toBeCloseTo(1, 4);
        },
      ),
      { numRuns: runs(150) },
    );
  });

  test('closes on the axis where the section reaches it', () => {
    const builder = new SurfaceBuilder();
    addTurned(
      builder,
      [
        { z: 0, r: 0 },
        { z: 4, r: 0 },
        { z: 4, r: 3 },
        { z: 0, r: 3 },
      ],
      500,
    );
    expect(openEdgesOf(builder.finish())).toBe(0);
    expect(volumeOf(builder.finish())).toBeCloseTo(Math.PI * 9 * 4, 1);
  });
});

describe('the body of a train', () => {
  test.each(someOf(demoTrains()).map((train) => [train.name, train] as const))(
    'is closed and faces outward: %s',
    (_, train) => {
      const { surfaces } = body(train);
      expect(surfaces.length).toBeGreaterThan(2);
      for (const surface of surfaces) {
        expect(openEdgesOf(surface)).toBe(0);
        expect(volumeOf(surface)).toBeGreaterThan(0);
        expect(surface.normals.every(Number.isFinite)).toBe(true);
      }
    },
  );

  test('of any train is closed, or it is said why there is none', () => {
    fc.assert(
      fc.property(arbitraryTrain({ oneWays: true, outputs: true, worms: true }), (train) => {
        const made = bodyOf(train, { effort: 0.3 });
        if (!made.ok) return expect(made.problems[0].message).toMatch(/\.$/);
        for (const surface of made.value.surfaces) {
          expect(openEdgesOf(surface)).toBe(0);
          expect(volumeOf(surface)).toBeGreaterThan(0);
        }
      }),
      { numRuns: runs(36) },
    );
  });

  test.each(['harvester', 'mud-tram', 'crawler', 'draisine-hub'])(
    'no two members of the %s are in each other',
    (name) => {
      const train = demoTrain(name);
      const made = body(train);
      expect(made.touching).toEqual([]);
      const size = Math.max(
        ...made.surfaces.flatMap(({ positions }) => positions.reduce((most, value) => Math.max(most, value), 0)),
      );
      const overlaps = overlapsOf(made, 250, () => 0, { isExpected: inEachOthersTeeth(train, made) });
      expect(overlaps.filter(({ long }) => long > 1e-4 * size)).toEqual([]);
    },
  );

  test('a gear in a ring runs clear of its disc and shafts, whatever the widths, whichever drives', () => {
    const count = fc.integer({ min: 12, max: 40 });
    const width = fc.integer({ min: 4, max: 40 });
    fc.assert(
      fc.property(count, fc.integer({ min: 12, max: 60 }), width, width, fc.boolean(), (teeth, more, a, b, swap) => {
        const [gear, ring] = [
          { teeth, module: 2, faceWidth: a },
          { teeth: teeth + more, type: 'internal' as const, module: 2, faceWidth: b },
        ];
        const train = swap ? pairTrain(ring, gear) : pairTrain(gear, ring);
        const made = body(train);
        expect(made.touching).toEqual([]);
        const found = overlapsOf(made, 150, () => 0, { isExpected: inEachOthersTeeth(train, made) });
        expect(found.filter(({ long }) => long > 0.02)).toEqual([]);
      }),
      { numRuns: runs(36) },
    );
  });

  test('where the shaft of a gear in a ring must go on at both sides, that is named', () => {
    const wheel = (id: string, member: string, teeth: number, station: number, type = 'external') => ({
      ...{ id, member, teeth, station, type, module: 2 },
    });
    const train = checkedTrain({
      name: 'Pump drive',
      members: ['in', 'lay', 'near', 'far'].map((id) => ({ id, name: id })),
      gears: [
        wheel('ring', 'in', 60, 1, 'internal'),
        wheel('pinion', 'lay', 18, 1),
        wheel('a', 'lay', 24, 0),
        wheel('b', 'near', 26, 0),
        wheel('c', 'lay', 22, 2),
        wheel('d', 'far', 28, 2),
      ],
      meshes: [
        { id: 'r', gears: ['pinion', 'ring'] },
        { id: 'ab', gears: ['a', 'b'] },
        { id: 'cd', gears: ['c', 'd'] },
      ],
      couplers: [],
      positions: [{ id: '1', name: '1', engaged: [] }],
      input: 'in',
      outputs: ['near', 'far'],
    });
    const made = body(train);
    const found = overlapsOf(made, 400, () => 0, { isExpected: inEachOthersTeeth(train, made) });
    const deep = found.filter(({ long }) => long > 0.05);
    expect(deep.map(({ members }) => members.join('|'))).toContain('in|lay');
    const told = new Set(made.touching.map(({ members }) => [...members].sort().join('|')));
    for (const { members } of deep) expect([...told]).toContain(members.join('|'));
  });

  test.each(someOf(demoTrains()).map((train) => [train.name, train] as const))(
    'what lets go stands clear of what it held: %s',
    (_, train) => {
      const made = body(train);
      const isExpected = inEachOthersTeeth(train, made);
      const [shut, open] = [1, 0].map(
        (by) =>
          new Map(
            overlapsOf(made, 250, () => 0, { closed: () => by, isExpected }).map(({ members, long }) => [
              members.join('|'),
              long,
            ]),
          ),
      ) as [Map<string, number>, Map<string, number>];
      for (const { joins } of train.couplers.flatMap((one) => ('joins' in one ? [one] : []))) {
        const key = [...joins].sort().join('|');
        expect([key, (open.get(key) ?? 0) > (shut.get(key) ?? 0) + 1e-3]).toEqual([key, false]);
      }
    },
  );

  // What is found without the body's own account of its room has to be in that account.
  test.each(someOf(demoTrains()).map((train) => [train.name, train] as const))(
    'names members that touch: %s',
    (_, train) => {
      const made = body(train);
      const told = new Set(made.touching.map(({ members }) => [...members].sort().join('|')));
      const carried = train.members.flatMap(({ id, carrier }) => (carrier ? [[id, carrier] as string[]] : []));
      // A chain lies in the teeth of its wheels.
      const chained = train.gears.flatMap(({ type, member }) =>
        type === 'sprocket' || type === 'pulley' ? [['frame', member] as string[]] : [],
      );
      const expected = new Set([...carried, ...chained].map((pair) => [...pair].sort().join('|')));
      const across = made.axes.some(({ directions }) => Math.abs(directions[2][2]) < 0.5);
      // Axes that lie across are not looked at.
      if (across) return;
      const found = overlapsOf(made, 200, () => 0, { isExpected: inEachOthersTeeth(train, made) }).filter(
        ({ members, long }) => long > 0.05 && !expected.has(members.join('|')),
      );
      for (const { members } of found) expect([...told]).toContain(members.join('|'));
    },
  );

  test('a shaft that a wheel would sweep through is named', () => {
    const pan = body(demoTrain('pan-rake'));
    expect(pan.touching.map(({ members }) => [...members].sort())).toContainEqual(['in', 'lay']);
  });

  test('every member stands where its exact counter says', () => {
    for (const train of [demoTrain('harvester'), demoTrain('mud-tram'), demoTrain('wagon-axle')]) {
      const made = body(train);
      const solved = solveEngaged(modelOf(train).open, itemAt(train.positions, 0).engaged);
      const turned = turnFurther(NOTHING_TURNED, memberMoves(solved), fraction(37, 5));
      const turns = (member: string) => toNumber(turned.members.get(member) ?? fraction(0));
      for (const node of made.nodes) {
        const axis = itemAt(made.axes, node.axis);
        const pose = poseOf(node, axis, turns, () => 1);
        const { carried } = node;
        if (carried?.outward) continue;
        const [X, Y] = axis.directions;
        const along = (direction: readonly number[]) =>
          direction.reduce((sum, value, k) => sum + value * itemAt(pose, k), 0);
        const angle = Math.atan2(along(Y), along(X));
        const wanted = node.phase + axis.spin * 2 * Math.PI * turns(node.member);
        expect(Math.cos(angle - wanted)).toBeCloseTo(1, 9);
        if (!carried) continue;
        const round = carried.angle + axis.spin * 2 * Math.PI * turns(carried.carrier);
        expect(itemAt(pose, 12) - axis.origin[0]).toBeCloseTo(carried.radius * Math.cos(round), 6);
        expect(itemAt(pose, 13) - axis.origin[1]).toBeCloseTo(carried.radius * Math.sin(round), 6);
      }
    }
  });

  test('a coupler that lets go stands off from where it holds', () => {
    const made = body(demoTrain('harvester'));
    const halves = made.nodes.filter(({ letsGo }) => letsGo && letsGo.by.along !== 0);
    expect(halves.length).toBeGreaterThan(2);
    for (const node of halves) {
      const at = (closed: number) =>
        itemAt(
          poseOf(
            node,
            itemAt(made.axes, 0),
            () => 0,
            () => closed,
          ),
          14,
        );
      expect(at(0) - at(1)).toBeCloseTo(required(node.letsGo).by.along, 9);
    }
  });

  test('a slid wheel finds the gaps of its mate wherever both have come to', () => {
    const train = demoTrain('pan-rake');
    const made = body(train);
    expect(made.sliding.length).toBeGreaterThan(0);
    for (const sliding of made.sliding) {
      const { own, mate } = sliding;
      for (const [a, b] of [
        [0, 0],
        [0.37, 4.21],
        [-11.05, 2.5],
      ] as const) {
        const turns = (member: string) => (member === own.wheel.member ? a : b);
        const phase = own.phase + slidPhase(sliding, turns);
        // Past the place where pitch circles touch, in pitches: half a pitch together, as teeth stand in gaps.
        const across = Math.atan2(mate.wheel.centre.y - own.wheel.centre.y, mate.wheel.centre.x - own.wheel.centre.x);
        const past = (angle: number, at: number, teeth: number, by: number) =>
          ((angle - at - 2 * Math.PI * by) * teeth) / (2 * Math.PI);
        const sum =
          past(across, phase, own.wheel.teeth, a) + past(across + Math.PI, mate.phase, mate.wheel.teeth, b) - 0.5;
        expect(Math.abs(sum - Math.round(sum))).toBeLessThan(1e-6);
      }
    }
  });

  test('two of its wheels turn true to size where modules are given, and are told not to be else', () => {
    const plain = demoTrain('harvester');
    expect(body(plain).isTrue).toBe(plain.gears.every(({ module: own }) => own !== undefined));
    const sized = { ...plain, gears: plain.gears.map((gear) => ({ ...gear, module: 2.5 })) };
    const reach = (made: TrainBody) =>
      Math.max(...made.surfaces.map(({ positions }) => positions.reduce((a, b) => Math.max(a, b), 0)));
    expect(body(sized as Train).isTrue).toBe(true);
    const doubled = { ...plain, gears: plain.gears.map((gear) => ({ ...gear, module: 5 })) };
    expect(reach(body(doubled as Train)) / reach(body(sized as Train))).toBeCloseTo(2, 3);
  });
});

describe('the body as a file', () => {
  const train = demoTrain('harvester');
  const motion = motionOf(train, itemAt(train.positions, 0).engaged);

  test('glTF is read back by another reader with its members and triangles', () => {
    const made = body(train);
    const { nodes, turning } = readGltf(bodyGlb(train, made, motion, () => [0.2, 0.4, 0.6]));
    const drawn = train.members.filter(({ id }) => made.nodes.some(({ member }) => member === id));
    for (const { id, name } of drawn) expect(nodes.filter((node) => node.name === (name || id))).toHaveLength(1);
    expect(nodes.reduce((sum, node) => sum + node.triangles, 0)).toBe(triangles(made));
    expect(turning.length).toBeGreaterThanOrEqual(drawn.filter(({ id }) => motion.turns(id) !== 0).length);
    // From key to key less than an eighth of a turn, so that it is clear which way round.
    for (const { keys } of turning)
      keys.slice(1).forEach((key, i) => {
        const cosine = key.reduce((sum, value, k) => sum + value * itemAt(itemAt(keys, i), k), 0);
        expect(Math.abs(cosine)).toBeGreaterThan(Math.cos(Math.PI / 8) - 1e-6);
      });
  });

  test('after one turn of the input the output has turned as it is computed', () => {
    const { turning } = readGltf(bodyGlb(train, body(train), motion, () => [1, 1, 1]));
    const output = required(train.members.find(({ id }) => id === train.outputs[0]));
    const { keys } = required(turning.find(({ name }) => name === (output.name || output.id)));
    const turned = ([, , z = 0, w = 1]: readonly number[]) => Math.atan2(z, w) / Math.PI;
    expect(Math.cos(2 * Math.PI * (turned(itemAt(keys, -1)) - turned(itemAt(keys, 0)) - 25 / 108))).toBeCloseTo(1, 6);
  });

  test('STL has a solid for each member, in its place', () => {
    const crawler = demoTrain('crawler');
    const made = body(crawler);
    const files = unzipSync(bodyStlZip(crawler, made, motionOf(crawler, [])));
    const list = JSON.parse(strFromU8(required(files['members.json']))) as {
      members: { file: string; triangles: number }[];
    };
    expect(list.members.map(({ file }) => file).sort()).toEqual(
      Object.keys(files)
        .filter((name) => name.endsWith('.stl'))
        .sort(),
    );
    expect(list.members.reduce((sum, one) => sum + one.triangles, 0)).toBe(triangles(made));
    for (const { file, triangles: count } of list.members) {
      const bytes = required(files[file]);
      expect(new DataView(bytes.buffer, bytes.byteOffset).getUint32(80, true)).toBe(count);
    }
  });
});
