import { strFromU8, unzipSync } from 'fflate';
import { partsOf } from '@/core/parts';
import { demoTrain, withoutSizes } from '@/testing/demo-train';
import { shapesZip } from '@/workers/shapes';
import type { Gear, Train } from '@/core/train';
import { FIRST_FORM, shapeOf } from './form';
import { keepShape, shapeFormOf, type Unkept } from './kept-shape';
import { wholeSet } from './whole-set';

/** All shapes of a train after something was typed at one wheel. */
const set = (name: string, typed: Unkept = {}, which: (train: Train) => Gear = firstGear) => {
  const demo = demoTrain(name);
  const { train } = keepShape(demo, which(demo), typed);
  const { parts } = partsOf(train, { speedRpm: null, torqueNm: null });
  return { train, ...wholeSet(train, parts) };
};
function firstGear({ gears: [first] }: Train): Gear {
  if (!first) throw new Error('A train without gears.');
  return first;
}
const smallest = ({ gears }: Train) =>
  [...gears].filter(({ type }) => type === 'external').sort((a, b) => a.teeth - b.teeth)[0]!;

test(
  'all shapes of the lift: every wheel three times over, the stepped planet ' +
    'as one piece, and a manifest that names them',
  () => {
    const { train, asked, pieces, left } = set('brine-lift');
    expect(left).toEqual([]);
    expect(asked.map(({ gear }) => gear).sort()).toEqual(train.gears.map(({ id }) => id).sort());
    expect(pieces.map(({ specs }) => specs.length)).toEqual([2]);
    const files = unzipSync(shapesZip(train.name, asked, pieces, () => undefined));
    const manifest = JSON.parse(strFromU8(files['manifest.json']!)) as {
      wheels: { files: string[] }[];
      pieces: { files: string[] }[];
    };
    const named = [...manifest.wheels, ...manifest.pieces].flatMap((one) => one.files);
    expect([...named, 'manifest.json'].sort()).toEqual(Object.keys(files).sort());
    expect(named.filter((name) => name.endsWith('.stl'))).toHaveLength(train.gears.length + 1);
  },
);

test('with a helix, gears that mesh outside have opposite hands, a ring the hand of its planet', () => {
  const { train, asked } = set('stirrer', { helixDegrees: '20' });
  const helix = new Map(asked.map(({ gear, spec }) => [gear, spec.helixDegrees!]));
  const types = new Map(train.gears.map(({ id, type }) => [id, type]));
  for (const { gears } of train.meshes) {
    const ring = gears.some((id) => types.get(id) === 'internal');
    expect(helix.get(gears[0])! * helix.get(gears[1])!).toBe(ring ? 400 : -400);
  }
});

test('a wheel that cannot be made is left out, and said; what only gears have is left off rings', () => {
  const { asked, left } = set('brine-lift', { boreMm: '33' }, smallest);
  expect(left).toHaveLength(1);
  expect(left[0]).toContain('leaves less than 1 mm');
  expect(asked.some(({ spec }) => spec.internal && spec.boreMm === undefined)).toBe(true);
  const [part] = partsOf(demoTrain('sluice-winch'), { speedRpm: null, torqueNm: null }).parts;
  expect(shapeOf(part!, { ...FIRST_FORM, moduleMm: 'x' })).toMatchObject({
    ok: false,
    problems: [{ path: ['moduleMm'] }],
  });
  expect(shapeOf(part!, { ...FIRST_FORM, boreMm: '5', keyWidthMm: '2' })).toMatchObject({
    ok: false,
    problems: [{ path: ['keyway', 'deepMm'] }],
  });
});

describe('what is typed at a wheel is kept in the train', () => {
  const train = withoutSizes(demoTrain('stirrer'));
  const sun = train.gears.find(({ type }) => type === 'external')!;
  const after = (typed: Unkept) => keepShape(train, sun, typed);
  const gearOf = (kept: ReturnType<typeof after>) => kept.train.gears.find(({ id }) => id === sun.id)!;

  test('each of its own, and read back as it was typed', () => {
    const typed: Unkept = {
      moduleMm: '2',
      widthMm: '1 in',
      shift: '-0.25',
      boreMm: '8',
      keyWidthMm: '3',
      keyDeepMm: '1.4',
      hubOutsideMm: '16',
      hubLongMm: '6',
      lighteningHoles: '4',
      backlashMm: '0.15',
    };
    const kept = after(typed);
    expect(kept.unkept).toEqual({});
    expect(kept.train.backlash).toBe(0.15);
    expect(gearOf(kept)).toMatchObject({
      module: 2,
      faceWidth: 25.4,
      shift: -0.25,
      bore: 8,
      keyway: { width: 3, depth: 1.4 },
      hub: { outside: 16, length: 6 },
      holes: 4,
    });
    expect(shapeFormOf(kept.train, gearOf(kept))).toMatchObject({ ...typed, widthMm: '25.4' });
    // Emptied again, nothing is left of it.
    const emptied = keepShape(
      kept.train,
      gearOf(kept),
      Object.fromEntries(Object.keys(typed).map((key) => [key, ''])) as Unkept,
    );
    expect(emptied.train).toEqual(train);
  });

  test('no figure, half of a pair, or what the document refuses stays typed and changes nothing', () => {
    for (const typed of [{ moduleMm: 'x' }, { keyWidthMm: '3' }, { shift: '9' }, { boreMm: '-4' }]) {
      const kept = after(typed);
      expect(kept.train).toBe(train);
      expect(kept.unkept).toEqual(typed);
    }
    // The other half completes it.
    const both = after({ keyWidthMm: '3', keyDeepMm: '1' });
    expect(gearOf(both).keyway).toEqual({ width: 3, depth: 1 });
  });
});
