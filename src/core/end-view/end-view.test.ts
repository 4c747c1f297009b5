import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { demoNames, demoTrain } from '@/testing/demo-train';
import { pairTrain } from '@/testing/pair-train';
import { geometryOf } from '../geometry';
import { memberFigures } from '../powerflow';
import { toNumber } from '../rational';
import {
  endView,
  poseOf,
  toothOutline,
  toothPhases,
  type OutlinePoint,
  type Pose,
  type Station,
  type TurnsOf,
} from '.';
import { modelOf } from '../model';

const ALL = demoNames();
const STILL: TurnsOf = () => 0;
const stations = (name: string) => endView(demoTrain(name), []);

const placed = (outline: readonly OutlinePoint[], { x, y, angle }: Pose, module: number): OutlinePoint[] =>
  outline.map((p) => ({
    x: x + module * (p.x * Math.cos(angle) - p.y * Math.sin(angle)),
    y: y + module * (p.x * Math.sin(angle) + p.y * Math.cos(angle)),
  }));

function inside({ x, y }: OutlinePoint, polygon: readonly OutlinePoint[]): boolean {
  let odd = false;
  polygon.forEach((a, i) => {
    const b = polygon[(i + 1) % polygon.length]!;
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) odd = !odd;
  });
  return odd;
}

function depth({ x, y }: OutlinePoint, polygon: readonly OutlinePoint[]): number {
  return Math.min(
    ...polygon.map((a, i) => {
      const b = polygon[(i + 1) % polygon.length]!;
      const along = Math.max(
        0,
        Math.min(1, ((x - a.x) * (b.x - a.x) + (y - a.y) * (b.y - a.y)) / ((b.x - a.x) ** 2 + (b.y - a.y) ** 2 || 1)),
      );
      return Math.hypot(x - a.x - along * (b.x - a.x), y - a.y - along * (b.y - a.y));
    }),
  );
}

/** How deep teeth of two meshing wheels cut into each other, in modules. */
function cut({ wheels, meshes }: Station, turns: TurnsOf, mesh: Station['meshes'][0]): number {
  const phases = toothPhases(wheels, meshes, STILL);
  const [a, b] = [mesh.a, mesh.b].map((i) => {
    const wheel = wheels[i]!;
    return {
      wheel,
      outline: placed(
        toothOutline(wheel.teeth, wheel.shape === 'ring', 6, wheel.shift),
        poseOf(wheel, turns, phases[i]!),
        wheel.module,
      ),
    };
  });
  const ring = [a!, b!].find(({ wheel }) => wheel.shape === 'ring');
  const other = ring === a ? b! : a!;
  const hits = ring
    ? other.outline.filter((p) => !inside(p, ring.outline)).map((p) => depth(p, ring.outline))
    : a!.outline.filter((p) => inside(p, b!.outline)).map((p) => depth(p, b!.outline));
  return Math.max(0, ...hits) / a!.wheel.module;
}

describe('tooth outlines', () => {
  test('a tooth is as thick as its gap at the pitch circle, outside and inside', () => {
    for (const teeth of [9, 17, 40, 120]) {
      for (const internal of [false, true]) {
        const outline = toothOutline(teeth, internal, 40);
        const flank = outline.slice(0, 40);
        const at = flank.reduce((near, p) =>
          Math.abs(Math.hypot(p.x, p.y) - teeth / 2) < Math.abs(Math.hypot(near.x, near.y) - teeth / 2) ? p : near,
        );
        expect(Math.abs(Math.atan2(at.y, at.x)) * teeth).toBeCloseTo(Math.PI / 2, 1);
        expect(outline).toHaveLength(80 * teeth);
      }
    }
  });

  test('flanks of any two gears run on each other without cutting in', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 18, max: 60 }),
        fc.integer({ min: 18, max: 60 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (za, zb, turned) => {
          const winch = demoTrain('sluice-winch');
          const train = {
            ...winch,
            gears: winch.gears.map((gear) =>
              gear.id === 'g3a' ? { ...gear, teeth: za } : gear.id === 'g3b' ? { ...gear, teeth: zb } : gear,
            ),
          };
          const station = endView(train, []).find(({ wheels }) => wheels.some(({ gear }) => gear === 'g3a'))!;
          expect(
            cut(station, (member) => (member === 'lay' ? turned : (-turned * za) / zb), station.meshes[0]!),
          ).toBeLessThan(0.02);
        },
      ),
      { numRuns: runs(60) },
    );
  });

  test.each([
    ['shifted apart', { teeth: 20, shift: 0.3 }, { teeth: 33, shift: 0.2 }],
    ['shifted together', { teeth: 30, shift: -0.2 }, { teeth: 40, shift: -0.1 }],
    ['helical', { teeth: 22, helix: 25, shift: 0.2 }, { teeth: 31, helix: -25 }],
    ['in a ring', { teeth: 22, shift: 0.3 }, { teeth: 61, shift: 0.1, type: 'internal' as const }],
  ])('wheels that are %s neither cut in nor part', (_, a, b) => {
    const ratio = (('type' in b ? 1 : -1) * a.teeth) / b.teeth;
    const [station] = endView(pairTrain({ ...a, module: 2 }, { ...b, module: 2 }), []);
    for (let i = 0; i < 8; i++) {
      const turned = i / 8 / a.teeth;
      const turns = (member: string) => (member === 'in' ? turned : ratio * turned);
      expect(cut(station!, turns, station!.meshes[0]!)).toBeLessThan(0.02);
    }
    // Nearer by a tenth of their distance, or in a ring farther out, they would.
    const [first, second] = station!.wheels.map(({ centre }) => centre);
    const along = 'type' in b ? 1.1 : 0.9;
    const moved = {
      x: first!.x + along * (second!.x - first!.x),
      y: first!.y + along * (second!.y - first!.y),
    };
    const wheels = station!.wheels.map((wheel, i) => (i === 0 ? wheel : { ...wheel, centre: moved }));
    expect(cut({ ...station!, wheels }, STILL, station!.meshes[0]!)).toBeGreaterThan(0.02);
  });
});

