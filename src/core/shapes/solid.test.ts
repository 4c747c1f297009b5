import { refusalText } from '../result';
import DxfParser from 'dxf-parser';
import {
  readWheel,
  stackSolids,
  stlBytes,
  toothForm,
  wheelDxf,
  wheelSolid,
  wheelSvg,
  type Triangles,
  type ShapedGear,
  type WheelSpec,
} from '.';

function wheel(spec: WheelSpec): ShapedGear {
  const read = readWheel(spec);
  if (!read.ok) throw new Error(refusalText(read));
  return read.value;
}

/** Every edge belongs to exactly two triangles, which run along it in opposite ways. */
function openEdges(triangles: Triangles): number {
  const edges = new Map<string, number>();
  const corner = (i: number) =>
    triangles
      .slice(3 * i, 3 * i + 3)
      .map((value) => Math.fround(value))
      .join(' ');
  for (let i = 0; i < triangles.length / 3; i += 3) {
    const [a, b, c] = [corner(i), corner(i + 1), corner(i + 2)];
    for (const [from, to] of [
      [a, b],
      [b, c],
      [c, a],
    ] as const) {
      edges.set(`${from}|${to}`, (edges.get(`${from}|${to}`) ?? 0) + 1);
      edges.set(`${to}|${from}`, (edges.get(`${to}|${from}`) ?? 0) - 1);
    }
  }
  return [...edges.values()].filter((count) => count !== 0).length;
}

/** By the divergence theorem: above 0 where the triangles face outward. */
function volume(triangles: Triangles): number {
  let sum = 0;
  for (let i = 0; i < triangles.length; i += 9) {
    const [ax, ay, az, bx, by, bz, cx, cy, cz] = triangles.slice(i, i + 9) as [
      number,
      number,
      number,
      number,
      number,
      number,
      number,
      number,
      number,
    ];
    sum += ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);
  }
  return sum / 6;
}

const SPUR: WheelSpec = { teeth: 23, moduleMm: 2.5, widthMm: 10, boreMm: 8 };

test.each<[string, WheelSpec]>([
  ['spur', SPUR],
  ['without a bore', { teeth: 17, moduleMm: 1, widthMm: 6 }],
  ['keyway', { ...SPUR, keyway: { widthMm: 3, deepMm: 1.4 } }],
  ['square hole', { teeth: 23, moduleMm: 2.5, widthMm: 10, squareMm: 9 }],
  ['lightening holes', { ...SPUR, teeth: 60, lighteningHoles: 6 }],
  ['undercut', { teeth: 8, moduleMm: 3, widthMm: 7, boreMm: 5 }],
  ['a ring', { teeth: 60, moduleMm: 2, widthMm: 8, internal: true }],
  ['a small ring', { teeth: 20, moduleMm: 2, widthMm: 8, internal: true, rimMm: 4 }],
])('%s: watertight, facing outward, its volume the area times the width', (_, spec) => {
  const own = wheel(spec);
  const triangles = wheelSolid(own);
  expect(openEdges(triangles)).toBe(0);
  expect(volume(triangles) / (own.areaMm2 * spec.widthMm)).toBeCloseTo(1, 9);
});

test.each<[string, WheelSpec]>([
  ['helical', { ...SPUR, helixDegrees: 20 }],
  ['left-handed', { ...SPUR, helixDegrees: -15 }],
  ['herringbone', { ...SPUR, helixDegrees: 30, herringbone: true }],
  ['a helical ring', { teeth: 48, moduleMm: 2, widthMm: 12, internal: true, helixDegrees: 20, herringbone: true }],
])('%s: watertight and facing outward, and as heavy as the straight one to the chords', (_, spec) => {
  const own = wheel(spec);
  const triangles = wheelSolid(own);
  expect(openEdges(triangles)).toBe(0);
  expect(Math.abs(volume(triangles) / (own.areaMm2 * spec.widthMm) - 1)).toBeLessThan(2e-3);
});

