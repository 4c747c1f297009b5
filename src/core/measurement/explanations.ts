import type { OpenTrain } from '../kinematics';
import {
  abs,
  compare,
  div,
  fraction,
  fromDecimal,
  inverse,
  isZero,
  mul,
  sub,
  toNumber,
  type Rational,
} from '../rational';
import { meshRoles } from '../powerflow';
import { solveEngaged } from '../solve';
import type { Gear, Train } from '../train';
import { couplerName, gearName } from '../words';
import { contains, type Interval } from './interval';
import type { Reading } from './log-schema';
import { measured } from './arithmetic';
import { partsById } from '../train';
import { required } from '../required';

/** Something that would explain a reading that does not agree. */
export interface Explanation {
  readonly kind: 'position' | 'engagement' | 'slip';
  readonly says: string;
  /** What would then have been engaged; null of slips. */
  readonly engaged: readonly string[] | null;
}

/** What a reading would be compared with under an engagement; null where that says nothing. */
export type ComputedIn = (engaged: readonly string[]) => Rational | null;

/**
 * Engagements of one element more, less or other than was told, under which the reading would agree; those of other
 * positions first.
 */
export function otherEngagements(
  train: Train,
  engaged: readonly string[],
  computedIn: ComputedIn,
  interval: Interval,
): readonly Explanation[] {
  const fits = (on: readonly string[]) => {
    const computed = computedIn(on);
    return computed !== null && contains(interval, computed);
  };
  const key = (on: readonly string[]) => [...on].sort().join('\n');
  const positions = train.positions.filter(
    (position) => key(position.engaged) !== key(engaged) && fits(position.engaged),
  );
  const known = new Set(positions.map((position) => key(position.engaged)));
  const name = (id: string) => couplerName(train, id);
  const able = train.couplers
    .filter((one) => one.type !== 'one-way' || one.control === 'selectable')
    .map(({ id }) => id);
  const off = able.filter((id) => !engaged.includes(id));
  const changes = [
    ...off.map((id) => ({ on: [...engaged, id], says: `agrees with ${name(id)} engaged as well` })),
    ...engaged.map((id) => ({ on: engaged.filter((one) => one !== id), says: `agrees without ${name(id)}` })),
    ...engaged.flatMap((out) =>
      off.map((id) => ({
        on: [...engaged.filter((one) => one !== out), id],
        says: `agrees with ${name(id)} engaged instead of ${name(out)}`,
      })),
    ),
  ];
  return [
    ...positions.map((position): Explanation => ({
      kind: 'position',
      says: `agrees with position ${position.name || position.id}`,
      engaged: position.engaged,
    })),
    ...changes
      .filter(({ on }) => !known.has(key(on)) && fits(on))
      .map(({ on, says }): Explanation => ({ kind: 'engagement', says, engaged: on })),
  ];
}

const FACTORS = [10, 60] as const;

/**
 * The usual slips of pen and eye: upside down, a factor of 10 or 60, a stage left out, one counted too few or too many.
 */
export function slips(
  open: OpenTrain,
  engaged: readonly string[],
  reading: Reading,
  computed: Rational,
): readonly Explanation[] {
  const { quantity, interval } = measured(reading);
  if (interval === null) return [];
  const says = (text: string): Explanation => ({ kind: 'slip', says: text, engaged: null });
  const agrees = (factor: Rational) => contains(interval, mul(computed, factor));
  const found: Explanation[] = [];
  if (quantity === 'ratio' && contains(interval, inverse(computed)))
    found.push(says('input and output swapped: out/in for in/out'));
  const input = inputOf(reading);
  if (input !== null && contains(interval, div(mul(input, input), computed)))
    found.push(says('input and output swapped: each was read on the other'));
  for (const factor of FACTORS) {
    if (agrees(fraction(factor, 1))) found.push(says(`${factor} times too much: a factor of ${factor} in it`));
    if (agrees(fraction(1, factor))) found.push(says(`${factor} times too little: a factor of ${factor} left out`));
  }
  if (quantity === 'ratio')
    found.push(
      ...stagesLeftOut(open, engaged)
        .filter(({ factor }) => agrees(factor))
        .map((stage) => says(stage.says)),
    );
  if (reading.kind === 'marks')
    for (const by of [1, -1]) {
      const passed = reading.passed + by;
      if (passed <= 0) continue;
      // Counted exactly, but one too few or too many: half of the finest that can be told is all the room there is.
      const again = required(measured({ ...reading, passed }).interval);
      if (contains(again, computed))
        found.push(says(by > 0 ? 'one mark counted too few' : 'one mark counted too many'));
    }
  return found;
}

