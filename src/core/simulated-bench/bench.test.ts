import { demoTrain } from '@/testing/demo-train';
import { judgeFor, type Reading } from '../measurement';
import { simulatedBench, type Instrument } from '.';
import { modelOf } from '../model';

const INSTRUMENTS: readonly Instrument[] = ['marks', 'tachometer', 'scale', 'frames'];
const asked = (id: string, position: string, member: string) => ({
  id,
  position,
  member,
  inputTurns: 6,
  inputRpm: 600,
  inputTorqueNm: 1,
});

const taken = (
  name: string,
  seed: number,
  trick: Parameters<typeof simulatedBench>[2] = 'nothing',
): readonly Reading[] => {
  const train = demoTrain(name);
  const bench = simulatedBench(train, seed, trick);
  return train.positions.flatMap(({ id }) =>
    INSTRUMENTS.flatMap((instrument) => {
      const got = bench.read(instrument, asked(`${id} ${instrument}`, id, train.outputs[0]!));
      return got.ok ? [got.reading] : [];
    }),
  );
};

test.each(['pan-rake', 'mud-tram', 'harvester', 'stirrer'])(
  'a sound %s reads as computed, whatever the seed; torques lose what its meshes lose',
  (name) => {
    const { judge } = judgeFor(demoTrain(name));
    for (let seed = 1; seed <= 12; seed++) {
      const readings = taken(name, seed);
      expect(readings.length).toBeGreaterThan(4);
      for (const reading of readings) {
        const { verdict, efficiency } = judge(reading);
        if (reading.kind !== 'scale') expect(['agrees', 'cannot-tell']).toContain(verdict);
        else expect(Number(efficiency!.least.n) / Number(efficiency!.least.d)).toBeLessThan(1);
        expect(reading.simulated).toBe(true);
      }
    }
  },
);

test('the same seed reads the same, another one another', () => {
  expect(taken('pan-rake', 7)).toEqual(taken('pan-rake', 7));
  expect(taken('pan-rake', 7)).not.toEqual(taken('pan-rake', 8));
});

test('two couplers that are swapped show: their positions’ readings do not agree, and are explained', () => {
  const train = demoTrain('pan-rake');
  const { judge, explain } = judgeFor(train);
  const sound = modelOf(train).positions();
  let shown = 0;
  for (let seed = 1; seed <= 10; seed++) {
    const { secret } = simulatedBench(train, seed, 'swapped');
    expect(secret.says).toMatch(/ and .* are swapped\.$/);
    const off = taken('pan-rake', seed, 'swapped')
      .filter(({ kind, position }) => kind === 'marks' && sound.get(position!)!.status === 'drive')
      .map(judge)
      .filter(({ verdict }) => verdict === 'does-not-agree');
    for (const judged of off) {
      const engaged = train.positions.find(({ id }) => id === judged.reading.position)!.engaged;
      const really = [...secret.rewired(engaged)].sort();
      // Two that are swapped while one of them is engaged is one element engaged instead of another.
      if (engaged.filter((id) => !really.includes(id)).length > 1) continue;
      expect(explain(judged).some((one) => one.engaged && [...one.engaged].sort().join() === really.join())).toBe(true);
      shown++;
    }
  }
  expect(shown).toBeGreaterThan(5);
});

test('a hidden fault shows in some position; what cannot be read is said as it is seen', () => {
  const train = demoTrain('pan-rake');
  const sound = modelOf(train).positions();
  for (let seed = 1; seed <= 10; seed++) {
    const bench = simulatedBench(train, seed, 'fault');
    expect(bench.secret.faults).toHaveLength(1);
    const odd = train.positions.filter(({ id }) => {
      const got = bench.read('marks', asked('a', id, 'out'));
      if (!got.ok)
        return (
          sound.get(id)!.status === 'drive' || got.seen.includes('locked') !== (sound.get(id)!.status === 'locked')
        );
      return sound.get(id)!.status !== 'drive' || judgeFor(train).judge(got.reading).verdict === 'does-not-agree';
    });
    expect(odd.length).toBeGreaterThan(0);
  }
});

test('belts slip a little: a train with pulleys reads slower than it is computed, others do not', () => {
  const train = demoTrain('pan-rake');
  const belted = {
    ...train,
    gears: train.gears.map((gear) =>
      gear.id === 'g1a' || gear.id === 'g1b' ? { ...gear, type: 'pulley' as const } : gear,
    ),
  };
  const marks = (of: typeof train, seed: number) => {
    const got = simulatedBench(of, seed, 'nothing').read('marks', { ...asked('a', '4', 'out'), inputTurns: 200 });
    return got.ok && got.reading.kind === 'marks' ? got.reading.passed : NaN;
  };
  expect(simulatedBench(train, 3, 'nothing').secret.slip).toBe(0);
  const slips = [1, 2, 3, 4].map((seed) => simulatedBench(belted, seed, 'nothing').secret.slip);
  expect(Math.max(...slips)).toBeGreaterThan(0.001);
  [1, 2, 3, 4].forEach((seed, i) => {
    expect(marks(belted, seed)).toBeCloseTo(4800 * (1 - slips[i]!), -0.5);
    expect(marks(train, seed)).toBeCloseTo(4800, -0.5);
  });
});

test('what cannot be wrong with a train, or would show in no position, is not promised', () => {
  expect(simulatedBench(demoTrain('printed-hoist'), 1, 'swapped').secret.says).toBe(
    'Nothing is wrong with it: two swapped couplers would show in no position of it.',
  );
});
