import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import { partsById } from '../train';
import { figureGroups, gearsOf, movedPlaces, structureOf } from '.';

// Without sets that planets carry: a planet in one stands at both wheels it meets, in the figures of both.
const everyKind = arbitraryTrain({ oneWays: true, outputs: true, worms: true });

test('a pair stands in one figure, and no plane holds two gears of one axis', () => {
  fc.assert(
    fc.property(everyKind, (train) => {
      const { figures, axisOf } = structureOf(train);
      const drawn = new Set(figures.flatMap((figure) => gearsOf(figure).map(({ id }) => id)));
      for (const { gears } of train.meshes) {
        const own = figures.filter((figure) => gears.every((id) => gearsOf(figure).some((gear) => gear.id === id)));
        if (gears.every((id) => drawn.has(id))) expect([gears, own.length]).toEqual([gears, 1]);
      }
      expect(new Set(figures.map(({ key }) => key)).size).toBe(figures.length);
      for (const figure of figures)
        if (figure.kind === 'bars')
          for (const plane of figure.planes) {
            // Random trains may have a worm and its wheel on one axis, which no plane can part.
            const meshes = (a: string, b: string) =>
              train.meshes.some(({ gears }) => gears.includes(a) && gears.includes(b));
            for (const a of plane)
              for (const b of plane)
                if (a !== b && axisOf.get(a.member) === axisOf.get(b.member)) expect(meshes(a.id, b.id)).toBe(true);
          }
    }),
  );
});

test('a set has its sun inside, its planets between and its ring outside, all of one carrier', () => {
  fc.assert(
    fc.property(everyKind, (train) => {
      const { find } = partsById(train);
      for (const figure of structureOf(train).figures) {
        if (figure.kind !== 'set') continue;
        for (const { sun, planets, ring } of figure.planes) {
          expect(planets.length).toBeGreaterThan(0);
          for (const planet of planets) expect(find.member(planet.member)?.carrier).toBe(figure.carrier);
          if (sun) expect(sun.type).not.toBe('internal');
          if (ring) expect(ring.type).toBe('internal');
        }
      }
    }),
  );
});

test('figures of the demonstration trains', () => {
  const kinds = (name: string) =>
    structureOf(demoTrain(name))
      .figures.map(({ kind }) => kind)
      .sort();
  expect(kinds('sluice-winch')).toEqual(['bars', 'bars']);
  expect(kinds('harvester')).toEqual(expect.arrayContaining(['set', 'set']));
});

describe('places along the axis', () => {
  const train = demoTrain('pan-rake');
  const order = structureOf(train).figures.map(({ key }) => key);

  test('groups follow the order that is drawn; what it does not name comes last', () => {
    expect(figureGroups(train, order).map(({ key }) => key)).toEqual(order);
    const [first, ...rest] = order;
    expect(figureGroups(train, rest).at(-1)?.key).toBe(first);
  });

  test('a gear moves with all that meshes with it, the others keep their order, and nothing is lost', () => {
    const groups = figureGroups(train, order);
    const [gear] = groups[0]!.stations[0]!;
    const moved = movedPlaces(train, order, gear!, groups.length - 1)!;
    expect(moved.flat().sort()).toEqual(groups.flatMap(({ stations }) => stations.flat()).sort());
    expect(moved.at(-1)).toEqual(groups[0]!.stations.at(-1));
    expect(moved.slice(0, -groups[0]!.stations.length)).toEqual(groups.slice(1).flatMap(({ stations }) => stations));
    // Beyond the ends there is nothing: it stays the first, or the last.
    expect(movedPlaces(train, order, gear!, -5)).toEqual(groups.flatMap(({ stations }) => stations));
    expect(movedPlaces(train, order, gear!, 99)).toEqual(moved);
    expect(movedPlaces(train, order, 'no such gear', 0)).toBeNull();
  });
});
