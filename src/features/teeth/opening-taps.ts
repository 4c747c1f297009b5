import { modelOf } from '@/core/model';
import { abs, compare, div, inverse, isZero, sign, toFraction, toNumber, type Rational } from '@/core/rational';
import { MOST_STAGES, stagesOf } from '@/core/tooth-search';
import { partsById, type Train } from '@/core/train';
import { memberName } from '@/core/words';
import { outputOf, wantedAs, type TeethForm } from './form';

interface Tap {
  readonly name: string;
  /** Input speed over its speed, above 0. */
  readonly ratio: Rational;
  readonly turning: 'same' | 'opposite';
  /** Pairs between the input and it. */
  readonly pairs: number;
}

/** Asks one chain for all outputs of a train, with wheels no smaller than its own and as many stages as those need. */
export function tappedFor(train: Train, form: TeethForm): TeethForm {
  const taps = tapsOf(train);
  const counts = train.gears.map(({ teeth }) => teeth);
  const wheels = [Math.min(Number(form.wheels.min), ...counts), Math.max(Number(form.wheels.max), ...counts)] as const;
  const step = Math.log(wheels[1] / wheels[0]);
  const stages = taps.map(({ ratio, turning, pairs }, i) => {
    const before = taps[i - 1];
    const needed = Math.abs(Math.log(toNumber(before ? div(ratio, before.ratio) : ratio))) / step;
    const least = Math.max(1, Math.ceil(needed), pairs - (before?.pairs ?? 0));
    // Each pair of wheels with teeth outside turns the other way round.
    const isEven = turning === (before?.turning ?? 'same');
    return Math.min(isEven === (least % 2 === 0) ? least : least + 1, MOST_STAGES);
  });
  const [first, ...later] = stages;
  if (first === undefined || later.length === 0) return form;
  return {
    ...form,
    kind: 'outputs',
    wheels: { ...form.wheels, min: String(wheels[0]), max: String(wheels[1]) },
    motor: '',
    outputs: taps.map(({ name, ratio, turning }) => ({
      ...outputOf(name),
      wanted: wantedAs(toFraction(ratio)),
      turning,
    })),
    toFirst: [first, first],
    between: [Math.min(...later), Math.max(...later)],
  };
}

/** The outputs that the input turns, the fastest first, as a chain that is tapped for them meets them. */
function tapsOf(train: Train): readonly Tap[] {
  const { network, solve } = modelOf(train);
  const { speeds } = solve([]).state;
  const pairs = pairsTo(train);
  return train.outputs
    .flatMap((member): Tap[] => {
      const speed = speeds.turns ? speeds.of(network.memberIds.indexOf(member)) : null;
      if (speed === null || isZero(speed)) return [];
      const turning = sign(speed) > 0 ? 'same' : 'opposite';
      return [{ name: memberName(train, member), ratio: abs(inverse(speed)), turning, pairs: pairs.get(member) ?? 0 }];
    })
    .sort((a, b) => compare(a.ratio, b.ratio));
}

/** How many pairs lead from the input to each member. */
function pairsTo(train: Train): ReadonlyMap<string, number> {
  const { gear } = partsById(train);
  const pairs = new Map<string, number>([[train.input, 0]]);
  for (const { driver, driven } of stagesOf(train))
    pairs.set(gear(driven).member, (pairs.get(gear(driver).member) ?? 0) + 1);
  return pairs;
}
