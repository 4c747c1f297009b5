import { strToU8, zipSync } from 'fflate';
import { unzipped, zipped } from './zip';

/** A zip's bytes with the sizes in its headers, local and listed, set to what is said. */
function claiming(bytes: Uint8Array, size: number): Uint8Array {
  const copy = Buffer.from(bytes);
  for (let at = 0; at + 46 <= copy.length; at++) {
    const signature = copy.readUInt32LE(at);
    if (signature === 0x04034b50) copy.writeUInt32LE(size, at + 22);
    if (signature === 0x02014b50) copy.writeUInt32LE(size, at + 24);
  }
  return copy;
}

/** A directory that lists one packed file many times, each under a name of its own. */
function overlapping(packed: Uint8Array, times: number): Uint8Array {
  const bytes = Buffer.from(packed);
  const end = bytes.lastIndexOf(Buffer.from([0x50, 0x4b, 5, 6]));
  const start = bytes.readUInt32LE(end + 16);
  const entry = bytes.subarray(start, end);
  const entries = Array.from({ length: times }, (_, i) => {
    const own = Buffer.from(entry);
    own.write(String(i).padStart(3, '0'), 46, 'latin1');
    return own;
  });
  const tail = Buffer.from(bytes.subarray(end));
  tail.writeUInt16LE(times, 8);
  tail.writeUInt16LE(times, 10);
  tail.writeUInt32LE(entry.length * times, 12);
  return Buffer.concat([bytes.subarray(0, start), ...entries, tail]);
}

test('files come out as they went in, packed or only put in, empty ones and folders too', () => {
  const files = { 'a/b.json': strToU8('{"a":1}'.repeat(30_000)), 'c.png': strToU8('abc'), 'd.txt': new Uint8Array(0) };
  expect(unzipped(zipped(files))).toEqual({ ok: true, files: expect.anything() });
  const back = unzipped(zipped(files));
  if (!back.ok) throw new Error(back.message);
  expect(
    Object.fromEntries(Object.entries(back.files).map(([path, own]) => [path, Buffer.from(own).toString()])),
  ).toEqual(Object.fromEntries(Object.entries(files).map(([path, own]) => [path, Buffer.from(own).toString()])));
  const withFolder = unzipped(zipSync({ folder: { 'x.txt': strToU8('x') }, 'empty/': new Uint8Array(0) }));
  expect(withFolder.ok && Object.keys(withFolder.files)).toEqual(['folder/x.txt']);
});

test('sizes are what comes out, whatever the headers say', () => {
  const large = zipSync({ 'a.json': new Uint8Array(26_000_000) });
  for (const size of [0, 1, 26_000_000]) {
    const read = unzipped(claiming(large, size));
    expect(read).toMatchObject({ ok: false, message: expect.stringMatching(/a\.json” unpacks to more than 25 MB/) });
  }
});

test('many names over the same bytes are refused before those have come out many times', () => {
  const one = claiming(zipSync({ '000.json': new Uint8Array(20_000_000) }), 0);
  expect(unzipped(overlapping(one, 60))).toMatchObject({ ok: false, message: expect.stringMatching(/damaged/) });
});

test('what all files together come to is counted too', () => {
  const files = Object.fromEntries(Array.from({ length: 7 }, (_, i) => [`${i}.json`, new Uint8Array(900_000)]));
  const bytes = claiming(zipSync(files), 0);
  expect(unzipped(bytes, { file: 1, all: 7 }).ok).toBe(true);
  expect(unzipped(bytes, { file: 1, all: 6 })).toMatchObject({
    ok: false,
    message: expect.stringMatching(/more than 6 MB/),
  });
});

test('what was cut off at any place is damaged', () => {
  const whole = zipped({ 'a.json': strToU8('{"a":1}'.repeat(1000)), 'b.json': strToU8('{}') });
  for (let length = 0; length < whole.length; length += 7)
    expect(unzipped(whole.slice(0, length))).toMatchObject({ ok: false });
  expect(unzipped(whole).ok).toBe(true);
});
