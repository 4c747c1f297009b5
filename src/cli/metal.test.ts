import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { runHere } from '@/testing/command';
import { demoTrain } from '@/testing/demo-train';

const CASES = join(__dirname, '../core');
let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'tin-wheel-metal-'));
});
afterAll(() => rmSync(folder, { recursive: true }));

const read = (path: string): unknown => JSON.parse(readFileSync(path, 'utf8'));

test('geometry of the worked example', () => {
  const { status, stdout: out } = runHere('geometry', join(CASES, 'geometry/cases/metal-centre.train.json'));
  expect(status).toBe(0);
  const found = JSON.parse(out) as { meshes: { ab: Record<string, number> }; gears: object };
  const expected = read(join(CASES, 'geometry/cases/metal-centre.geometry.json')) as typeof found;
  for (const [key, value] of Object.entries(expected.meshes.ab)) expect(found.meshes.ab[key]).toBeCloseTo(value, 10);
  expect(found.gears).toMatchObject({ a: { pitchMm: 36, tipMm: 40, rootMm: 31, undercut: false } });
});

test('forces of the worked example, and of what is not known nothing', () => {
  const { stdout: out } = runHere('forces', join(CASES, 'forces/cases/metal-helical.train.json'), '--torque', '6Nm');
  const mesh = (JSON.parse(out) as { positions: { 1: { meshes: { ab: Record<string, number | null> } } } }).positions[1]
    .meshes.ab;
  expect(mesh).toMatchObject({ tangentialN: expect.closeTo(237.396, 3) as number, pitchSpeedMs: null });
  const bare = join(folder, 'bare.train.json');
  writeFileSync(bare, JSON.stringify(demoTrain('sluice-winch')));
  const plain = JSON.parse(runHere('forces', bare, '--speed', '600rpm').stdout) as {
    torqueNm: number;
    positions: Record<string, { meshes: Record<string, { tangentialN: number | null; perMmN: number | null }> }>;
  };
  expect(plain.torqueNm).toBe(1);
  expect(Object.values(plain.positions).length).toBe(demoTrain('sluice-winch').positions.length);
  for (const { meshes } of Object.values(plain.positions))
    for (const { perMmN } of Object.values(meshes)) expect(perMmN === null || perMmN > 0).toBe(true);
});

test('a size that is none is refused where it stands', () => {
  const file = join(folder, 'bad.train.txt');
  writeFileSync(file, 'train Bad\ninput a\noutput b\npair: 18 on a (shift 9) drives 40 on b, module 2, centre 0\n');
  const { status, stderr: err } = runHere('geometry', file);
  expect(status).toBe(2);
  expect(err).toMatch(/:4:\d+: .*(shift is from|centre distance is above 0)/);
});
