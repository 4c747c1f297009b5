import { demoTrain } from '@/testing/demo-train';
import { FRAME } from '@/core/train';
import { analyseEngaged } from './analysis';
import { storyOf } from './panel/sentences';
import { couplerName, couplerState, couplerWords, decidesForItself, gearWords, listed, memberName } from './words';

const told = (name: string, engaged: readonly string[]) => storyOf(demoTrain(name), analyseEngaged(demoTrain(name), engaged, 'drive', false));

describe('words for parts', () => {
  const rake = demoTrain('pan-rake');
  const crawler = demoTrain('crawler');
  const coupler = (train: typeof rake, id: string) => train.couplers.find((one) => one.id === id)!;

  test('members, the frame, gears', () => {
    expect([memberName(rake, 'w1'), memberName(rake, FRAME), memberName(rake, 'gone')]).toEqual(['first wheel', 'the frame', 'gone']);
    expect(gearWords(rake, rake.gears[0]!)).toBe('Gear on input shaft, 19 teeth');
  });

  test('couplers by what they join', () => {
    expect(couplerWords(rake, coupler(rake, 'direct'))).toBe('Clutch Direct, input shaft with output shaft');
    expect(couplerWords(crawler, coupler(crawler, 'B1'))).toBe('Brake B1 on large sun');
    expect(couplerWords(crawler, coupler(crawler, 'F1'))).toBe('One-way clutch F1 on carrier');
    expect(couplerWords(rake, coupler(rake, 'idler-a'))).toBe('Sliding mesh Idler, lay, countershaft with reverse idler');
    expect([couplerName(rake, 'first'), couplerName(rake, 'self-lock:m3')]).toEqual(['First', 'the self-locking worm']);
  });

  test('only a one-way clutch that nobody selects decides for itself', () => {
    expect(crawler.couplers.filter(decidesForItself).map(({ id }) => id)).toEqual(['F1']);
    expect(decidesForItself({ ...(coupler(crawler, 'F1') as Extract<(typeof crawler.couplers)[0], { type: 'one-way' }>), control: 'selectable' })).toBe(false);
  });

  test('a one-way clutch holds or overruns, others are engaged or off', () => {
    const states = (engaged: readonly string[]) => crawler.couplers.map((one) => `${one.id} ${couplerState(one, analyseEngaged(crawler, engaged, 'drive', false))}`);
    expect(states(['K1'])).toEqual(['K1 engaged', 'K2 off', 'K3 off', 'B1 off', 'B2 off', 'F1 holds']);
    expect(states(['K1', 'B1'])).toContain('F1 overruns');
  });

  test('lists read like sentences', () => {
    expect([listed([]), listed(['A']), listed(['A', 'B']), listed(['A', 'B', 'C'])]).toEqual(['', 'A', 'A and B', 'A, B and C']);
  });
});

describe('the story', () => {
  test('of the winch: who drives whom, pair by pair', () => {
    const { sentences, idle } = told('sluice-winch', []);
    expect(sentences.map(({ text }) => text)).toEqual([
      'The crank is turned once.',
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
      'The input shaft is turned once.',
      'Driver gear 19 on input shaft turns driven gear 32 on countershaft the other way.',
      'Driver gear 19 on countershaft turns driven gear 32 on second wheel the other way.',
      'Second joins output shaft to second wheel: they turn as one.',
    ]);
    expect([...idle].sort()).toEqual(['w1', 'w3']);
  });

  test('of the harvester in second: what is held, what turns as one block, and no planet', () => {
    const { sentences } = told('harvester', ['A', 'B', 'E']);
    const texts = sentences.map(({ text }) => text);
    expect(texts).toContain('A holds sun 1 & 2: it stands.');
    expect(texts.some((text) => text.includes('turns with them as one block'))).toBe(true);
    expect(texts.join(' ')).not.toContain('planet 1');
    expect(sentences.find(({ text }) => text.startsWith('E joins'))!.highlight).toEqual({ members: ['r2s3', 'r3s4'], gears: [], couplers: ['E'] });
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
