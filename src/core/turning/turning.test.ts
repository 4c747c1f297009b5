import { demoTrain } from '@/testing/demo-train';
import { fraction, ONE, toFraction } from '../rational';
import { handTurn, memberMoves, NOTHING_TURNED, readTurns, teethPassed, turnFurther, type TurnedTrain } from '.';
import { modelOf } from '../model';

const speeds = (name: string, position: string) => memberMoves(modelOf(demoTrain(name)).positions().get(position)!);
const turns = (turned: TurnedTrain, member: string) => toFraction(turned.members.get(member)!);

describe('turn counters', () => {
  test('one turn of the sails is eleven of the pump', () => {
    const turned = turnFurther(NOTHING_TURNED, speeds('brine-lift', 'pumping'), ONE);
    expect([turns(turned, 'sails'), turns(turned, 'pump'), turns(turned, 'ring')]).toEqual(['1', '11', '0']);
  });

  test('keep the ratio to the last digit after many small moves', () => {
    let turned = NOTHING_TURNED;
    for (let i = 0; i < 378; i++) turned = turnFurther(turned, speeds('harvester', '2'), fraction(1, 378));
    expect(turns(turned, 'out')).toBe(toFraction(speeds('harvester', '2').find(({ id }) => id === 'out')!.speed!));
  });

  test('go on from where they were when the position changes, and what floats stays', () => {
    const second = turnFurther(turnFurther(NOTHING_TURNED, speeds('pan-rake', '1'), ONE), speeds('pan-rake', '4'), ONE);
    expect(turns(second, 'out')).toBe(toFraction(fraction(1216 + 247, 1216)));
    const neutral = turnFurther(second, speeds('pan-rake', 'N'), ONE);
    expect(turns(neutral, 'out')).toBe(turns(second, 'out'));
    expect(turns(neutral, 'in')).toBe('3');
  });

  test('going back undoes going on', () => {
    const there = turnFurther(NOTHING_TURNED, speeds('crawler', '2'), fraction(7, 3));
    const back = turnFurther(there, speeds('crawler', '2'), fraction(-7, 3));
    expect([...back.members.values()].map(toFraction)).toEqual(Array(back.members.size).fill('0'));
  });

  test('teeth are counted past a mark, beside a planet in the frame of its carrier', () => {
    const train = demoTrain('brine-lift');
    const turned = turnFurther(NOTHING_TURNED, speeds('brine-lift', 'pumping'), ONE);
    const passed = Object.fromEntries(
      train.gears.map((gear) => [gear.id, toFraction(teethPassed(train, gear, turned))]),
    );
    // Ring held: 90 of its teeth go past each planet's small gear, which passes as many; the pump's gear as many as the
    // big one.
    expect(passed).toEqual({ r: '0', small: '-90', big: '-180', s: '198' });
  });

  test('a hand stops on exact parts of a turn; typed turns are exact', () => {
    expect(toFraction(handTurn(0.33333))).toBe('1/3');
    expect(
      ['3', '2.5', '1/3', '−1/4', '0,5', '2 1/2'].map((text) => {
        const read = readTurns(text);
        return read.ok && toFraction(read.value);
      }),
    ).toEqual(['3', '5/2', '1/3', '-1/4', '1/2', '5/2']);
    for (const bad of ['', 'two', '1/0', '2000000'])
      expect(readTurns(bad)).toMatchObject({ ok: false, problems: [{ message: expect.stringContaining('urn') }] });
  });
});
