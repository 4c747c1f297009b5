import { strToU8, zipSync } from 'fflate';
import { refusalText } from '@/core/result';
import { readWheel, stackSolids, stlBytes, wheelDxf, wheelSolid, wheelSvg, type WheelSpec } from '@/core/shapes';

/** A wheel of a train that is to be made. */
export interface ShapeAsked {
  readonly gear: string;
  readonly name: string;
  /** What its files are called, without an ending. */
  readonly file: string;
  readonly copies: number;
  readonly spec: WheelSpec;
}

/** Wheels that are one piece, one above the other: a stepped planet. */
export interface PieceAsked {
  readonly file: string;
  readonly name: string;
  readonly specs: readonly WheelSpec[];
}

/** A wheel as binary STL. @throws Error that says what is wrong with it */
export function shapeStl(spec: WheelSpec, title: string): Uint8Array {
  const read = readWheel(spec);
  if (!read.ok) throw new Error(refusalText(read));
  return stlBytes(wheelSolid(read.value), title);
}

/**
 * Wheels as SVG, DXF and STL in one zip, with a manifest that says what each is, and which could not be made and why.
 */
export function shapesZip(
  name: string,
  wheels: readonly ShapeAsked[],
  pieces: readonly PieceAsked[],
  tell: (done: number) => void,
): Uint8Array {
  const files: Record<string, Uint8Array> = {};
  const made = wheels.map(({ gear, name: title, file, copies, spec }, i) => {
    const read = readWheel(spec);
    tell(i);
    if (!read.ok) return { gear, name: title, left: refusalText(read) };
    files[`${file}.svg`] = strToU8(wheelSvg(read.value, title));
    files[`${file}.dxf`] = strToU8(wheelDxf(read.value));
    files[`${file}.stl`] = stlBytes(wheelSolid(read.value), title);
    return { gear, name: title, copies, files: ['svg', 'dxf', 'stl'].map((ending) => `${file}.${ending}`), ...spec };
  });
  const whole = pieces.flatMap(({ file, name: title, specs }) => {
    const reads = specs.map(readWheel);
    const own = reads.flatMap((read) => (read.ok ? [read.value] : []));
    if (own.length < specs.length) return [];
    files[`${file}.stl`] = stlBytes(stackSolids(own), title);
    return [{ name: title, files: [`${file}.stl`], teeth: specs.map(({ teeth }) => teeth) }];
  });
  const manifest = {
    format: 'tin-wheel/shapes',
    version: 1,
    train: name,
    unit: 'mm',
    toleranceMm: 0.01,
    wheels: made,
    pieces: whole,
  };
  files['manifest.json'] = strToU8(`${JSON.stringify(manifest, null, 1)}\n`);
  return zipSync(files);
}