describe('end view', () => {
  test.each(ALL)('%s: gears that mesh touch at the circles on which they run, at every station', (name) => {
    const found = stations(name);
    expect(found.length).toBeGreaterThan(0);
    for (const { wheels, meshes, bounds } of found) {
      expect(bounds.right).toBeGreaterThan(bounds.left);
      for (const { a, b, mesh } of meshes) {
        const [p, q] = [a, b].map((i) => ({ wheel: wheels[i]!, ...poseOf(wheels[i]!, STILL, 0) }));
        if ([p, q].some((end) => end!.wheel.shape === 'bevel planet')) continue;
        const [rp, rq] = [p!, q!].map(({ wheel }) => (wheel.shape === 'worm' ? 4 * wheel.module : wheel.radius));
        const reach = p!.wheel.shape === 'ring' || q!.wheel.shape === 'ring' ? Math.abs(rp! - rq!) : rp! + rq!;
        // Shifted wheels touch at their working circles, as far as their shifts are written out.
        const runs = geometryOf(demoTrain(name)).mesh(mesh)?.running.centreMm ?? reach;
        expect(Math.hypot(p!.x - q!.x, p!.y - q!.y)).toBeCloseTo(runs, 3);
      }
    }
  });

  test('every gear of a train is seen at some station', () => {
    for (const name of ALL) {
      const seen = new Set(stations(name).flatMap(({ wheels }) => wheels.map(({ gear }) => gear)));
      expect(demoTrain(name).gears.filter(({ id }) => !seen.has(id))).toEqual([]);
    }
  });

  test.each([
    ['sluice-winch', 'wind'],
    ['pan-rake', '1'],
    ['brine-lift', 'pumping'],
    ['stirrer', 'slow'],
    ['crawler', '2'],
    ['harvester', '5'],
  ])('%s: teeth stay in their gaps however far it is turned', (name, position) => {
    const solved = modelOf(demoTrain(name)).positions().get(position)!;
    const figures = memberFigures(solved);
    const engaged = new Set(solved.state.meshes.map(({ mesh }) => mesh.id));
    const speed = new Map(figures.map((row) => [row.id, row.speed ? toNumber(row.speed) : 0]));
    for (const station of stations(name)) {
      const first = station.meshes.filter(
        ({ a, b, mesh }) => engaged.has(mesh) && station.wheels[a]!.copy === 0 && station.wheels[b]!.copy === 0,
      );
      // A gear of fewer than 17 standard teeth would be cut away at the foot by its mate; its outline is drawn uncut.
      const undercut = ({ a, b }: (typeof first)[0]) => [a, b].some((i) => station.wheels[i]!.teeth < 17);
      for (const mesh of first.map((own) => ({ ...own, tolerance: undercut(own) ? 0.6 : 0.3 })))
        for (const crank of [0, 0.137, 5.61])
          expect(cut(station, (member) => crank * speed.get(member)!, mesh)).toBeLessThan(mesh.tolerance);
    }
  });

  test('the reverse idler of the rake stands where it reaches both shafts', () => {
    const [station] = stations('pan-rake').filter(({ wheels }) => wheels.length === 3);
    expect(station!.meshes).toHaveLength(2);
    expect(new Set(station!.wheels.map(({ centre }) => `${centre.x.toFixed(1)} ${centre.y.toFixed(1)}`)).size).toBe(3);
  });

  test('a stepped planet has one pin: both its planes turn at the same distance', () => {
    const orbits = stations('brine-lift').flatMap(({ wheels }) =>
      wheels.flatMap(({ orbit }) => (orbit ? [orbit.radius] : [])),
    );
    expect(new Set(orbits.map((radius) => radius.toFixed(6))).size).toBe(1);
    expect(orbits).toHaveLength(6);
  });
});
