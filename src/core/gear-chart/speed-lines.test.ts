import { runs } from '@/testing/runs';
import fc from 'fast-check';
import { arbitraryTrain } from '@/testing/arbitrary-train';
import { demoTrain } from '@/testing/demo-train';
import { networkOf, openMotion, openTrain } from '../kinematics';
import { equals, fraction, isZero, mul, ONE, sub, toFraction, toNumber, ZERO } from '../rational';
import { solveEngaged } from '../solve';
import { dragged, listCombinations, speedLinesOf, speedsWith, type SpeedPin } from '.';

test('a simple set: sun to carrier is to carrier to ring as ring teeth to sun teeth', () => {
  const train = demoTrain('stirrer');
  const [{ carrier, scales }] = speedLinesOf(train) as [ReturnType<typeof speedLinesOf>[0]];
  const teeth = (type: string) =>
    train.gears.find((gear) => gear.type === type && !train.members.find(({ id }) => id === gear.member)!.carrier)!
      .teeth;
  const [sun, ring] = [teeth('external'), teeth('internal')];
  expect(scales.map(({ member }) => member)[1]).toBe(carrier);
  const at = scales[1]!.at;
  expect(toNumber(at)).toBeCloseTo(ring / (ring + sun), 12);
  expect([toFraction(scales[0]!.at), toFraction(scales[2]!.at)]).toEqual(['0', '1']);
});

test('of any train in any engagement: the speeds of a set lie on one line wherever they are known', () => {
  let lines = 0;
  fc.assert(
    fc.property(arbitraryTrain({ oneWays: true, outputs: true, worms: true }), fc.nat(), (train, pick) => {
      const network = networkOf(train);
      const sets = listCombinations(network)!;
      const solved = solveEngaged(openTrain(network), sets[pick % sets.length]!.engaged);
      for (const { scales } of speedLinesOf(train)) {
        const points = scales.flatMap(({ member, at }) => {
          const speed = solved.state.speeds.of(network.memberIndex.get(member)!);
          return speed ? [{ at, speed }] : [];
        });
        const [first, second] = points;
        for (const { at, speed } of points.slice(2)) {
          lines++;
          const left = mul(sub(speed, first!.speed), sub(second!.at, first!.at));
          const right = mul(sub(second!.speed, first!.speed), sub(at, first!.at));
          expect(equals(left, right)).toBe(true);
        }
      }
    }),
    { numRuns: runs(300) },
  );
  expect(lines).toBeGreaterThan(runs(100));
});

describe('what is dragged', () => {
  const train = demoTrain('stirrer');
  const network = networkOf(train);
  const open = openTrain(network);
  const speed = (pins: readonly SpeedPin[], engaged: readonly string[], member: string) =>
    speedsWith(network, solveEngaged(open, engaged).state.motion, pins)!.of(network.memberIndex.get(member)!);
  const [output] = train.outputs;
  const input: SpeedPin = { member: train.input, speed: ONE };

  test('with a member held everything turns in proportion, about what stands', () => {
    const { motion, speeds } = solveEngaged(open, ['hold']).state;
    const pins = dragged(network, motion, [input], { member: output!, speed: ONE })!;
    expect(pins.map(({ member }) => member)).toEqual([output]);
    const ratio = solveEngaged(open, ['hold']).ratio!;
    expect(toFraction(speed(pins, ['hold'], train.input)!)).toBe(toFraction(ratio));
    const [held] = train.members.filter(({ id }) => isZero(speeds.of(network.memberIndex.get(id)!) ?? ONE));
    expect(isZero(speed(pins, ['hold'], held!.id)!)).toBe(true);
  });

  test('with nothing held the input keeps its speed, and the third follows by the set’s law', () => {
    const { motion } = solveEngaged(open, []).state;
    const pins = dragged(network, motion, [input], { member: output!, speed: fraction(1) })!;
    expect(pins.map(({ member }) => member)).toEqual([train.input, output]);
    // Two that turn alike turn the whole set as a block.
    for (const { scales } of speedLinesOf(train))
      for (const { member } of scales) expect(toFraction(speed(pins, [], member)!)).toBe('1');
    // A third one dragged after that lets the second go.
    const third = speedLinesOf(train)[0]!.scales.find(({ member }) => member !== train.input && member !== output)!;
    const again = dragged(network, motion, pins, { member: third.member, speed: ZERO })!;
    expect(again.map(({ member }) => member)).toEqual([train.input, third.member]);
  });

  test('what is held cannot be dragged', () => {
    const { motion, speeds } = solveEngaged(open, ['hold']).state;
    const [held] = train.members.filter(({ id }) => isZero(speeds.of(network.memberIndex.get(id)!) ?? ONE));
    expect(dragged(network, motion, [input], { member: held!.id, speed: ONE })).toBeNull();
  });

  test('of any train: what was dragged turns as told, and so does everything that is kept', () => {
    let kept = 0;
    fc.assert(
      fc.property(
        arbitraryTrain({ oneWays: true }),
        fc.array(fc.tuple(fc.nat(9), fc.integer({ min: -3, max: 3 })), { minLength: 1, maxLength: 4 }),
        (random, drags) => {
          const own = networkOf(random);
          const motion = openMotion(openTrain(own));
          let pins: readonly SpeedPin[] = [{ member: random.input, speed: ONE }];
          for (const [at, value] of drags) {
            const moved = { member: own.memberIds[at % own.memberIds.length]!, speed: fraction(value) };
            const next = dragged(own, motion, pins, moved);
            if (!next) continue;
            pins = next;
            const speeds = speedsWith(own, motion, pins)!;
            expect(pins).toContain(moved);
            for (const pin of pins) {
              kept++;
              expect(toFraction(speeds.of(own.memberIndex.get(pin.member)!)!)).toBe(toFraction(pin.speed));
            }
          }
        },
      ),
      { numRuns: runs(200) },
    );
    expect(kept).toBeGreaterThan(runs(200));
  });
});
