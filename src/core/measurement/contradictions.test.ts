import { demoTrain } from '@/testing/demo-train';
import { modelOf } from '../model';
import { toNumber } from '../rational';
import { outputTorque } from '../solve';
import { plain } from './arithmetic';
import { contradicted, contradictionsOf } from './contradictions';
import { disputedPositions, efficiencies } from './efficiency';
import { judgeFor, type Judged } from './judge';
import type { Reading } from './log-schema';

/** Who contradicts whom, asked of each by itself; the one pass over all has to name the same. */
function contradictions(judged: readonly Judged[]): ReadonlyMap<string, readonly string[]> {
  const found = judged.map((one) => [one.reading.id, contradictionsOf(one, judged)] as const);
  const named = new Map(found.filter(([, others]) => others.length > 0));
  expect([...contradicted(judged)]).toEqual([...named.keys()]);
  return named;
}

const RAKE = demoTrain('pan-rake');
const { judge, explain } = judgeFor(RAKE);
const ratio = (position: string): number => Math.abs(toNumber(modelOf(RAKE).positions().get(position)!.ratio!));
const turns = (id: string, position: string, counted: number, more: Partial<Reading> = {}): Reading =>
  ({ id, kind: 'turns', member: 'out', position, turns: counted, resolution: 0.1, inputTurns: 10, ...more }) as Reading;
const scale = (id: string, grams: number, more: Partial<Reading> = {}): Reading =>
  ({
    id,
    kind: 'scale',
    position: '1',
    member: 'out',
    grams,
    resolutionG: 1,
    armMm: 100,
    resolutionMm: 0.1,
    ...more,
  }) as Reading;

test('readings of one thing that exclude each other are named, each with the other; others are not', () => {
  const first = 10 / ratio('1');
  const judged = [
    turns('a', '1', first),
    turns('b', '1', first * 1.2),
    // Read in another position, in another state, or of other members, nothing is contradicted.
    turns('c', '2', first * 1.2),
    turns('d', '1', first * 1.2, { revision: 7 }),
    turns('e', '1', first * 1.2, { against: 'lay' }),
    turns('f', '1', first * 1.005),
  ].map(judge);
  expect(contradictions(judged)).toEqual(
    new Map([
      ['a', ['b']],
      ['b', ['a', 'f']],
      ['f', ['b']],
    ]),
  );
  const counts = (teeth: number, id: string): Reading => ({ id, kind: 'teeth', gear: RAKE.gears[0]!.id, teeth });
  expect([...contradictions([counts(20, 'x'), counts(21, 'y')].map(judge)).keys()]).toEqual(['x', 'y']);
});

test('no efficiency comes from readings that contradict one another, nor from more than can come out', () => {
  const ideal = Math.abs(toNumber(outputTorque(modelOf(RAKE).positions().get('1')!)!)) * 0.1;
  const grams = (share: number) => Math.round(((ideal * share) / 9.80665 / 0.1) * 1000);
  const read = (share: number, id: string) =>
    judge(scale(id, grams(share), { inputTorqueNm: 0.1 } as Partial<Reading>));
  const of = (...shares: number[]) =>
    efficiencies(
      judgeFor(RAKE),
      shares.map((share, i) => read(share, `${i}`)),
    );
  expect(of(0.9)[0]!.value).toBeCloseTo(0.9, 2);
  expect(of(0.9, 0.901)).toHaveLength(1);
  expect(of(0.9, 0.8)).toEqual([]);
  expect(disputedPositions(judgeFor(RAKE), [read(0.9, 'a'), read(0.8, 'b')])).toEqual(['1']);
  expect(of(1.2)).toEqual([]);
  // What cannot be leaves what can.
  expect(of(0.9, 1.2)[0]!.value).toBeCloseTo(0.9, 2);
});

test('a position that agrees comes before a slip, and that before another engagement; none is given twice', () => {
  const kinds = (reading: Reading) => explain(judge(reading)).map(({ kind }) => kind);
  const order = ['position', 'slip', 'engagement'];
  for (const position of ['1', '2', '3'])
    for (const other of ['1', '2', '3', '4']) {
      const found = explain(judge(turns('r', position, 10 / ratio(other))));
      expect(new Set(found.map(({ says }) => says)).size).toBe(found.length);
      const places = found.map(({ kind }) => order.indexOf(kind));
      expect(places).toEqual([...places].sort((a, b) => a - b));
    }
  expect(kinds(turns('r', '1', 10 / ratio('2')))[0]).toBe('position');
});

test('input and output that were swapped are a slip, and a count names the gear that was counted', () => {
  const said = (reading: Reading) => explain(judge(reading)).map(({ says }) => says);
  const speed = 100 / ratio('1');
  const read = { id: 's', kind: 'tachometer', position: '1', member: 'out', resolution: 0.5 } as const;
  expect(said({ ...read, rpm: 100, inputRpm: Number(speed.toFixed(2)) })).toContain(
    'input and output swapped: each was read on the other',
  );
  const [one, other] = RAKE.gears;
  expect(said({ id: 't', kind: 'teeth', gear: one!.id, teeth: other!.teeth })).toContainEqual(
    expect.stringMatching(new RegExp(`^the gear counted was ${other!.teeth} on `)),
  );
});

test('a perfect torque reading where power goes back from the output into the train is a perfect efficiency', () => {
  const harvester = demoTrain('harvester');
  const torqueNm = 2;
  const out = Math.abs(toNumber(outputTorque(modelOf(harvester).positions().get('R')!)!)) * torqueNm;
  const grams = Number(((out / 9.80665 / 0.5) * 1000).toFixed(3));
  const { judge: judgeOf } = judgeFor(harvester);
  const judged = judgeOf({
    id: 'p',
    kind: 'scale',
    position: 'R',
    member: 'out',
    grams,
    resolutionG: 0.01,
    armMm: 500,
    resolutionMm: 0,
    inputTorqueNm: torqueNm,
  } as Reading);
  expect(plain(judged.efficiency!).value).toBeCloseTo(1, 5);
});
