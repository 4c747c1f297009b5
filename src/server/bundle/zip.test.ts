import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { BUNDLE_LIMITS, type BundleLimits } from './limits';
import { ZipReader } from './zip-reader';
import { ZipWriter } from './zip-writer';

let folder: string;
beforeAll(() => void (folder = mkdtempSync(join(tmpdir(), 'tin-wheel-zip-'))));
afterAll(() => rmSync(folder, { recursive: true }));

let count = 0;
const next = () => join(folder, `${++count}.zip`);

/** Files as a zip on the disk. */
function zipped(files: Readonly<Record<string, Uint8Array>>, limits?: BundleLimits): Uint8Array {
  const path = next();
  const zip = new ZipWriter(path, limits);
  for (const [name, bytes] of Object.entries(files)) zip.add(name, bytes);
  zip.finish();
  return readFileSync(path);
}

/** Everything that is in a zip. */
async function unzipped(bytes: Uint8Array, limits?: BundleLimits): Promise<Record<string, Buffer>> {
  const path = next();
  writeFileSync(path, bytes);
  const zip = await ZipReader.open(path, limits);
  try {
    const files: Record<string, Buffer> = {};
    for (const name of zip.names) files[name] = (await zip.read(name))!;
    return files;
  } finally {
    zip.close();
  }
}

const within = (file: number, all: number): BundleLimits => ({ ...BUNDLE_LIMITS, file: file * 1e6, all: all * 1e6 });

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

test('files come out as they went in, packed or only put in, empty ones and folders too', async () => {
  const files = { 'a/b.json': strToU8('{"a":1}'.repeat(30_000)), 'c.png': strToU8('abc'), 'd.txt': new Uint8Array(0) };
  const bytes = zipped(files);
  const texts = (those: Readonly<Record<string, Uint8Array>>) =>
    Object.fromEntries(Object.entries(those).map(([path, own]) => [path, Buffer.from(own).toString()]));
  expect(texts(await unzipped(bytes))).toEqual(texts(files));
  // Any other program opens it too.
  expect(texts(unzipSync(bytes))).toEqual(texts(files));
  expect(
    Object.keys(await unzipped(zipSync({ folder: { 'x.txt': strToU8('x') }, 'empty/': new Uint8Array(0) }))),
  ).toEqual(['folder/x.txt']);
});

test('the same files make the same bytes', () => {
  const files = { 'a.json': strToU8('{"a":1}'.repeat(3_000)), 'b.jpg': strToU8('abc') };
  expect(Buffer.from(zipped(files)).equals(zipped(files))).toBe(true);
});

test('sizes are what comes out, whatever the headers say', async () => {
  const large = zipSync({ 'a.json': new Uint8Array(26_000_000) });
  await expect(unzipped(large)).rejects.toThrow(/a\.json” unpacks to more than 25 MB/);
  for (const size of [0, 1]) await expect(unzipped(claiming(large, size))).rejects.toThrow(/damaged/);
});

test('many names over the same bytes are refused before those have come out many times', async () => {
  const one = zipSync({ '000.json': new Uint8Array(20_000_000) });
  await expect(unzipped(overlapping(one, 60))).rejects.toThrow(/damaged/);
  await expect(unzipped(overlapping(claiming(one, 0), 60))).rejects.toThrow(/damaged/);
});

test('what all files together come to is counted too', async () => {
  const files = Object.fromEntries(Array.from({ length: 7 }, (_, i) => [`${i}.json`, new Uint8Array(900_000)]));
  const bytes = zipSync(files);
  expect(Object.keys(await unzipped(bytes, within(1, 7)))).toHaveLength(7);
  await expect(unzipped(bytes, within(1, 6))).rejects.toThrow(/more than 6 MB/);
});

test('no more is written than may be read again', () => {
  const megabyte = new Uint8Array(1_000_001);
  expect(() => zipped({ 'a.json': megabyte }, within(1, 10))).toThrow(/a\.json has 1 MB/);
  expect(() => zipped({ 'a.json': megabyte, 'b.json': megabyte }, within(2, 2))).toThrow(
    /more than one bundle can hold/,
  );
  const files = Object.fromEntries(Array.from({ length: 4 }, (_, i) => [`${i}.json`, strToU8('{}')]));
  expect(() => zipped(files, { ...BUNDLE_LIMITS, files: 3 })).toThrow(/3 files/);
});

test('what was cut off at any place is damaged', async () => {
  const whole = zipped({ 'a.json': strToU8('{"a":1}'.repeat(1000)), 'b.json': strToU8('{}') });
  for (let length = 0; length < whole.length; length += 7)
    await expect(unzipped(whole.slice(0, length))).rejects.toThrow(/damaged/);
  expect(Object.keys(await unzipped(whole))).toHaveLength(2);
});
