import { fraction } from '@/core/rational';
import { FRAME, type Train } from '@/core/train';
import { couplerName, couplerWords, gearWords, listed, memberName } from '@/core/words';
import { analyseEngaged } from '@/features/train/analysis';
import type { TypedInput } from '@/features/train/input/typed-input';
import { couplerState, decidesForItself } from '@/features/train/words';
import { demoTrain } from '@/testing/demo-train';
import { oneWayText } from './panel/one-way-lines';
import { lawText } from './panel/outputs';
import { storyOf } from './panel/sentences';

const told = (name: string, engaged: readonly string[]) =>
  storyOf(demoTrain(name), analyseEngaged(demoTrain(name), engaged, 'drive', false));

describe('words for parts', () => {
  const rake = demoTrain('pan-rake');
  const crawler = demoTrain('crawler');
  const coupler = (train: typeof rake, id: string) => train.couplers.find((one) => one.id === id)!;

  test('members, the frame, gears', () => {
    expect([memberName(rake, 'w1'), memberName(rake, FRAME), memberName(rake, 'gone')]).toEqual([
      'first wheel',
      'the frame',
      'gone',
    ]);
    expect(gearWords(rake, rake.gears[0]!)).toBe('Gear on input shaft, 19 teeth');
  });

  test('couplers by what they join', () => {
    expect(couplerWords(rake, coupler(rake, 'direct'))).toBe('Clutch Direct, input shaft with output shaft');
    expect(couplerWords(crawler, coupler(crawler, 'B1'))).toBe('Brake B1 on large sun');
    expect(couplerWords(crawler, coupler(crawler, 'F1'))).toBe('One-way clutch F1 on carrier');
    expect(couplerWords(rake, coupler(rake, 'idler-a'))).toBe(
      'Sliding mesh Idler, lay, countershaft with reverse idler',
    );
    expect([couplerName(rake, 'first'), couplerName(rake, 'self-lock:m3')]).toEqual(['First', 'the self-locking worm']);
  });

  test('only a one-way clutch that nobody selects decides for itself', () => {
    expect(crawler.couplers.filter(decidesForItself).map(({ id }) => id)).toEqual(['F1']);
    expect(
      decidesForItself({
        ...(coupler(crawler, 'F1') as Extract<(typeof crawler.couplers)[0], { type: 'one-way' }>),
        control: 'selectable',
      }),
    ).toBe(false);
  });

  test('a one-way clutch holds or overruns, others are engaged or off', () => {
    const states = (engaged: readonly string[]) =>
      crawler.couplers.map((one) => `${one.id} ${couplerState(one, analyseEngaged(crawler, engaged, 'drive', false))}`);
    expect(states(['K1'])).toEqual(['K1 engaged', 'K2 off', 'K3 off', 'B1 off', 'B2 off', 'F1 holds']);
    expect(states(['K1', 'B1'])).toContain('F1 overruns');
  });

  test('lists read like sentences', () => {
    expect([listed([]), listed(['A']), listed(['A', 'B']), listed(['A', 'B', 'C'])]).toEqual([
      '',
      'A',
      'A and B',
      'A, B and C',
    ]);
  });
});

