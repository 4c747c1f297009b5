import { inflateSync, type Inflate } from 'node:zlib';
import { isAllowedSize } from './size';

export const PNG_SIGNATURE = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
/** Chunks that make the picture; all others tell where, when and with what it was made, or hold further pictures. */
const KEPT = new Set(['IHDR', 'PLTE', 'tRNS', 'IDAT', 'IEND', 'gAMA', 'sRGB', 'cHRM']);

/**
 * The chunks of a PNG that make its picture, once that comes out whole; else null. Layout: the PNG specification, 5 and
 * 11.
 */
export function plainPng(bytes: Buffer): Buffer | null {
  const kept: Buffer[] = [PNG_SIGNATURE];
  const data: Buffer[] = [];
  let head: Head | null = null;
  let at = PNG_SIGNATURE.length;
  while (at + 12 <= bytes.length) {
    const end = at + 12 + bytes.readUInt32BE(at);
    if (end > bytes.length || crc32(bytes.subarray(at + 4, end - 4)) !== bytes.readUInt32BE(end - 4)) return null;
    const name = bytes.toString('latin1', at + 4, at + 8);
    const content = bytes.subarray(at + 8, end - 4);
    if ((name === 'IHDR') !== (at === PNG_SIGNATURE.length)) return null;
    if (name === 'IHDR') head = headOf(content);
    if (!head) return null;
    if (name === 'IDAT') data.push(content);
    if (KEPT.has(name)) kept.push(bytes.subarray(at, end));
    if (name === 'IEND') return comesOutWhole(head, Buffer.concat(data)) ? Buffer.concat(kept) : null;
    at = end;
  }
  return null;
}

interface Head {
  readonly width: number;
  readonly height: number;
  readonly bitsPerPixel: number;
  readonly interlaced: boolean;
}

/** Samples of a pixel, by the colour type. */
const SAMPLES: Readonly<Record<number, number>> = { 0: 1, 2: 3, 3: 1, 4: 2, 6: 4 };

function headOf(content: Buffer): Head | null {
  if (content.length !== 13) return null;
  const [width, height] = [content.readUInt32BE(0), content.readUInt32BE(4)];
  const [depth, colour, , , interlace] = content.subarray(8);
  const samples = SAMPLES[colour ?? -1];
  if (depth === undefined || samples === undefined || !isAllowedSize(width, height)) return null;
  return { width, height, bitsPerPixel: depth * samples, interlaced: interlace === 1 };
}

/** Whether the packed data is exactly the rows of the picture, with nothing behind them. */
function comesOutWhole(head: Head, data: Buffer): boolean {
  const expected = bytesOf(head);
  try {
    const { buffer, engine } = inflateSync(data, { maxOutputLength: expected, info: true }) as unknown as {
      readonly buffer: Buffer;
      readonly engine: Inflate;
    };
    return buffer.length === expected && engine.bytesWritten === data.length;
  } catch {
    return false;
  }
}

/** First column and row of each pass of an interlaced picture, and its steps. */
const PASSES = [
  [0, 0, 8, 8],
  [4, 0, 8, 8],
  [0, 4, 4, 8],
  [2, 0, 4, 4],
  [0, 2, 2, 4],
  [1, 0, 2, 2],
  [0, 1, 1, 2],
] as const;

/** Each row is a byte for its filter and its pixels, filled up to whole bytes. */
function bytesOf({ width, height, bitsPerPixel, interlaced }: Head): number {
  const rows = (columns: number, lines: number): number =>
    columns === 0 ? 0 : lines * (1 + Math.ceil((columns * bitsPerPixel) / 8));
  if (!interlaced) return rows(width, height);
  return PASSES.reduce(
    (sum, [x, y, stepX, stepY]) =>
      sum + rows(Math.max(0, Math.ceil((width - x) / stepX)), Math.max(0, Math.ceil((height - y) / stepY))),
    0,
  );
}

const CRC_TABLE = Uint32Array.from({ length: 256 }, (_, byte) => {
  let value = byte;
  for (let bit = 0; bit < 8; bit++) value = value & 1 ? (value >>> 1) ^ 0xedb88320 : value >>> 1;
  return value;
});

/** The check sum of a chunk's name and data (PNG specification, annex D). */
export function crc32(bytes: Uint8Array): number {
  let crc = 0xffffffff;
  for (const byte of bytes) crc = (crc >>> 8) ^ (CRC_TABLE[(crc ^ byte) & 0xff] ?? 0);
  return (crc ^ 0xffffffff) >>> 0;
}