/** The speed or torque of the input that was read at the same time; null where none was. */
function inputOf(reading: Reading): Rational | null {
  const value = 'inputRpm' in reading ? reading.inputRpm : 'inputTorqueNm' in reading ? reading.inputTorqueNm : null;
  return value === null || value === undefined ? null : fromDecimal(value);
}

/** Other gears that have as many teeth as were counted. */
export function otherGears(train: Train, reading: Reading): readonly Explanation[] {
  if (reading.kind !== 'teeth') return [];
  const { interval } = measured(reading);
  if (interval === null) return [];
  return train.gears
    .filter(({ id, teeth }) => id !== reading.gear && contains(interval, fraction(teeth)))
    .map((gear) => ({ kind: 'slip', says: `the gear counted was ${gearName(train, gear)}`, engaged: null }));
}

/** Another position that agrees is likelier than a slip of the pen, and that than one coupler more, less or other. */
const WEIGHT = { position: 0, slip: 1, engagement: 2 } as const;

/** The likeliest first, none twice. */
export function weighed(found: readonly Explanation[]): readonly Explanation[] {
  const said = new Set<string>();
  return [...found]
    .sort((a, b) => WEIGHT[a.kind] - WEIGHT[b.kind])
    .filter(({ says }) => !said.has(says) && said.add(says));
}

/**
 * Pairs that carry power, as factors by which the ratio changes when they are forgotten: driven over driver, and what
 * an idler's two pairs make.
 */
function stagesLeftOut(open: OpenTrain, engaged: readonly string[]) {
  const { train } = open.network;
  const roles = meshRoles(solveEngaged(open, engaged));
  const parts = partsById(train);
  return train.meshes
    .filter(({ id }) => roles.get(id) === 'a drives' || roles.get(id) === 'b drives')
    .flatMap(({ gears }) => {
      const [first, second] = gears.map((id) => parts.gear(id)) as [Gear, Gear];
      const [a, b] = [first.teeth, second.teeth];
      const says = `the pair of ${gearName(train, first)} and ${gearName(train, second)} left out`;
      return a === b
        ? []
        : [
            { factor: fraction(a, b), says },
            { factor: fraction(b, a), says },
          ];
    });
}

/** The least turns of the input after which what can be told apart is less than what lies between two ratios. */
export function turnsToDecide(reading: Reading, computed: Rational, others: readonly Rational[]): number | null {
  const resolution = turnResolution(reading);
  const gaps = others.map((other) => abs(apart(computed, other))).filter((gap) => !isZero(gap));
  if (resolution === null || gaps.length < others.length || gaps.length === 0) return null;
  const gap = gaps.reduce((least, one) => (compare(one, least) < 0 ? one : least));
  // The least whole N with 2 r / N below the gap.
  return Math.floor(toNumber(div(mul(fraction(2, 1), resolution), gap))) + 1;
}

/** Turns of the member for one of the input apart. */
const apart = (a: Rational, b: Rational): Rational => sub(inverse(a), inverse(b));

/** The part of a turn that could be told; null where turns are not counted. */
function turnResolution(reading: Reading): Rational | null {
  switch (reading.kind) {
    case 'marks':
      return div(fromDecimal(reading.resolution ?? 0.5), fromDecimal(reading.marks));
    case 'turns':
      return fromDecimal(reading.resolution ?? 0.5);
    case 'angle':
      return div(fromDecimal(reading.resolution ?? 1), fraction(360, 1));
    default:
      return null;
  }
}
