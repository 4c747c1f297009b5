import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import DxfParser from 'dxf-parser';
import { openDatabase, seedDemoTrains } from '@/server/database';
import { stopWorkers } from '@/server/heavy';
import { runHere } from '@/testing/command';

let folder: string;
const at = (name: string) => join(folder, name);
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'tin-wheel-cli-'))));
afterEach(() => rmSync(folder, { recursive: true }));
afterAll(stopWorkers);

const RAKE = 'demo/trains/pan-rake.train.json';
const tinwheel = (args: readonly string[], database = 'none.sqlite') =>
  spawnSync('bin/tinwheel', args, {
    encoding: 'utf8',
    env: { ...process.env, TINWHEEL_DB: at(database) },
    timeout: 60_000,
  });
const said = (args: readonly string[], database?: string): string => saidBy(tinwheel(args, database));
const saidHere = (...args: string[]): string => saidBy(runHere(...args));
const saidBy = ({ status, stdout, stderr }: { status: number | null; stdout: string; stderr: string }): string => {
  expect([status, stderr]).toEqual([0, '']);
  return stdout;
};

test('parts: per gear its measures, at a speed and torque; CSV and Markdown have a row for each', () => {
  const train = JSON.parse(readFileSync(RAKE, 'utf8')) as { gears: { id: string; module?: number }[] };
  writeFileSync(
    at('sized.train.json'),
    JSON.stringify({ ...train, gears: train.gears.map((gear) => ({ ...gear, module: 2 })) }),
  );
  const list = JSON.parse(saidHere('parts', at('sized.train.json'), '--speed', '10 turns/s', '--torque', '2Nm')) as {
    parts: Record<string, unknown>[];
  };
  expect(list.parts[0]).toMatchObject({
    gear: 'g1a',
    teeth: 19,
    moduleMm: 2,
    pitchMm: 38,
    outsideMm: 42,
    rootMm: 33,
    centreDistancesMm: { g1b: 51 },
    worst: { speedRpm: 600, torqueNm: 2 },
  });
  expect(list.parts[0]!.tipMetresPerSecond).toBeCloseTo((Math.PI * 0.042 * 600) / 60, 5);
  for (const format of ['--csv', '--markdown'])
    expect(saidHere('parts', RAKE, format).trim().split('\n').length).toBeGreaterThanOrEqual(train.gears.length + 1);
  expect(runHere('parts', RAKE, '--csv', '--markdown').stderr).toContain('choose one');
});

test('gear: one wheel true to size in each format; what is wrong is one line with its option', () => {
  const base = ['gear', '--teeth', '23', '--module', '2.5', '--shift', '0.2', '--backlash', '0.1', '--bore', '8'];
  for (const format of ['svg', 'dxf', 'stl']) saidHere(...base, '--format', format, '-o', at(`g.${format}`));
  saidHere(...base, '--helix', '20', '--herringbone', '--width', '12', '--format', 'stl', '-o', at('h.stl'));
  saidHere(...base.slice(0, 5), '--shift', '-0.1', '--helix', '-20', '--format', 'stl', '-o', at('n.stl'));
  const lines = new DxfParser()
    .parseSync(readFileSync(at('g.dxf'), 'utf8'))!
    .entities.filter(({ type }) => type === 'POLYLINE') as unknown as { vertices: { x: number; y: number }[] }[];
  // 2.5 · (23 + 2 + 2 · 0.2) over the tips.
  expect(2 * Math.max(...lines[0]!.vertices.map(({ x, y }) => Math.hypot(x, y)))).toBeCloseTo(63.5, 4);
  const stl = readFileSync(at('h.stl'));
  expect(stl.length).toBe(84 + 50 * stl.readUInt32LE(80));
  const refused = (...args: string[]) => {
    const { status, stdout, stderr } = runHere(...args);
    expect([status, stdout, stderr.trim().split('\n').length]).toEqual([2, '', 1]);
    return stderr;
  };
  expect(refused(...base, '--format', 'obj', '-o', at('x'))).toContain('--format is svg, dxf or stl');
  expect(refused('gear', '--teeth', 'many', '--module', '2', '--format', 'svg', '-o', at('x'))).toContain(
    '--teeth: "many" is not a number',
  );
  expect(refused('gear', '--teeth', '20', '--module', '2', '--bore', '90', '--format', 'svg', '-o', at('x'))).toContain(
    '--bore: The hole leaves less than 1 mm',
  );
  expect(refused('gear', '--teeth', '20', '--module', '2', '--format', 'svg', '-o', at('no/such/x'))).toContain(
    'cannot be written',
  );
  expect(refused('gear', '--module', '2', '--format', 'svg', '-o', at('x'))).toContain('--teeth is needed');
});

test('sheet: a page with its drawings, that refers to nothing elsewhere; Markdown', () => {
  const html = said(['sheet', RAKE, '--speed', '600rpm', '--torque', '2Nm']);
  expect(html).toMatch(/^<!doctype html>/);
  expect(html.match(/<svg/g)!.length).toBeGreaterThan(3);
  expect(html).not.toMatch(/(src|href)="|url\(|@import/);
  expect(html).toContain('-592/133');
  const markdown = said(['sheet', RAKE, '--format', 'markdown', '--convention', 'out/in']);
  expect(markdown).toContain('# Pan rake gearbox');
  expect(markdown).toContain('13/64');
  expect(tinwheel(['sheet', RAKE, '--format', 'pdf']).stderr).toContain('--format is html or markdown');
});

test('bundle, unbundle, backup and restore on a database of their own', async () => {
  const database = await openDatabase(at('here.sqlite'));
  await seedDemoTrains(database, resolve('demo'));
  await database.close();
  expect(said(['bundle', 'pan-rake', 'mud-tram', '-o', at('two.zip')], 'here.sqlite')).toContain('two.zip');
  expect(said(['unbundle', at('two.zip'), '--dry-run'], 'there.sqlite')).toContain('Nothing was changed');
  expect(said(['unbundle', at('two.zip')], 'there.sqlite')).toContain('added: Mud tram automatic, Pan rake gearbox');
  const again = said(['unbundle', at('two.zip')], 'there.sqlite');
  expect(again).toContain('stands on the shelf as it is here');
  expect(again).toContain('skipped, for they are there already');
  said(['bundle', '--everything', '-o', at('again.zip')], 'there.sqlite');
  expect(readFileSync(at('again.zip')).equals(readFileSync(at('two.zip')))).toBe(true);
  said(['backup', at('copy.sqlite')], 'there.sqlite');
  expect(said(['restore', at('copy.sqlite')], 'there.sqlite')).toContain('What was there is kept as');
  expect(tinwheel(['bundle', 'no such', '-o', at('x.zip')], 'there.sqlite').stderr).toContain(
    'There is no train “no such”',
  );
  writeFileSync(at('bad.zip'), 'no zip');
  expect(tinwheel(['unbundle', at('bad.zip')], 'there.sqlite').stderr).toContain('not a zip');
  expect(tinwheel(['restore', at('bad.zip')], 'there.sqlite').stderr).toContain('is not a sound database');
});
