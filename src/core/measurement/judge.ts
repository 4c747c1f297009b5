import { type OpenTrain } from '../kinematics';
import { memberFigures, meshRoles, type MemberFigures } from '../powerflow';
import { abs, div, fraction, fromDecimal, inverse, isZero, mul, toNumber, type Rational } from '../rational';
import { inputTorque, outputTorque, solveCoasting, solveEngaged, type Solved } from '../solve';
import type { Train } from '../train';
import { memberName } from '../words';
import { measured, plain, resolutionOf, type MeasuredValue } from './arithmetic';
import { otherEngagements, otherGears, slips, turnsToDecide, weighed, type Explanation } from './explanations';
import { contains, exactly, divideIntervals, read, times, type Interval } from './interval';
import type { Reading } from './log-schema';
import { modelOf } from '../model';
import { partsById } from '../train';
import { required } from '../required';

/**
 * agrees: the computed value lies in the interval, and that of no other position does · cannot-tell: those of others do
 * too · does-not-agree: it lies outside · no-verdict: there is nothing to compare with.
 */
export type ReadingVerdict = 'agrees' | 'cannot-tell' | 'does-not-agree' | 'no-verdict';

/** A reading against what was computed. */
export interface Judged extends MeasuredValue {
  readonly reading: Reading;
  /** In the reading's own quantity, exact; null where nothing can be compared. */
  readonly computed: Rational | null;
  readonly verdict: ReadingVerdict;
  /** Ids of other positions that would agree. */
  readonly others: readonly string[];
  /** Turns of the input that would tell them apart; null where there is nothing to tell, or no turning tells it. */
  readonly turnsToTell: number | null;
  /** Of torques whose input was measured too. */
  readonly efficiency: Interval | null;
  /** Speed of the output, rpm, that follows from one of the input. */
  readonly outputRpm: Interval | null;
}

/** What a reading says, for one train: what is solved is solved once. */
export interface Judge {
  /** @throws RangeError with a sentence where a reading cannot be one of this train */
  readonly judge: (reading: Reading) => Judged;
  /** What would explain a reading that does not agree, the likeliest first: positions, slips, other engagements. */
  readonly explain: (judged: Judged) => readonly Explanation[];
  /**
   * The resolution, in the reading's own unit, at which a reading that does not agree would: a little coarser than it
   * says. Null where even several times as coarse does not do, or the kind has no single resolution.
   */
  readonly resolutionToAgree: (judged: Judged) => number | null;
  /** Meshes that carry power where a reading was taken; null where that is not one path. */
  readonly meshesOf: (reading: Reading) => number | null;
}

export function judgeFor(train: Train): Judge {
  const open = modelOf(train).open;
  const kept = { drive: keeper(open, 'drive'), coast: keeper(open, 'coast') };
  const know = (engaged: readonly string[], flow: Reading['flow']): Known => kept[flow ?? 'drive'](engaged);
  const engagedIn = (reading: Reading): readonly string[] | null => engagedOf(train, reading);
  const computedIn = (reading: Reading) => (engaged: readonly string[]) =>
    computedFor(train, know(engaged, reading.flow), reading);
  const judge = (reading: Reading): Judged => {
    const engaged = engagedIn(reading);
    const own = measuredOrSentence(reading);
    const state = engaged && know(engaged, reading.flow);
    check(train, reading, state);
    const computed = state ? computedFor(train, state, reading) : fixedFor(train, reading);
    const compared = comparedOf(reading, own.interval);
    const rest = { ...own, reading, computed, ...follows(train, state, reading, own.interval) };
    const silent = { verdict: 'no-verdict' as const, others: [], turnsToTell: null };
    if (computed === null || compared === null) return { ...rest, ...silent };
    const others =
      state === null
        ? []
        : agreeing(
            train,
            state,
            kept[reading.flow ?? 'drive'],
            (known) => computedFor(train, known, reading),
            compared,
          );
    if (contains(compared, computed)) {
      if (others.length === 0) return { ...rest, verdict: 'agrees', others: [], turnsToTell: null };
      const ratios = others.map((id) => required(computedIn(reading)(partsById(train).position(id).engaged)));
      return { ...rest, verdict: 'cannot-tell', others, turnsToTell: turnsToDecide(reading, computed, ratios) };
    }
    // A torque below the ideal one is what losses leave; above it nothing explains it.
    if (own.quantity === 'torqueNm' && toNumber(compared.most) < toNumber(computed)) return { ...rest, ...silent };
    return { ...rest, verdict: 'does-not-agree', others, turnsToTell: null };
  };
  return {
    judge,
    explain: ({ reading, interval, computed }) => {
      const engaged = engagedIn(reading);
      const compared = comparedOf(reading, interval);
      if (engaged === null || compared === null || computed === null) return otherGears(train, reading);
      return weighed([
        ...otherEngagements(train, engaged, computedIn(reading), compared),
        ...slips(open, engaged, reading, computed),
      ]);
    },
    resolutionToAgree: ({ reading }) => {
      const own = resolutionOf(reading);
      if (own === null) return null;
      const agrees = (resolution: number) => {
        try {
          return judge({ ...reading, resolution } as Reading).verdict !== 'does-not-agree';
        } catch (error) {
          // So coarse that nothing would be known.
          if (error instanceof RangeError) return false;
          throw error;
        }
      };
      const found = COARSER.find((times) => agrees(times * own));
      return found === undefined ? null : found * own;
    },
    meshesOf: (reading) => {
      const engaged = engagedIn(reading);
      if (engaged === null) return null;
      const { solved } = know(engaged, reading.flow);
      const driving = [...meshRoles(solved).values()].filter(
        (role) => role === 'a drives' || role === 'b drives',
      ).length;
      return solved.status === 'drive' && driving > 0 ? driving : null;
    },
  };
}

