import { strFromU8, unzipSync } from 'fflate';
import { partsOf } from '@/core/parts';
import { demoTrain } from '@/testing/demo-train';
import { shapesZip } from '@/workers/shapes';
import { FIRST_FORM, shapeOf } from './form';
import { wholeSet } from './whole-set';

const set = (name: string, change: Partial<typeof FIRST_FORM> = {}) => {
  const train = demoTrain(name);
  const { parts } = partsOf(train, { speedRpm: null, torqueNm: null });
  return { train, ...wholeSet(train, parts, { ...FIRST_FORM, ...change }) };
};

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
  const { asked, left } = set('brine-lift', { boreMm: '33' });
  expect(left.some((text) => text.includes('leaves less than 1 mm'))).toBe(true);
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
