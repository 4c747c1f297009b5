import fc from 'fast-check';
import { checkTrain, MATERIALS, type Coupler, type Gear, type Mesh, type Train } from '@/core/train';
import { arbitraryTrain } from './arbitrary-train';

const NAMES = fc.oneof(
  { weight: 4, arbitrary: fc.constantFrom('ring', 'sun', 'Lock-up', 'held ring', 'Reverse', 'long sun', '2', 'K1') },
  {
    weight: 3,
    arbitrary: fc.constantFrom('frame', 'with', 'x3', 'a, b', 'a: b', '"so"', '# 1', 'nothing', 'same no 1', 'no (2)'),
  },
  { weight: 1, arbitrary: fc.constantFrom('חול', 'e\u0301mail', '盐', '\u202eabc', 'to 5', '1 to 2', 'on deck', '') },
  { weight: 2, arbitrary: fc.string({ unit: 'grapheme', minLength: 1, maxLength: 12 }) },
);

const maybe = <T>(value: fc.Arbitrary<T>): fc.Arbitrary<T | undefined> => fc.option(value, { nil: undefined });
const figure = fc.constantFrom(0.5, 1, 1.25, 2, 12.7, 1e-7, 123456);
const station = fc.integer({ min: -3, max: 9 });

const gearWords = fc.record(
  {
    module: maybe(figure),
    station: maybe(station),
    faceWidth: maybe(figure),
    material: maybe(fc.constantFrom(...MATERIALS)),
    shift: maybe(fc.constantFrom(-0.25, 0.5)),
    helix: maybe(fc.constantFrom(-20, 15)),
    herringbone: maybe(fc.boolean()),
    bore: maybe(fc.constantFrom(8, 12.5)),
    keyway: maybe(fc.constant({ width: 3, depth: 1.4 })),
    square: maybe(fc.constant(6)),
    hub: maybe(fc.constant({ outside: 20, length: 8 })),
    holes: maybe(fc.constantFrom(0, 5)),
    rim: maybe(fc.constant(7.5)),
  },
  { noNullPrototype: true },
);
const meshWords = fc.record(
  {
    sense: maybe(fc.constantFrom('same' as const, 'opposite' as const)),
    efficiency: maybe(fc.constantFrom(0.9, 0.975, 1)),
    backEfficiency: maybe(fc.constantFrom(0.4, 1)),
    centre: maybe(fc.constantFrom(31, 58.9)),
  },
  { noNullPrototype: true },
);
const couplerWords = fc.record(
  {
    style: maybe(fc.constantFrom('friction' as const, 'dog' as const, 'band' as const, 'pawl' as const)),
    capacity: maybe(figure),
    station: maybe(station),
    radius: maybe(fc.constant(22.5)),
  },
  { noNullPrototype: true },
);

/** Of this, what is given. */
const given = <T extends object>(words: T): Partial<T> =>
  Object.fromEntries(Object.entries(words).filter(([, value]) => value !== undefined)) as Partial<T>;

/**
 * Random trains of every kind with everything that the format knows: odd names, names that several have, sizes,
 * materials, senses, sleeves, notes, limits, parts in any order.
 */
export function arbitraryDressedTrain(): fc.Arbitrary<Train> {
  const bare = fc.oneof(
    arbitraryTrain({ outputs: true, worms: true, planetsOnPlanets: true }),
    arbitraryTrain({ oneWays: true, outputs: true, worms: true }),
  );
  return bare
    .chain((train) =>
      fc.record({
        members: shuffled(train.members),
        gears: shuffled(train.gears),
        meshes: shuffled(train.meshes),
        names: fc.array(NAMES, { minLength: 60, maxLength: 60 }),
        ofGears: fc.array(gearWords, { minLength: train.gears.length, maxLength: train.gears.length }),
        ofMeshes: fc.array(meshWords, { minLength: train.meshes.length, maxLength: train.meshes.length }),
        ofCouplers: fc.array(couplerWords, { minLength: train.couplers.length, maxLength: train.couplers.length }),
        dressed: fc.boolean(),
        turned: fc.boolean(),
        notes: maybe(
          fc.oneof(fc.string(), fc.constantFrom('', 'One line.', ' two\nlines ', '# 1: “x”', 'a\r\nb\n\nc')),
        ),
        efficiency: maybe(fc.constantFrom(0.98, 1)),
        limit: maybe(figure),
        spans: fc.array(fc.tuple(fc.integer({ min: -9, max: 9 }), fc.nat(9)), { maxLength: 3 }),
        tipSpeedLimits: maybe(fc.constant({ steel: 20, nylon: 7.5 })),
        wheels: fc.record(
          {
            pressureAngle: maybe(fc.constantFrom(14.5, 20, 25)),
            addendum: maybe(fc.constant(0.8)),
            dedendum: maybe(fc.constant(1)),
            rootRadius: maybe(fc.constant(0.3)),
            backlash: maybe(fc.constantFrom(0, 0.15)),
            stationLength: maybe(fc.constant(18)),
            elasticity: maybe(fc.constant({ steel: 210_000, printed: 2_300 })),
          },
          { noNullPrototype: true },
        ),
        train: fc.constant(train),
      }),
    )
    .map(
      ({ train, names, ofGears, ofMeshes, ofCouplers, dressed, turned, notes, efficiency, limit, spans, ...own }) => {
        let next = 0;
        const name = () => names[next++ % names.length] ?? '';
        const { tipSpeedLimits, wheels, members, gears, meshes } = own;
        const selectors = [
          {
            id: 'sleeve',
            name: name(),
            spans: train.couplers.slice(0, spans.length).map(({ id }, i) => ({
              coupler: id,
              from: spans[i]?.[0] ?? 0,
              to: (spans[i]?.[0] ?? 0) + (spans[i]?.[1] ?? 0) / 4,
            })),
          },
        ];
        const full: Train = {
          ...train,
          name: name() || 'Random train',
          members: members.map((member, i) => ({
            ...member,
            name: name(),
            ...(i === 1 && limit && { limit, color: '#12ab9f' }),
            ...(i === 0 && dressed && { bearings: [-4, 30.5] as const }),
          })),
          gears: gears.map((gear, i): Gear => ({ ...gear, ...(dressed ? given(ofGears[i] ?? {}) : {}) })),
          meshes: meshes.map((mesh, i): Mesh => {
            const sliding = train.couplers.some((one) => one.type === 'sliding-mesh' && one.mesh === mesh.id);
            const [a, b] = mesh.gears;
            const other = turned && i % 2 === 0 && !mesh.selfLocking && !sliding;
            return {
              ...mesh,
              gears: other ? [b, a] : [a, b],
              ...(dressed && !mesh.sense ? given(ofMeshes[i] ?? {}) : {}),
            };
          }),
          couplers: train.couplers.map((coupler, i): Coupler => ({
            ...coupler,
            name: name(),
            ...given(ofCouplers[i] ?? {}),
          })),
          ...(spans.length > 0 && train.couplers.length > 0 && { selectors }),
          positions: train.positions.map((position, i) => ({
            ...position,
            name: name(),
            ...(i === 2 && { ladder: false as const }),
          })),
          ...(notes !== undefined && { notes }),
          ...(efficiency !== undefined && { efficiency }),
          ...(tipSpeedLimits && { tipSpeedLimits }),
          ...given(wheels),
        };
        return full;
      },
    )
    .filter((train) => checkTrain(train).ok);
}

const shuffled = <T>(list: readonly T[]): fc.Arbitrary<readonly T[]> =>
  fc.oneof(fc.constant(list), fc.shuffledSubarray([...list], { minLength: list.length, maxLength: list.length }));