/** How many times as coarse as it says a reading is taken to be at most. */
const COARSER = [1.5, 2, 3, 4, 5];

interface Known {
  /** The same for the same engagement in whatever order. */
  readonly key: string;
  readonly solved: Solved;
  readonly figures: ReadonlyMap<string, MemberFigures>;
}

/** Engagements solved once; a position's own list is known again without looking into it. */
function keeper(open: OpenTrain, flow: 'drive' | 'coast'): (engaged: readonly string[]) => Known {
  const byList = new WeakMap<readonly string[], Known>();
  const byKey = new Map<string, Known>();
  return (engaged) => {
    const known = byList.get(engaged);
    if (known) return known;
    const key = [...engaged].sort().join('\n');
    const fresh = byKey.get(key) ?? solvedAs(open, engaged, flow, key);
    byKey.set(key, fresh);
    byList.set(engaged, fresh);
    return fresh;
  };
}

function solvedAs(open: OpenTrain, engaged: readonly string[], flow: 'drive' | 'coast', key: string): Known {
  const solved = (flow === 'coast' ? solveCoasting : solveEngaged)(open, engaged);
  return { key, solved, figures: new Map(memberFigures(solved).map((row) => [row.id, row])) };
}

/** What was engaged when it was read; null where that is not told. */
function engagedOf(train: Train, { position, engaged, kind }: Reading): readonly string[] | null {
  if (engaged) return engaged;
  if (position === undefined || kind === 'radii' || kind === 'teeth' || kind === 'event') return null;
  const found = partsById(train).find.position(position);
  if (!found) throw new RangeError(`position: there is no position "${position}" in this train.`);
  return found.engaged;
}

function measuredOrSentence(reading: Reading): MeasuredValue {
  try {
    return measured(reading);
  } catch (error) {
    if (error instanceof RangeError)
      throw new RangeError('resolution: it is as large as what was read, so nothing is known.');
    throw error;
  }
}

/** Readings that no such train can give are refused with a sentence. @throws RangeError */
function check(train: Train, reading: Reading, state: Known | null): void {
  if ('member' in reading) {
    const { member } = reading;
    if (!train.members.some(({ id }) => id === member)) throw new RangeError(`member: there is no member "${member}".`);
    if (!state) return;
    const where = reading.position === undefined ? 'what is engaged' : `position "${reading.position}"`;
    if (state.solved.status === 'locked') throw new RangeError(`position: ${where} locks, so nothing turns in it.`);
    const speed = state.figures.get(member)?.speed ?? null;
    const turns = ['marks', 'turns', 'angle', 'frames', 'tachometer', 'tip'].includes(reading.kind);
    if (turns && speed !== null && isZero(speed))
      throw new RangeError(`member: ${memberName(train, member)} does not turn in ${where}.`);
    if (
      reading.kind === 'turns' &&
      reading.against !== undefined &&
      !train.members.some(({ id }) => id === reading.against)
    )
      throw new RangeError(`against: there is no member "${reading.against}".`);
  }
  if (reading.kind === 'radii' && !train.meshes.some(({ id }) => id === reading.mesh))
    throw new RangeError(`mesh: there is no mesh "${reading.mesh}".`);
  if (reading.kind === 'teeth' && !train.gears.some(({ id }) => id === reading.gear))
    throw new RangeError(`gear: there is no gear "${reading.gear}".`);
}

