import { deflateSync } from 'node:zlib';
import { plainPicture } from './plain-picture';
import { crc32, PNG_SIGNATURE } from './plain-png';

const chunk = (name: string, data: Buffer | string = ''): Buffer => {
  const body = Buffer.concat([Buffer.from(name, 'latin1'), Buffer.from(data)]);
  const [size, sum] = [Buffer.alloc(4), Buffer.alloc(4)];
  size.writeUInt32BE(body.length - 4);
  sum.writeUInt32BE(crc32(body));
  return Buffer.concat([size, body, sum]);
};
const png = (...chunks: Buffer[]): Buffer => Buffer.concat([PNG_SIGNATURE, ...chunks]);

const head = (width: number, height: number, interlace = 0): Buffer => {
  const data = Buffer.from([0, 0, 0, 0, 0, 0, 0, 0, 8, 2, 0, 0, interlace]);
  data.writeUInt32BE(width, 0);
  data.writeUInt32BE(height, 4);
  return chunk('IHDR', data);
};
/** 3 by 2 pixels of three bytes, each row behind its filter. */
const ROWS = deflateSync(Buffer.alloc(2 * (1 + 9)));
const WHOLE = png(head(3, 2), chunk('IDAT', ROWS), chunk('IEND'));

/** 12 by 4 pixels, red and blue, as a browser writes it. */
const PHOTO = Buffer.from(
  '/9j/4AAQSkZJRgABAQAAAQABAAD/4gHYSUNDX1BST0ZJTEUAAQEAAAHIAAAAAAQwAABtbnRyUkdCIFhZWiAH4AABAAEAAAAAAABh' +
    'Y3NwAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAQAA9tYAAQAAAADTLQAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA' +
    'AAAAAAAAAAAAAAAAAAAAAAAAAAlkZXNjAAAA8AAAACRyWFlaAAABFAAAABRnWFlaAAABKAAAABRiWFlaAAABPAAAABR3dHB0AAAB' +
    'UAAAABRyVFJDAAABZAAAAChnVFJDAAABZAAAAChiVFJDAAABZAAAAChjcHJ0AAABjAAAADxtbHVjAAAAAAAAAAEAAAAMZW5VUwAA' +
    'AAgAAAAcAHMAUgBHAEJYWVogAAAAAAAAb6IAADj1AAADkFhZWiAAAAAAAABimQAAt4UAABjaWFlaIAAAAAAAACSgAAAPhAAAts9Y' +
    'WVogAAAAAAAA9tYAAQAAAADTLXBhcmEAAAAAAAQAAAACZmYAAPKnAAANWQAAE9AAAApbAAAAAAAAAABtbHVjAAAAAAAAAAEAAAAM' +
    'ZW5VUwAAACAAAAAcAEcAbwBvAGcAbABlACAASQBuAGMALgAgADIAMAAxADb/2wBDABsSFBcUERsXFhceHBsgKEIrKCUlKFE6PTBC' +
    'YFVlZF9VXVtqeJmBanGQc1tdhbWGkJ6jq62rZ4C8ybqmx5moq6T/2wBDARweHigjKE4rK06kbl1upKSkpKSkpKSkpKSkpKSkpKSk' +
    'pKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKT/wAARCAAEAAwDASIAAhEBAxEB/8QAFQABAQAAAAAAAAAAAAAAAAAAAAT/' +
    'xAAUEAEAAAAAAAAAAAAAAAAAAAAA/8QAFQEBAQAAAAAAAAAAAAAAAAAAAgT/xAAZEQACAwEAAAAAAAAAAAAAAAAAAQQycTP/2gAM' +
    'AwEAAhEDEQA/AJgFEWj0UzosP//Z',
  'base64',
);
const segment = (marker: number, data: Buffer | string): Buffer => {
  const content = Buffer.from(data as string, 'latin1');
  const start = Buffer.from([0xff, marker, 0, 0]);
  start.writeUInt16BE(content.length + 2, 2);
  return Buffer.concat([start, content]);
};
/** The photo with segments of its own behind its start. */
const withSegments = (...segments: Buffer[]): Buffer =>
  Buffer.concat([PHOTO.subarray(0, 2), ...segments, PHOTO.subarray(2)]);

/** What cameras write: which way is up, among other things, in either order of bytes. */
function exif(orientation: number, little: boolean): Buffer {
  const tiff = Buffer.alloc(60, 'GPS');
  tiff.write(little ? 'II*\0' : 'MM\0*', 0, 'latin1');
  const put = (value: number, at: number, size: number) =>
    little ? tiff.writeUIntLE(value, at, size) : tiff.writeUIntBE(value, at, size);
  put(10, 4, 4);
  put(2, 10, 2);
  put(0x010f, 12, 2);
  put(0x0112, 24, 2);
  put(3, 26, 2);
  put(1, 28, 4);
  put(orientation, 32, 2);
  return segment(0xe1, Buffer.concat([Buffer.from('Exif\0\0'), tiff]));
}