test('a helix has its hand and turns by tan β / r; a herringbone comes back to where it was', () => {
  const top = (spec: WheelSpec, z: number) => {
    const triangles = wheelSolid(wheel(spec));
    const { tipRadius } = toothForm(spec);
    const tips: number[] = [];
    for (let i = 0; i < triangles.length; i += 3)
      if (
        Math.abs(triangles[i + 2]! - z) < 1e-9 &&
        Math.abs(Math.hypot(triangles[i]!, triangles[i + 1]!) - tipRadius) < 1e-9
      )
        tips.push(Math.atan2(triangles[i + 1]!, triangles[i]!));
    return tips;
  };
  const half = (tips: readonly number[], near: number) => tips.filter((a) => Math.abs(a - near) < 0.06);
  const spec = { ...SPUR, helixDegrees: 20 };
  const turn = (10 * Math.tan((20 * Math.PI) / 180)) / toothForm(spec).pitchRadius;
  const middle = (tips: readonly number[]) => (Math.min(...tips) + Math.max(...tips)) / 2;
  expect(middle(half(top(spec, 0), 0))).toBeCloseTo(0, 6);
  expect(middle(half(top(spec, 10), turn))).toBeCloseTo(turn, 6);
  expect(middle(half(top({ ...spec, helixDegrees: -20 }, 10), -turn))).toBeCloseTo(-turn, 6);
  expect(middle(half(top({ ...spec, herringbone: true }, 10), 0))).toBeCloseTo(0, 6);
  expect(middle(half(top({ ...spec, herringbone: true }, 5), turn / 2))).toBeCloseTo(turn / 2, 6);
});

test('a hub, and wheels one on the other, are one piece without a gap', () => {
  const hubbed = wheel({ ...SPUR, hub: { outsideMm: 16, longMm: 6 }, lighteningHoles: 5, teeth: 60 });
  const solid = wheelSolid(hubbed);
  expect(openEdges(solid)).toBe(0);
  expect(volume(solid)).toBeCloseTo(hubbed.areaMm2 * 10 + 6 * Math.PI * (8 ** 2 - 4 ** 2), -1.5);
  const [large, small, like] = [
    wheel({ ...SPUR, teeth: 40 }),
    wheel({ ...SPUR, teeth: 18 }),
    wheel({ ...SPUR, teeth: 39 }),
  ];
  for (const [pair, neck] of [
    [[large, small], 0],
    [[small, large], 0],
    [[large, like], 1],
  ] as const) {
    const piece = stackSolids(pair);
    expect(openEdges(piece)).toBe(0);
    const own = pair.reduce((sum, { areaMm2 }) => sum + areaMm2 * 10, 0);
    if (neck === 0) expect(volume(piece)).toBeCloseTo(own, 5);
    else expect(volume(piece)).toBeGreaterThan(own + 1000);
  }
});

test('binary STL: its size, its count, normals of length 1 that point as the corners run', () => {
  const bytes = stlBytes(wheelSolid(wheel(SPUR)), 'Pan rake, 23');
  const view = new DataView(bytes.buffer);
  const count = view.getUint32(80, true);
  expect(bytes.length).toBe(84 + 50 * count);
  expect(new TextDecoder().decode(bytes.slice(0, 5))).not.toBe('solid');
  for (let i = 0; i < count; i += 37) {
    const f = Array.from({ length: 12 }, (_, k) => view.getFloat32(84 + 50 * i + 4 * k, true));
    expect(Math.hypot(f[0]!, f[1]!, f[2]!)).toBeCloseTo(1, 5);
  }
});

test('DXF read by another program: closed polylines, millimetres, the outline place by place', () => {
  const own = wheel({ ...SPUR, keyway: { widthMm: 3, deepMm: 1.4 } });
  const text = wheelDxf(own);
  const read = new DxfParser().parseSync(text)!;
  expect(read.header.$ACADVER).toBe('AC1009');
  const lines = read.entities.filter(({ type }) => type === 'POLYLINE') as unknown as {
    shape: boolean;
    vertices: { x: number; y: number }[];
  }[];
  expect(lines.map(({ shape }) => shape)).toEqual([true, true]);
  [own.outer, ...own.holes].forEach((loop, i) => {
    expect(lines[i]!.vertices).toHaveLength(loop.length);
    loop.forEach(({ x, y }, k) => {
      expect(lines[i]!.vertices[k]!.x).toBeCloseTo(x, 5);
      expect(lines[i]!.vertices[k]!.y).toBeCloseTo(y, 5);
    });
  });
  const [circle] = read.entities.filter(({ type }) => type === 'CIRCLE') as unknown as { radius: number }[];
  expect(circle!.radius).toBe(28.75);
});

test('SVG is as large as the wheel, in millimetres, and no name breaks it', () => {
  const svg = wheelSvg(wheel(SPUR), 'a <b> & c');
  expect(svg).toContain('<title>a &lt;b&gt; &amp; c</title>');
  const size = Number(/width="([\d.]+)mm"/.exec(svg)![1]);
  expect(size).toBeGreaterThan(62.5);
  expect(size).toBeLessThan(65);
  expect(svg.match(/M/g)).toHaveLength(2);
});
