import { isAllowedSize } from './size';

const [START_OF_SCAN, END_OF_IMAGE, COMMENT] = [0xda, 0xd9, 0xfe];
const [JFIF, EXIF, ADOBE, LAST_APP] = [0xe0, 0xe1, 0xee, 0xef];

/**
 * The segments of a JPEG that make its picture, up to its end; else null. Of what stands beside it only which way is up
 * is kept, for without that the picture lies on its side, and how its colours are packed. Layout: the JPEG standard,
 * annex B, and the JFIF and Exif ones for their segments.
 */
export function plainJpeg(bytes: Buffer): Buffer | null {
  const start = bytes.subarray(0, 2);
  const kept: Buffer[] = [];
  let [framed, scanned] = [false, false];
  let upright: Buffer | null = null;
  let at = 2;
  while (at + 2 <= bytes.length && bytes[at] === 0xff) {
    const marker = bytes[at + 1] ?? 0;
    // A marker may be filled up in front.
    if (marker === 0xff) {
      at++;
      continue;
    }
    if (marker === END_OF_IMAGE) {
      if (!framed || !scanned) return null;
      return Buffer.concat([start, ...(upright ? [upright] : []), ...kept, Buffer.from([0xff, END_OF_IMAGE])]);
    }
    if (at + 4 > bytes.length) return null;
    const end = at + 2 + bytes.readUInt16BE(at + 2);
    if (end > bytes.length || end < at + 4) return null;
    const content = bytes.subarray(at + 4, end);
    if (isFrame(marker)) {
      if (framed || content.length < 5) return null;
      framed = isAllowedSize(content.readUInt16BE(3), content.readUInt16BE(1));
      if (!framed) return null;
    }
    if (marker === EXIF) upright ??= orientationAlone(content);
    if (marker === JFIF) kept.push(...plainJfif(content));
    else if (!isBeside(marker, content)) kept.push(bytes.subarray(at, end));
    at = end;
    if (marker !== START_OF_SCAN) continue;
    scanned = true;
    const next = endOfScan(bytes, at);
    kept.push(bytes.subarray(at, next));
    at = next;
  }
  return null;
}

/** Frames are C0 to CF, but for the tables of codes and arithmetic that stand among them. */
const isFrame = (marker: number): boolean => marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker);

const isBeside = (marker: number, content: Buffer): boolean =>
  marker === COMMENT ||
  (marker > JFIF && marker <= LAST_APP && !(marker === ADOBE && content.length === 12 && begins(content, 'Adobe')));

const begins = (content: Buffer, word: string): boolean => content.subarray(0, word.length).toString('latin1') === word;

/** Packed data goes on until a marker that is neither a stuffed byte nor a restart. */
function endOfScan(bytes: Buffer, from: number): number {
  let at = from;
  for (;;) {
    at = bytes.indexOf(0xff, at);
    if (at < 0) return bytes.length;
    const next = bytes[at + 1] ?? END_OF_IMAGE;
    if (next !== 0 && !(next >= 0xd0 && next <= 0xd7)) return at;
    at += 2;
  }
}

/** How large a pixel is, without the small picture that may follow it. */
function plainJfif(content: Buffer): Buffer[] {
  if (!begins(content, 'JFIF\0') || content.length < 14) return [];
  return [Buffer.concat([Buffer.from([0xff, JFIF, 0, 16]), content.subarray(0, 12), Buffer.from([0, 0])])];
}

const ORIENTATION = 0x0112;
const SHORT = 3;

/** An Exif segment that says which way is up and nothing else; null where that is as it is stored. */
function orientationAlone(content: Buffer): Buffer | null {
  const orientation = begins(content, 'Exif\0\0') ? orientationIn(content.subarray(6)) : 1;
  if (orientation < 2 || orientation > 8) return null;
  const segment = Buffer.alloc(36);
  segment.writeUInt16BE(0xff00 + EXIF, 0);
  segment.writeUInt16BE(34, 2);
  segment.write('Exif\0\0MM\0*', 4, 'latin1');
  segment.writeUInt32BE(8, 14);
  segment.writeUInt16BE(1, 18);
  segment.writeUInt16BE(ORIENTATION, 20);
  segment.writeUInt16BE(SHORT, 22);
  segment.writeUInt32BE(1, 24);
  segment.writeUInt16BE(orientation, 28);
  return segment;
}

/** 1 where nothing is said. */
function orientationIn(tiff: Buffer): number {
  const little = begins(tiff, 'II');
  const short = (at: number): number =>
    at + 2 > tiff.length ? 0 : little ? tiff.readUInt16LE(at) : tiff.readUInt16BE(at);
  const directory = tiff.length < 8 ? 0 : little ? tiff.readUInt32LE(4) : tiff.readUInt32BE(4);
  for (let i = 0; i < short(directory); i++) {
    const entry = directory + 2 + 12 * i;
    if (short(entry) === ORIENTATION) return short(entry + 8);
  }
  return 1;
}
