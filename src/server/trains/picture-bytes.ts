/** A picture as it may be kept: what it is by its bytes, and those bytes without what cameras and editors write beside the picture. */
export interface PlainPicture {
  readonly type: 'image/png' | 'image/jpeg';
  readonly bytes: Buffer;
}

const PNG = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
/** Chunks that make the picture; all others tell where, when and with what it was made. */
const PNG_KEPT = new Set(['IHDR', 'PLTE', 'tRNS', 'IDAT', 'IEND', 'gAMA', 'sRGB', 'cHRM']);

/** Null where the bytes are neither a PNG nor a JPEG, or break off. */
export function plainPicture(bytes: Buffer): PlainPicture | null {
  if (bytes.subarray(0, PNG.length).equals(PNG)) return withType('image/png', plainPng(bytes));
  if (bytes[0] === 0xff && bytes[1] === 0xd8) return withType('image/jpeg', plainJpeg(bytes));
  return null;
}

const withType = (type: PlainPicture['type'], bytes: Buffer | null): PlainPicture | null => bytes && { type, bytes };

/** Chunks of length, name, data and check sum, up to the end. */
function plainPng(bytes: Buffer): Buffer | null {
  const kept: Buffer[] = [PNG];
  let at = PNG.length;
  while (at + 12 <= bytes.length) {
    const end = at + 12 + bytes.readUInt32BE(at);
    const name = bytes.toString('latin1', at + 4, at + 8);
    if (end > bytes.length) return null;
    if (PNG_KEPT.has(name)) kept.push(bytes.subarray(at, end));
    if (name === 'IEND') return kept.length > 2 ? Buffer.concat(kept) : null;
    at = end;
  }
  return null;
}

const [START_OF_SCAN, COMMENT, FIRST_APP, LAST_APP] = [0xda, 0xfe, 0xe1, 0xef];

/** Segments up to the picture's own data, which is taken as it is: application segments but the first and comments are left out. */
function plainJpeg(bytes: Buffer): Buffer | null {
  const kept: Buffer[] = [bytes.subarray(0, 2)];
  let at = 2;
  while (at + 4 <= bytes.length && bytes[at] === 0xff) {
    const marker = bytes[at + 1]!;
    if (marker === START_OF_SCAN) return Buffer.concat([...kept, bytes.subarray(at)]);
    const end = at + 2 + bytes.readUInt16BE(at + 2);
    if (end > bytes.length) return null;
    if (marker !== COMMENT && !(marker >= FIRST_APP && marker <= LAST_APP)) kept.push(bytes.subarray(at, end));
    at = end;
  }
  return null;
}
