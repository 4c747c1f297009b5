import { plainPicture } from './picture-bytes';

const chunk = (name: string, data: string) => {
  const head = Buffer.alloc(8);
  head.writeUInt32BE(data.length);
  head.write(name, 4, 'latin1');
  return Buffer.concat([head, Buffer.from(data, 'latin1'), Buffer.alloc(4)]);
};
const SIGNATURE = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
const png = (...chunks: Buffer[]) => Buffer.concat([SIGNATURE, ...chunks]);

const segment = (marker: number, data: string) => {
  const head = Buffer.from([0xff, marker, 0, 0]);
  head.writeUInt16BE(data.length + 2, 2);
  return Buffer.concat([head, Buffer.from(data, 'latin1')]);
};
const SCAN = Buffer.from([0xff, 0xda, 0, 2, 1, 2, 3, 0xff, 0xd9]);
const jpeg = (...segments: Buffer[]) => Buffer.concat([Buffer.from([0xff, 0xd8]), ...segments]);

test('a PNG keeps what makes the picture, and nothing that tells where or when', () => {
  const kept = plainPicture(png(chunk('IHDR', 'size'), chunk('tEXt', 'where'), chunk('eXIf', 'GPS'), chunk('IDAT', 'pixels'), chunk('IEND', ''), Buffer.from('behind'))); // prettier-ignore
  expect(kept).toEqual({
    type: 'image/png',
    bytes: png(chunk('IHDR', 'size'), chunk('IDAT', 'pixels'), chunk('IEND', '')),
  });
});

test('a JPEG loses its application segments and comments, not the first that says how it is packed', () => {
  const jfif = segment(0xe0, 'JFIF');
  const tables = segment(0xdb, 'tables');
  const kept = plainPicture(jpeg(jfif, segment(0xe1, 'Exif GPS'), segment(0xfe, 'made by'), tables, SCAN));
  expect(kept).toEqual({ type: 'image/jpeg', bytes: jpeg(jfif, tables, SCAN) });
});

test.each([
  ['words', Buffer.from('<svg onload="alert(1)"/>')],
  ['nothing', Buffer.alloc(0)],
  ['a PNG that breaks off', png(chunk('IHDR', 'size')).subarray(0, 18)],
  ['a PNG without an end', png(chunk('IHDR', 'size'), chunk('IDAT', 'pixels'))],
  ['a JPEG without a picture', jpeg(segment(0xe0, 'JFIF'))],
  ['a JPEG whose segment is longer than it', jpeg(segment(0xdb, 'tables').subarray(0, 6))],
])('%s is no picture', (_, bytes) => {
  expect(plainPicture(bytes)).toBeNull();
});