describe('the story', () => {
  test('of the winch: who drives whom, pair by pair', () => {
    const { sentences, idle } = told('sluice-winch', []);
    expect(sentences.map(({ text }) => text)).toEqual([
      'Input: crank, one turn.',
      'Driver gear 14 on crank turns driven gear 25 on idler the other way.',
      'Driver gear 25 on idler turns driven gear 56 on countershaft the other way.',
      'Driver gear 15 on countershaft turns driven gear 45 on drum the other way.',
    ]);
    expect(sentences.every(({ carriesPower }) => carriesPower)).toBe(true);
    expect(sentences.at(-1)!.sum).toBe('1/4 × −15/45 = −1/12');
    expect(idle).toEqual([]);
  });

  test('of the rake in second: what only turns along is not told step by step', () => {
    const { sentences, idle } = told('pan-rake', ['second']);
    expect(sentences.map(({ text }) => text)).toEqual([
      'Input: input shaft, one turn.',
      'Driver gear 19 on input shaft turns driven gear 32 on countershaft the other way.',
      'Driver gear 19 on countershaft turns driven gear 32 on second wheel the other way.',
      'Joined by Second, turning as one: second wheel and output shaft.',
    ]);
    expect([...idle].sort()).toEqual(['w1', 'w3']);
  });

  test('of the harvester in second: what is held, what turns as one block, and no planet', () => {
    const { sentences } = told('harvester', ['A', 'B', 'E']);
    const texts = sentences.map(({ text }) => text);
    expect(texts).toContain('Held by Sun brake: double sun.');
    expect(texts.some((text) => text.startsWith('Nothing rolls in this set, one block: '))).toBe(true);
    expect(texts.join(' ')).not.toContain('front planet');
    expect(sentences.find(({ text }) => text.startsWith('Joined by Link,'))!.highlight).toEqual({
      members: ['r2s3', 'r3s4'],
      gears: [],
      couplers: ['E'],
    });
  });

  test('in neutral everything that turns is told', () => {
    const { sentences, idle } = told('pan-rake', []);
    expect(sentences.length).toBeGreaterThan(3);
    expect(idle).toEqual([]);
  });

  test('of a train that is locked: nothing turns, nothing is told', () => {
    expect(told('pan-rake', ['first', 'second']).sentences).toEqual([]);
  });
});

describe('sentences fit any name', () => {
  const tram = demoTrain('mud-tram');
  const odd = 'the long planets of the rake, no. 2.';
  const named: Train = {
    ...tram,
    members: tram.members.map((member) => ({ ...member, name: member.id === 'in' ? 'sails' : odd })),
    couplers: tram.couplers.map((coupler) => ({ ...coupler, name: coupler.type === 'one-way' ? 'pawls' : 'Hold!' })),
  };
  const typed: TypedInput = {
    speed: { value: 30, unit: 'rpm', si: Math.PI / 30, message: null },
    torque: { value: 10, unit: 'N·m', si: 1, message: null },
  };
  const all = named.positions.flatMap(({ engaged }) =>
    (['drive', 'coast', 'backward'] as const).flatMap((flow) => {
      const position = analyseEngaged(named, engaged, flow, false);
      return [
        ...storyOf(named, position).sentences.map(({ text }) => text),
        ...position.oneWays.flatMap((account) => oneWayText(named, account, typed, 'sails')),
      ];
    }),
  );

  test('no verb stands after a name that may be one or many, and no stop stands twice', () => {
    expect(all.length).toBeGreaterThan(100);
    for (const text of all) {
      expect(text).toMatch(/[.!]$/);
      expect(text).not.toMatch(/\.\.|!\.|The the|the the /);
      expect(text).not.toMatch(/(sails|no\. 2\.|pawls|Hold!) (is|are|turns|holds|joins|stands|runs|has|have)\b/);
    }
  });

  test('the tram in second: which roller holds and why, which is overrun by how much, what would change it', () => {
    const { oneWays } = analyseEngaged(tram, ['forward', 'hold'], 'drive', false);
    const texts = oneWays.map((account) => oneWayText(tram, account, typed, 'input'));
    expect(texts[0]).toEqual([
      'Holds: Front roller, 10.00 N·m, from input to middle shaft.',
      'Nothing else carries the load on from input to middle shaft.',
      'Would overrun with Front brake on, or Front clutch on.',
    ]);
    expect(texts[1]![0]).toBe('Holds: Hold roller, 4.783 N·m, from stub shaft to long sun.');
    expect(texts[2]).toEqual([
      'Overrun: Rear roller, by 0.4510 turns for one of input, rear carrier ahead of the frame.',
      'Would hold with Hold off.',
    ]);
  });

  test('the law of a differential, and of outputs that count differently', () => {
    const axle = demoTrain('wagon-axle');
    const [law] = analyseEngaged(axle, [], 'drive', false).laws;
    expect(lawText(axle, law!, 'drive shaft')).toBe('left wheel + right wheel = 2 × 11/41 of drive shaft');
    const uneven = {
      terms: [
        { member: 'left', factor: fraction(1) },
        { member: 'right', factor: fraction(3, 2) },
      ],
      driver: fraction(1, 2),
    };
    expect(lawText(axle, uneven, 'drive shaft')).toBe(
      'left wheel + 3/2 × right wheel = 1/2 of drive shaft; all alike, each turns 1/5',
    );
  });
});
