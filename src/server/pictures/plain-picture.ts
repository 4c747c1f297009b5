import { plainJpeg } from './plain-jpeg';
import { plainPng, PNG_SIGNATURE } from './plain-png';

/** A picture as it may be kept: what it is by its bytes, and of those only what makes the picture. */
export interface PlainPicture {
  readonly type: 'image/png' | 'image/jpeg';
  readonly bytes: Buffer;
}

/**
 * A picture without what cameras and editors write beside it, and with nothing behind its end. Null where the bytes
 * are neither a PNG nor a JPEG of at most 20 million pixels, are not put together as such a file is, or break off.
 */
export function plainPicture(bytes: Buffer): PlainPicture | null {
  switch (pictureType(bytes)) {
    case 'image/png':
      return withType('image/png', plainPng(bytes));
    case 'image/jpeg':
      return withType('image/jpeg', plainJpeg(bytes));
    case null:
      return null;
  }
}

/** What a file says that it is, by its first bytes. */
export function pictureType(bytes: Buffer): PlainPicture['type'] | null {
  if (bytes.subarray(0, PNG_SIGNATURE.length).equals(PNG_SIGNATURE)) return 'image/png';
  return bytes[0] === 0xff && bytes[1] === 0xd8 ? 'image/jpeg' : null;
}

const withType = (type: PlainPicture['type'], bytes: Buffer | null): PlainPicture | null => bytes && { type, bytes };
