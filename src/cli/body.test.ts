import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { runHere } from '@/testing/command';
import { readGltf } from '@/testing/read-gltf';

const FILE = 'demo/trains/stirrer.train.json';
let folder: string;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'tin-wheel-body-'))));
afterEach(() => rmSync(folder, { recursive: true }));

const told = (text: string) => JSON.parse(text) as { triangles: number; members: number; touching: unknown[] };

test('body writes an assembly that another reader reads, with as many triangles as it says', () => {
  const file = join(folder, 'stirrer.glb');
  const { status, stdout } = runHere('body', FILE, '--position', 'slow', '--format', 'glb', '-o', file);
  expect(status).toBe(0);
  const { nodes, turning } = readGltf(readFileSync(file));
  expect(nodes.reduce((sum, { triangles }) => sum + triangles, 0)).toBe(told(stdout).triangles);
  expect(turning.length).toBeGreaterThan(1);
});

test('without a position nothing is engaged, and what is left open stands', () => {
  const file = join(folder, 'stirrer.glb');
  expect(runHere('body', FILE, '--format', 'glb', '-o', file).status).toBe(0);
  expect(readGltf(readFileSync(file)).nodes.length).toBeGreaterThan(3);
});

test('body writes a solid for each member', () => {
  const file = join(folder, 'stirrer.zip');
  const { stdout } = runHere('body', FILE, '--position', 'slow', '--format', 'stl', '-o', file);
  const names = Object.keys(unzipSync(readFileSync(file)));
  expect(names.filter((name) => name.endsWith('.stl'))).toHaveLength(told(stdout).members);
  expect(names).toContain('members.json');
});

test.each([
  [['--format', 'obj', '-o', 'x'], '--format is glb, or stl for a zip of solids.'],
  [['--format', 'glb'], 'name the file that is to be written with -o.'],
  [['--position', '9', '--format', 'glb', '-o', 'x'], 'there is no position "9".'],
  [['--format', 'glb', '-o', '/nowhere/at/all.glb'], 'cannot be written'],
])('%j is refused, and it is said why', (options, why) => {
  const { status, stderr } = runHere('body', FILE, ...options);
  expect(status).toBe(2);
  expect(stderr).toContain(why);
});
