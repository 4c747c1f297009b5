import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { checkedTrain } from '@/testing/checked-train';
import { demoTrain } from '@/testing/demo-train';
import { done, ratio, refusal } from '@/testing/edited';
import { FRAME } from '../frame';
import type { Coupler } from '../schema';
import { countsFit, simpleSetsWith } from '../planetary-sets';
import { addPlanetsRound, addSet, recouple, setTeethInSet, toggleOutput } from '.';

const teethOf = (train: ReturnType<typeof demoTrain>, id: string) => train.gears.find((gear) => gear.id === id)!.teeth;

describe('sets', () => {
  const winch = demoTrain('sluice-winch');

  test('a member is the sun, the carrier or the ring of a set that is added', () => {
    for (const [as, own] of [
      ['sun', 'sun gear'],
      ['ring', 'ring gear'],
    ] as const)
      expect(done(addSet(winch, 'drum', as, 20, 25)).gears.find(({ id }) => id === own)!.member).toBe('drum');
    const carried = done(addSet(winch, 'drum', 'carrier', 20, 25));
    expect(carried.members.find(({ id }) => id === 'planet')!.carrier).toBe('drum');
    // The crank turns the drum once in −12; with the ring held the sun turns 1 + 70/20 times as fast as its carrier.
    const held = checkedTrain({
      ...carried,
      couplers: [{ id: 'A', name: 'A', type: 'brake', joins: ['ring', FRAME] }],
    });
    expect(ratio(done(toggleOutput(done(toggleOutput(held, 'sun')), 'drum')), ['A'])).toBe('-8/3');
    expect(refusal(addSet(winch, 'nobody', 'sun', 20, 25))).toContain('no member');
  });

  test('a gear that is there becomes a sun, with its module', () => {
    const sized = { ...winch, gears: winch.gears.map((gear) => ({ ...gear, module: 3 })) };
    const set = done(addPlanetsRound(sized, 'g3b', 18));
    expect(set.gears.at(-1)).toMatchObject({ teeth: 45 + 36, type: 'internal', module: 3 });
    expect(refusal(addPlanetsRound(demoTrain('stirrer'), 'no gear', 18))).toContain('no gear');
  });

  test('the other counts of a set that fits follow a typed one; one that does not fit is left alone', () => {
    const set = done(addSet(winch, 'drum', 'sun', 20, 25));
    expect(teethOf(done(setTeethInSet(set, 'sun gear', 24)), 'ring gear')).toBe(74);
    expect(teethOf(done(setTeethInSet(set, 'planet gear', 20)), 'ring gear')).toBe(60);
    expect(teethOf(done(setTeethInSet(set, 'ring gear', 72)), 'planet gear')).toBe(26);
    for (const ring of [71, 20, 18]) expect(refusal(setTeethInSet(set, 'ring gear', ring))).toContain('plus an even');
    const odd = { ...set, gears: set.gears.map((gear) => (gear.id === 'ring gear' ? { ...gear, teeth: 71 } : gear)) };
    expect(teethOf(done(setTeethInSet(odd, 'sun gear', 24)), 'ring gear')).toBe(71);
  });

  test('whatever is typed in any train, sets that fitted go on to fit', () => {
    fc.assert(
      fc.property(arbitraryTrain(), fc.nat(), fc.integer({ min: 8, max: 90 }), (train, at, teeth) => {
        const gear = train.gears[at % train.gears.length]!;
        const fitting = simpleSetsWith(train, gear.id).filter(countsFit);
        const edit = setTeethInSet(train, gear.id, teeth);
        if (!edit.ok || fitting.length !== 1) return;
        expect(teethOf(edit.train, gear.id)).toBe(teeth);
        expect(simpleSetsWith(edit.train, gear.id).filter(countsFit).length).toBeGreaterThanOrEqual(1);
      }),
      { numRuns: runs(100) },
    );
  });
});

describe('what a coupler joins', () => {
  const rake = demoTrain('pan-rake');
  const [direct] = rake.couplers.flatMap((coupler) =>
    coupler.name === 'Direct' && 'joins' in coupler ? [coupler] : [],
  ) as [Extract<Coupler, { joins: unknown }>];
  const other = rake.members.find(({ name }) => name === 'second wheel')!.id;

  test('its ends and type change, its positions stay', () => {
    const moved = done(recouple(rake, direct.id, { joins: ['in', other] }));
    expect(moved.couplers.find(({ id }) => id === direct.id)).toEqual({ ...direct, joins: ['in', other] });
    const braked = done(recouple(moved, direct.id, { joins: [other, FRAME] }));
    expect(braked.couplers.find(({ id }) => id === direct.id)!.type).toBe('brake');
    const oneWay = done(recouple(braked, direct.id, { type: 'one-way' }));
    expect(oneWay.couplers.find(({ id }) => id === direct.id)).toMatchObject({
      type: 'one-way',
      control: 'selectable',
    });
    expect(oneWay.positions).toEqual(rake.positions);
    const back = done(recouple(oneWay, direct.id, { type: 'clutch', joins: direct.joins }));
    expect(back).toEqual(rake);
  });

  test('what cannot be is refused', () => {
    expect(refusal(recouple(rake, 'nobody', {}))).toContain('no coupler');
    expect(refusal(recouple(rake, direct.id, { joins: ['in', 'in'] }))).toBe('Choose two different members to join.');
    const lay = rake.gears.find(({ id }) => id === 'g1b')!.member;
    expect(refusal(recouple(rake, direct.id, { joins: ['in', lay] }))).not.toBe('');
  });
});