const kept = (bytes: Buffer): Buffer => {
  const picture = plainPicture(bytes);
  if (!picture) throw new Error('It is refused.');
  return picture.bytes;
};

test('a PNG keeps what makes the picture, and nothing that tells where or when, or stands behind it', () => {
  const written = png(
    head(3, 2),
    chunk('tEXt', 'where'),
    chunk('eXIf', 'GPS'),
    chunk('acTL', 'more'),
    chunk('IDAT', ROWS.subarray(0, 5)),
    chunk('IDAT', ROWS.subarray(5)),
    chunk('fdAT', 'another'),
    chunk('IEND'),
    Buffer.from('behind'),
  );
  const parts = [chunk('IDAT', ROWS.subarray(0, 5)), chunk('IDAT', ROWS.subarray(5))];
  expect(plainPicture(written)).toEqual({ type: 'image/png', bytes: png(head(3, 2), ...parts, chunk('IEND')) });
  expect(kept(WHOLE).equals(WHOLE)).toBe(true);
});

test('an interlaced PNG is whole when all of its passes are', () => {
  // Of 3 by 2 pixels four passes have any: three of one pixel, and the second row.
  const passes = 1 + 3 + (1 + 3) + (1 + 3) + (1 + 9);
  const of = (length: number) => png(head(3, 2, 1), chunk('IDAT', deflateSync(Buffer.alloc(length))), chunk('IEND'));
  const sizes = Array.from({ length: 40 }, (_, i) => i).filter((length) => plainPicture(of(length)) !== null);
  expect(sizes).toEqual([passes]);
});

test('a JPEG loses what stands beside the picture, a small second one too, and is cut at its end', () => {
  const plain = kept(PHOTO);
  expect(plain.length).toBeLessThanOrEqual(PHOTO.length);
  const behind = Buffer.concat([PHOTO, PHOTO, Buffer.from('behind')]);
  expect(kept(behind).equals(plain)).toBe(true);
  const around = withSegments(segment(0xfe, 'made by'), segment(0xe2, 'MPF'), segment(0xed, 'where'), exif(1, true));
  expect(kept(around).equals(plain)).toBe(true);
  expect(kept(withSegments(segment(0xe0, 'JFXX\0 small picture'))).equals(plain)).toBe(true);
  expect(kept(plain).equals(plain)).toBe(true);
});

test.each([2, 3, 6, 8])('which way is up, %i, is all that stays of what a camera says', (orientation) => {
  for (const little of [true, false]) {
    const bytes = kept(withSegments(exif(orientation, little)));
    expect(bytes.length).toBe(kept(PHOTO).length + 36);
    expect(bytes.includes('GPS')).toBe(false);
    // It is read back as it was, by itself as well.
    expect(bytes.readUInt16BE(2 + 28)).toBe(orientation);
    expect(kept(bytes).equals(bytes)).toBe(true);
  }
});

/** The photo saying that it has so many pixels. */
function sized(width: number, height: number): Buffer {
  const bytes = Buffer.from(PHOTO);
  const frame = bytes.indexOf(Buffer.from([0xff, 0xc0]));
  bytes.writeUInt16BE(height, frame + 5);
  bytes.writeUInt16BE(width, frame + 7);
  return bytes;
}

test.each([
  ['words', Buffer.from('<svg onload="alert(1)"/>')],
  ['nothing', Buffer.alloc(0)],
  ['a PNG that breaks off', WHOLE.subarray(0, 40)],
  ['a PNG without an end', png(head(3, 2), chunk('IDAT', ROWS))],
  ['a PNG without a picture', png(head(3, 2), chunk('IEND'))],
  ['a PNG with rows too few', png(head(3, 3), chunk('IDAT', ROWS), chunk('IEND'))],
  ['a PNG with rows too many', png(head(3, 1), chunk('IDAT', ROWS), chunk('IEND'))],
  [
    'a PNG with something behind its rows',
    png(head(3, 2), chunk('IDAT', Buffer.concat([ROWS, Buffer.from('x')])), chunk('IEND')),
  ],
  ['a PNG whose sums are wrong', Buffer.from(WHOLE).fill(7, 29, 33)],
  ['a PNG of too many pixels', png(head(5000, 4001), chunk('IDAT', ROWS), chunk('IEND'))],
  ['a JPEG that breaks off', PHOTO.subarray(0, PHOTO.length - 2)],
  [
    'a JPEG without a picture',
    Buffer.concat([PHOTO.subarray(0, 2), segment(0xe0, 'JFIF\0'), Buffer.from([0xff, 0xd9])]),
  ],
  ['a JPEG of too many pixels', sized(5000, 4001)],
  ['a JPEG of no height', sized(12, 0)],
])('%s is no picture', (_, bytes) => {
  expect(plainPicture(bytes)).toBeNull();
});
