import { toothForm } from './tooth-form';
import type { Triangles } from './solid';
import type { ShapedGear } from './wheel';
import { itemAt } from '../required';

const short = (value: number): string => String(Math.round(value * 1e5) / 1e5);

/** The lines of a wheel true to size, as SVG in millimetres; y points up in the drawing, as on paper. */
export function wheelSvg(wheel: ShapedGear, title: string): string {
  const reach = Math.max(...wheel.outer.map(({ x, y }) => Math.max(Math.abs(x), Math.abs(y)))) + 1;
  const path = [wheel.outer, ...wheel.holes]
    .map((loop) => `M${loop.map(({ x, y }) => `${short(x)} ${short(-y)}`).join('L')}Z`)
    .join('');
  const size = short(2 * reach);
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${size}mm" height="${size}mm" ` +
    `viewBox="${short(-reach)} ${short(-reach)} ${size} ${size}"><title>${escaped(title)}</title><path ` +
    `d="${path}" fill="none" stroke="#000" stroke-width="0.1" fill-rule="evenodd"/></svg>\n`
  );
}

const escaped = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');

/**
 * The lines of a wheel true to size, as DXF R12: a closed polyline each, millimetres; the pitch circle on a layer of
 * its own.
 */
export function wheelDxf(wheel: ShapedGear): string {
  const pairs: (readonly [number, string | number])[] = [
    [0, 'SECTION'],
    [2, 'HEADER'],
    [9, '$ACADVER'],
    [1, 'AC1009'],
    [9, '$INSUNITS'],
    [70, 4],
    [0, 'ENDSEC'],
    [0, 'SECTION'],
    [2, 'ENTITIES'],
  ];
  for (const loop of [wheel.outer, ...wheel.holes]) {
    pairs.push([0, 'POLYLINE'], [8, 'CUT'], [66, 1], [10, '0.0'], [20, '0.0'], [30, '0.0'], [70, 1]);
    for (const { x, y } of loop) pairs.push([0, 'VERTEX'], [8, 'CUT'], [10, real(x)], [20, real(y)], [30, '0.0']);
    pairs.push([0, 'SEQEND'], [8, 'CUT']);
  }
  pairs.push(
    [0, 'CIRCLE'],
    [8, 'PITCH'],
    [10, '0.0'],
    [20, '0.0'],
    [30, '0.0'],
    [40, real(toothForm(wheel.spec).pitchRadius)],
  );
  pairs.push([0, 'ENDSEC'], [0, 'EOF']);
  return `${pairs.map(([code, value]) => `${String(code).padStart(3)}\r\n${value}`).join('\r\n')}\r\n`;
}

const real = (value: number): string => value.toFixed(6);

const STL_HEAD = 80;
const STL_TRIANGLE = 50;

/** Triangles as binary STL: single precision, little-endian, a normal for each. */
export function stlBytes(triangles: Triangles, title: string): Uint8Array {
  const count = triangles.length / 9;
  const bytes = new Uint8Array(STL_HEAD + 4 + count * STL_TRIANGLE);
  const view = new DataView(bytes.buffer);
  // It must not begin like the other kind of STL, which is text.
  const head = `binary: ${title}`.replace(/[^\x20-\x7e]/g, '?').slice(0, STL_HEAD);
  for (let i = 0; i < head.length; i++) bytes[i] = head.charCodeAt(i);
  view.setUint32(STL_HEAD, count, true);
  for (let i = 0; i < count; i++) {
    const at = STL_HEAD + 4 + i * STL_TRIANGLE;
    const corner = (k: number) => triangles.slice(9 * i + 3 * k, 9 * i + 3 * k + 3) as [number, number, number];
    const [a, b, c] = [corner(0), corner(1), corner(2)];
    [...normalOf(a, b, c), ...a, ...b, ...c].forEach((value, k) => view.setFloat32(at + 4 * k, value, true));
  }
  return bytes;
}

type Corner = readonly [number, number, number];

function normalOf(a: Corner, b: Corner, c: Corner): Corner {
  const [u, v] = [b, c].map((p) => p.map((value, i) => value - itemAt(a, i))) as [number[], number[]];
  const n = [
    itemAt(u, 1) * itemAt(v, 2) - itemAt(u, 2) * itemAt(v, 1),
    itemAt(u, 2) * itemAt(v, 0) - itemAt(u, 0) * itemAt(v, 2),
    itemAt(u, 0) * itemAt(v, 1) - itemAt(u, 1) * itemAt(v, 0),
  ];
  const length = Math.hypot(...n) || 1;
  return n.map((value) => value / length) as unknown as Corner;
}
