import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { runHere as run } from '@/testing/command';
import { demoTrain } from '@/testing/demo-train';
import { withCountedIds } from '@/testing/renamed';
import type { Train } from '@/core/train';

const ROOT = join(__dirname, '../..');
const HARVESTER = 'demo/trains/harvester.train.json';
let folder = '';
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'written-'))));
afterEach(() => rmSync(folder, { recursive: true }));

/** Started as people do, with this on its standard input. */
const started = (input: string, ...args: string[]) =>
  spawnSync(process.execPath, ['bin/tinwheel', ...args], { cwd: ROOT, encoding: 'utf8', input });

function file(name: string, text: string): string {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
}

test('write and read lead from a document to the same but for its ids', () => {
  const text = run('write', HARVESTER).stdout;
  expect(text).toContain('set: sun 40 on double sun, planet 20 on front planet x3, ring 80 on held ring');
  const path = file('harvester.train.txt', text);
  const document = JSON.parse(run('read', path).stdout) as Train;
  expect(withCountedIds(document)).toEqual(withCountedIds(demoTrain('harvester')));
  expect(run('write', path).stdout).toBe(text);
});

test('every verb takes either form', () => {
  const path = file('harvester.train.txt', run('write', HARVESTER).stdout);
  const ratios = (from: string) => {
    const { positions } = JSON.parse(run('solve', from).stdout) as { positions: Record<string, { ratio: string }> };
    return Object.entries(positions).map(([id, { ratio }]) => [id, ratio]);
  };
  expect(ratios(path)).toEqual(ratios(HARVESTER));
  for (const verb of ['combinations', 'trace', 'chart', 'shifts', 'influence', 'travel', 'practice', 'parts', 'check'])
    expect([verb, run(verb, path).status]).toEqual([verb, 0]);
});

test('- is either, by how it begins', () => {
  const text = run('write', HARVESTER).stdout;
  expect(started(text, 'write', '-').stdout).toBe(text);
  expect(started(readFileSync(join(ROOT, HARVESTER), 'utf8'), 'write', '-').stdout).toBe(text);
});

test('what is wrong is one line with its place; check lists all of it, and what may be a slip', () => {
  const path = file('box.train.txt', 'train Box\ninput a\noutput b\npair: 2o on a drives 30 on b\nclutch: b with a\n');
  const { status, stdout, stderr } = run('read', path);
  expect([status, stdout]).toEqual([2, '']);
  expect(stderr).toMatch(/box\.train\.txt:4:7: “2o” is not a tooth count, a whole number\. \(and \d+ more\)\n$/);
  expect(
    run('check', path)
      .stderr.split('\n')
      .filter((line) => line.includes('box.train.txt:')),
  ).toHaveLength(2);
  const slip = 'train Box\ninput motor\noutput drum\npair: 20 on motor drives 30 on middle shaft\n';
  const sound = file('slip.train.txt', `${slip}pair: 20 on midle shaft drives 30 on drum\n`);
  expect(run('check', sound).stdout).toMatch(/:5:13: Is “midle shaft” another member than “middle shaft”\?\n$/);
  expect(run('read', file('bad.json', 'train Box')).stderr).toContain('This is not JSON');
});
