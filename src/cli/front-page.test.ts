import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { chartOf } from '@/core/gear-chart';
import { toFraction } from '@/core/rational';
import { parseTrain } from '@/core/train';

const ROOT = join(__dirname, '../..');
const page = readFileSync(join(ROOT, 'README.md'), 'utf8');

test('the train on the front page reads, and drives', () => {
  const [, json] = /```json\n([\s\S]*?)```/.exec(page)!;
  const parsed = parseTrain(json!);
  if (!parsed.ok) throw new Error(parsed.problems[0]!.message);
  expect(chartOf(parsed.train).rows.map(({ solved }) => solved.ratio && toFraction(solved.ratio))).toEqual(['4']);
});

test('its command lines name verbs and options that there are', () => {
  const { stdout, stderr } = spawnSync(join(ROOT, 'bin/tinwheel'), [], { encoding: 'utf8' });
  const usage = `${stdout}${stderr}`;
  const lines = [...page.matchAll(/^bin\/tinwheel (\w+) ([^#\n]*)#/gm)];
  expect(lines.length).toBeGreaterThanOrEqual(10);
  for (const [, verb, rest] of lines) {
    const own = usage.split('\n').find((line) => line.includes(`tinwheel ${verb} `))!;
    for (const option of rest!.match(/(?<= |^)--?[a-z]+/g) ?? []) expect(own).toContain(option);
  }
});

test('every picture on it is there, and every picture there is on it: fewer than twenty', () => {
  const shown = [...page.matchAll(/\((docs\/screenshots\/[^)]+)\)/g)].map(([, path]) => path!);
  expect(
    readdirSync(join(ROOT, 'docs/screenshots'))
      .map((file) => `docs/screenshots/${file}`)
      .sort(),
  ).toEqual([...shown].sort());
  expect(shown.length).toBeLessThan(20);
  for (const [, path] of page.matchAll(/\]\(((?:docs\/|[A-Z])[^)#]+)\)/g))
    expect([path, existsSync(join(ROOT, path!))]).toEqual([path, true]);
});