/** The computed value in an engagement, in the quantity that is compared. */
function computedFor(train: Train, known: Known, reading: Reading): Rational | null {
  const { figures } = known;
  const speedOf = (member: string) => {
    const speed = figures.get(member)?.speed ?? null;
    return speed === null || isZero(speed) ? null : abs(speed);
  };
  switch (reading.kind) {
    case 'marks':
    case 'turns':
    case 'angle': {
      const signed = figures.get(reading.member)?.speed ?? null;
      const [speed, against] = [
        speedOf(reading.member),
        speedOf(('against' in reading ? reading.against : undefined) ?? train.input),
      ];
      if (speed === null || against === null) return null;
      if (reading.way !== undefined && signed && (signed.n > 0 ? 'same' : 'reverse') !== reading.way) return null;
      return div(against, speed);
    }
    case 'frames':
    case 'tachometer': {
      const speed = speedOf(reading.member);
      return speed && reading.inputRpm ? mul(fromDecimal(reading.inputRpm), speed) : null;
    }
    case 'scale':
    case 'weight': {
      const torque = torqueAt(known, reading.member);
      return torque && reading.inputTorqueNm && !isZero(torque)
        ? mul(abs(torque), fromDecimal(reading.inputTorqueNm))
        : null;
    }
    default:
      return null;
  }
}

/**
 * The torque that a scale shows on a member: at an end of the train what goes in or out there, else what the member
 * carries.
 */
function torqueAt({ solved, figures }: Known, member: string): Rational | null {
  const { memberIndex, input, outputs } = solved.network;
  const at = memberIndex.get(member) ?? input;
  if (at === input) return inputTorque(solved);
  return outputs.includes(at) ? outputTorque(solved, at) : (figures.get(member)?.torque ?? null);
}

/** What does not depend on a position. */
function fixedFor(train: Train, reading: Reading): Rational | null {
  if (reading.kind === 'teeth') return fraction(partsById(train).gear(reading.gear).teeth, 1);
  if (reading.kind !== 'radii') return null;
  const [a, b] = partsById(train)
    .mesh(reading.mesh)
    .gears.map((id) => partsById(train).gear(id).teeth);
  return fraction(required(b), required(a));
}

/** The interval that is compared: with an input that was itself read, as much wider as that is. */
function comparedOf(reading: Reading, interval: Interval | null): Interval | null {
  if (interval === null) return null;
  if ((reading.kind === 'frames' || reading.kind === 'tachometer') && reading.inputRpm && reading.inputResolution)
    return times(
      interval,
      divideIntervals(exactly(fromDecimal(reading.inputRpm)), read(reading.inputRpm, reading.inputResolution)),
    );
  if ((reading.kind === 'scale' || reading.kind === 'weight') && reading.inputTorqueNm && reading.inputResolutionNm)
    return times(
      interval,
      divideIntervals(
        exactly(fromDecimal(reading.inputTorqueNm)),
        read(reading.inputTorqueNm, reading.inputResolutionNm),
      ),
    );
  return interval;
}

function agreeing(
  train: Train,
  own: Known,
  know: (engaged: readonly string[]) => Known,
  computedIn: (known: Known) => Rational | null,
  interval: Interval,
): readonly string[] {
  return train.positions.flatMap(({ id, engaged }) => {
    const known = know(engaged);
    const computed = known.key === own.key ? null : computedIn(known);
    return computed !== null && contains(interval, computed) ? [id] : [];
  });
}

/** What else follows: the efficiency of a torque, the output's speed of one of the input. */
function follows(
  train: Train,
  state: Known | null,
  reading: Reading,
  interval: Interval | null,
): Pick<Judged, 'efficiency' | 'outputRpm'> {
  const none = { efficiency: null, outputRpm: null };
  if (state === null || interval === null) return none;
  if (reading.kind === 'scale' || reading.kind === 'weight') {
    const compared = required(comparedOf(reading, interval));
    const ideal = computedFor(train, state, reading);
    return ideal ? { ...none, efficiency: times(compared, exactly(inverse(ideal))) } : none;
  }
  const ofInput = (reading.kind === 'frames' || reading.kind === 'tachometer') && reading.member === train.input;
  const { ratio } = state.solved;
  return ofInput && ratio ? { ...none, outputRpm: times(interval, exactly(inverse(abs(ratio)))) } : none;
}

/** A verdict as numbers, as the command line prints it. */
export function judgedJson(
  { reading, quantity, interval, computed, verdict, others, turnsToTell: turns, efficiency, outputRpm }: Judged,
  asText: (value: Rational) => string,
) {
  return {
    id: reading.id,
    quantity,
    ...(interval && plain(interval)),
    ...(computed && { computed: asText(computed) }),
    verdict,
    ...(verdict !== 'no-verdict' && { others }),
    ...(turns !== null && { turnsToTell: turns }),
    ...(efficiency && { efficiency: plain(efficiency) }),
    ...(outputRpm && { outputRpm: plain(outputRpm) }),
  };
}
