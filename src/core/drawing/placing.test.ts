import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import { partPowers } from '../powerflow';
import { structureOf } from '../structure';
import { checked, type Train } from '../train';
import { drawSideView, FIRST_SIGHT, powerLines } from '.';
import { axisHeights, type PlacedGear } from './axis-heights';
import { drawnRadii } from './radii';
import { modelOf } from '../model';

describe('what is to be drawn', () => {
  const kinds = (name: string) => structureOf(demoTrain(name)).figures.map(({ kind }) => kind);

  test('gears that mesh on fixed axes are one figure, a planetary set another, a differential a third', () => {
    expect(kinds('sluice-winch')).toEqual(['bars', 'bars']);
    expect(kinds('harvester')).toEqual(['set', 'set', 'set', 'set']);
    expect(kinds('wagon-axle')).toEqual(['bars', 'bevel']);
    expect(kinds('conveyor-shifter')).toEqual(['bars', 'bars', 'bars', 'bars', 'bevel']);
  });

  test('planes of sets: stepped planets side by side, double pinions on top of each other', () => {
    const planes = (name: string) =>
      structureOf(demoTrain(name)).figures.flatMap((figure) =>
        figure.kind === 'set'
          ? figure.planes.map(({ sun, planets, ring }) =>
              [sun?.id, planets.map(({ id }) => id).join('+'), ring?.id].join(' '),
            )
          : [],
      );
    expect(planes('brine-lift')).toEqual(['s big ', ' small r']);
    expect(planes('crawler')).toEqual(['gss gps+gpl gr', 'gsl gpl ']);
    expect(planes('draisine-hub')).toEqual(['ga pa ', 'gb pb ', ' pr rg']);
  });

  test('every ring that meets a planet gear has a plane, as every sun has: nothing is missing', () => {
    const hub = demoTrain('ferry-hub');
    // One more gear of another member meets each planet gear in turn: whatever the document takes is drawn.
    let more = 0;
    for (const planet of hub.gears.filter(({ member }) => member === 'planet'))
      for (const other of hub.gears.filter(({ member }) => member !== 'planet')) {
        const edit = checked({ ...hub, meshes: [...hub.meshes, { id: 'more', gears: [other.id, planet.id] }] });
        const drawn = edit.ok ? drawSideView(edit.train, { width: 880, height: 400 }, { effort: FIRST_SIGHT }) : null;
        if (!drawn?.ok) continue;
        more++;
        const there = new Set(drawn.view.gears.map(({ gear }) => gear));
        const missing = hub.gears.filter(({ id }) => !there.has(id));
        expect([other.id, planet.id, missing]).toEqual([other.id, planet.id, []]);
      }
    expect(more).toBeGreaterThan(5);
  });

  test('a second output leaves a differential on the left', () => {
    const [figure] = structureOf(demoTrain('wagon-axle')).figures.filter(({ kind }) => kind === 'bevel');
    expect(figure).toMatchObject({ left: { member: 'right' }, right: { member: 'left' } });
  });
});

describe('drawn radii', () => {
  test('keep the order of the tooth counts, and a pinion beside a great wheel stays visible', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 6, max: 2000 }), { minLength: 5, maxLength: 5 }), (counts) => {
        const winch = demoTrain('sluice-winch');
        const train = { ...winch, gears: winch.gears.map((gear, i) => ({ ...gear, teeth: counts[i]! })), meshes: [] };
        const radii = drawnRadii(train);
        const sizes = train.gears.map(({ id }) => radii.get(id)!);
        expect(Math.max(...sizes) / Math.min(...sizes)).toBeLessThan(8.001);
        for (const a of train.gears)
          for (const b of train.gears) if (a.teeth < b.teeth) expect(radii.get(a.id)!).toBeLessThan(radii.get(b.id)!);
      }),
      { numRuns: runs(90) },
    );
  });

  test('all pairs between two shafts are as far apart', () => {
    const rake = demoTrain('pan-rake');
    const radii = drawnRadii({
      ...rake,
      gears: rake.gears.map((gear) => (gear.id === 'g3b' ? { ...gear, teeth: 70 } : gear)),
    });
    const apart = [
      ['g1a', 'g1b'],
      ['g2a', 'g2b'],
      ['g3a', 'g3b'],
    ].map(([a, b]) => radii.get(a!)! + radii.get(b!)!);
    for (const distance of apart) expect(distance).toBeCloseTo(apart[0]!, 9);
  });

  test('a worm is drawn like a gear, not like its one thread', () => {
    const radii = drawnRadii(demoTrain('conveyor-shifter'));
    expect(radii.get('w')!).toBeGreaterThan(radii.get('ww')! * 0.8);
  });
});

describe('heights of axes', () => {
  const gear = (axis: number, plane: number, radius: number): PlacedGear => ({ axis, plane, radius });
  const contact = (a: PlacedGear, b: PlacedGear) => ({ a, b, distance: a.radius + b.radius });

  test('axes stand where their gears touch', () => {
    const [a, b] = [gear(0, 0, 20), gear(1, 0, 30)];
    expect(axisHeights(2, [a, b], [contact(a, b)]).map(Math.abs)).toEqual([0, 50]);
  });

  test('a third axis goes to the side where nothing is in its way', () => {
    const [a, b, c, d, e] = [gear(0, 0, 20), gear(1, 0, 30), gear(1, 1, 10), gear(2, 1, 40), gear(0, 2, 5)];
    const heights = axisHeights(3, [a, b, c, d, e], [contact(a, b), contact(c, d)]);
    // Folded back over the first axis, the wheel of 40 would be run through by its shaft.
    expect(Math.abs(heights[2]! - heights[0]!)).toBeGreaterThan(40 - 1);
  });

  test('axes that do not mesh stand apart', () => {
    const [a, b] = [gear(0, 0, 20), gear(1, 0, 30)];
    expect(Math.abs(axisHeights(2, [a, b], [])[1]!)).toBeGreaterThanOrEqual(50);
  });
});

describe('any train at all', () => {
  const drawnOf = (train: Train) => {
    const drawn = drawSideView(train, { width: 880, height: 400 });
    return drawn.ok ? drawn.view : null;
  };

  test('is drawn with every gear on the paper, or the drawing says why not', () => {
    fc.assert(
      fc.property(arbitraryTrain({ oneWays: true }), (train) => {
        const view = drawnOf(train);
        if (!view) return;
        const carried = new Map(train.members.flatMap(({ id, carrier }) => (carrier ? [[id, carrier] as const] : [])));
        const drawn = new Set(view.gears.map(({ gear }) => gear));
        expect(
          train.gears.filter(({ id, member }) => !drawn.has(id) && !carried.has(member)).map(({ id }) => id),
        ).toEqual([]);
        for (const { box } of view.gears) {
          expect([box.left, box.right, box.top, box.bottom].every(Number.isFinite)).toBe(true);
          expect(box.left).toBeGreaterThanOrEqual(0);
          expect(box.right).toBeLessThanOrEqual(view.width);
        }
        for (const { x, y } of view.couplers) expect(Number.isFinite(x) && Number.isFinite(y)).toBe(true);
      }),
      { numRuns: runs(15) },
    );
  });

  test('carries in its lines what its members carry: nothing arises on the way', () => {
    let checked = 0;
    fc.assert(
      fc.property(arbitraryTrain(), (train) => {
        const view = drawnOf(train);
        if (!view) return;
        for (const solved of modelOf(train).positions().values()) {
          const powers = partPowers(solved);
          if (powers.some(({ power }) => power === null)) continue;
          const known = powers.map((own) => ({ ...own, power: own.power! }));
          const most = new Map<string, number>();
          for (const { member, power } of known) most.set(member, (most.get(member) ?? 0) + Math.max(0, power));
          for (const { member, share } of powerLines(view, known)) {
            checked++;
            expect(share).toBeLessThanOrEqual(most.get(member)! + 1e-6);
            expect(share).toBeGreaterThan(0);
          }
        }
      }),
      { numRuns: runs(15) },
    );
    expect(checked).toBeGreaterThan(20);
  });

  test('is drawn the same when it is drawn again', () => {
    for (const name of ['harvester', 'crawler', 'range-box'])
      expect(drawnOf(demoTrain(name))).toEqual(drawnOf(demoTrain(name)));
  });
});
