import { FRAME_INDEX, type MemberIndex, type NetworkMesh } from '../kinematics';
import { add, div, equals, isZero, mul, neg, ONE, sub, ZERO, type Rational } from '../rational';
import type { Solved } from '../solve';
import { FRAME } from '../train';
import { gearSets, toothFactors, type GearSet } from './sets';
import type { Equation, Known, WorkingStep } from './steps';
import { solveTogether } from './together';
import { itemAt, lookUp, required } from '../required';

/** What the working goes on from: the train as it is engaged, and what is known by now. */
interface Working {
  readonly solved: Solved;
  readonly pairs: readonly NetworkMesh[];
  readonly sets: readonly GearSet[];
  readonly planets: ReadonlySet<MemberIndex>;
  /** In the order in which they were found. */
  readonly known: Map<MemberIndex, Rational>;
  readonly steps: WorkingStep[];
  readonly name: (member: MemberIndex) => string;
}

/**
 * Derives every determined speed: from what turns with the input and what is held, take again and again the
 * joint, the pair or the set that has exactly one unknown left. Where nothing has, the sets that are left
 * are solved together.
 */
export function deriveSpeeds(solved: Solved): WorkingStep[] {
  const working = beginWorking(solved);
  while (
    joinStep(working) ||
    pairStep(working) ||
    setStep(working, 'central') ||
    setStep(working, 'planets') ||
    togetherStep(working)
  );
  return working.steps;
}

/** The input's speed, and what is held. */
function beginWorking(solved: Solved): Working {
  const { network, state, flow } = solved;
  const planets = new Set(network.train.members.flatMap((member, i) => (member.carrier === undefined ? [] : [i])));
  const working: Working = {
    solved,
    pairs: state.meshes.filter((mesh) => mesh.arm === FRAME_INDEX),
    sets: gearSets(state.meshes, planets),
    planets,
    known: new Map([[FRAME_INDEX, ZERO]]),
    steps: [],
    name: (member) => (member === FRAME_INDEX ? FRAME : itemAt(network.memberIds, member)),
  };
  const { known, name } = working;
  learn(working, flow.driver, { kind: 'input', member: name(flow.driver), speed: flow.speed });
  for (const { id, tie } of state.joints) {
    const held = tie.a === FRAME_INDEX ? tie.b : tie.b === FRAME_INDEX ? tie.a : null;
    if (held !== null && !known.has(held))
      learn(working, held, { kind: 'held', member: name(held), by: id, speed: ZERO });
  }
  return working;
}

function learn({ known, steps }: Working, member: MemberIndex, step: SpeedStep): true {
  known.set(member, step.speed);
  steps.push(step);
  return true;
}

/** A joint with one side known. */
function joinStep(working: Working): boolean {
  const { solved, known, name } = working;
  for (const { id, tie } of solved.state.joints) {
    const [from, to] = known.has(tie.a) ? [tie.a, tie.b] : [tie.b, tie.a];
    const speed = known.get(from);
    if (speed && !known.has(to))
      return learn(working, to, { kind: 'joined', coupler: id, from: name(from), member: name(to), speed });
  }
  return false;
}

/** A pair on fixed axes with one side known. */
function pairStep(working: Working): boolean {
  const { solved, pairs, known } = working;
  for (const mesh of pairs) {
    const forward = known.has(mesh.a);
    const [from, to] = forward ? [mesh.a, mesh.b] : [mesh.b, mesh.a];
    const speed = known.get(from);
    if (speed && !known.has(to)) return learn(working, to, pairStepOf(solved, mesh, forward, speed));
  }
  return false;
}

/** A member of a set from those that are known. */
function setStep(working: Working, members: 'central' | 'planets'): boolean {
  const { sets, known, planets, name } = working;
  for (const set of sets) {
    const all = [...set.factors.keys(), set.arm];
    // What stands first, then what was found earliest: the sum a person would choose.
    const found = [...known.keys()];
    const rank = (member: MemberIndex) => (isZero(lookUp(known, member)) ? -1 : found.indexOf(member));
    const ready = all.filter((member) => known.has(member)).sort((a, b) => rank(a) - rank(b));
    for (const wanted of [set.arm, ...set.factors.keys()]) {
      if (known.has(wanted) || planets.has(wanted) !== (members === 'planets')) continue;
      const step = stepInSet(set, wanted, ready, known, name);
      if (step) return learn(working, wanted, step);
    }
  }
  return false;
}

/** The sets, pairs and joints that are left, solved together. */
function togetherStep(working: Working): boolean {
  const { solved, known, steps, name } = working;
  const { network, state } = solved;
  const open = network.memberIds.some((_, member) => !known.has(member) && state.speeds.of(member) !== null);
  if (!open) return false;
  const step = solveTogether(
    openEquations(working),
    new Map([...known].map(([member, speed]) => [name(member), speed])),
    (id) => state.speeds.of(network.memberIndex.get(id) ?? FRAME_INDEX) !== null,
  );
  if (step.solution.length === 0) return false;
  step.solution.forEach(({ member, speed }) => known.set(lookUp(network.memberIndex, member), speed));
  steps.push(step);
  return true;
}

const openEquations = ({ solved, sets, pairs, planets, known, name }: Working): Equation[] => [
  ...sets.flatMap((set) => setEquations(set, planets, known, name)),
  ...pairs
    .filter((mesh) => !known.has(mesh.a) && !known.has(mesh.b))
    .map((mesh): Equation => ({
      kind: 'set',
      arm: FRAME,
      x: name(mesh.a),
      y: name(mesh.b),
      factor: neg(div(mesh.zb, mesh.za)),
      teeth: toothFactors([mesh], mesh.b, mesh.a),
    })),
  ...solved.state.joints.flatMap(({ id, tie }): Equation[] =>
    known.has(tie.a) || known.has(tie.b) ? [] : [{ kind: 'join', coupler: id, a: name(tie.a), b: name(tie.b) }],
  ),
];

/** A step that gives one speed. */
type SpeedStep = Exclude<WorkingStep, { kind: 'simultaneous' }>;
type PairStep = Extract<WorkingStep, { kind: 'pair' }>;

function pairStepOf({ network }: Solved, mesh: NetworkMesh, forward: boolean, fromSpeed: Rational): PairStep {
  const [from, to] = forward ? [mesh.a, mesh.b] : [mesh.b, mesh.a];
  const factor = forward ? neg(div(mesh.za, mesh.zb)) : neg(div(mesh.zb, mesh.za));
  const name = (member: MemberIndex) => (member === FRAME_INDEX ? FRAME : itemAt(network.memberIds, member));
  return {
    kind: 'pair',
    ...itemAt(toothFactors([mesh], from, to), 0),
    from: name(from),
    member: name(to),
    fromSpeed,
    speed: mul(fromSpeed, factor),
  };
}

/** One member of a set from those that are known; null when they do not settle it. */
function stepInSet(
  set: GearSet,
  wanted: MemberIndex,
  ready: readonly MemberIndex[],
  known: ReadonlyMap<MemberIndex, Rational>,
  name: (member: MemberIndex) => string,
): SpeedStep | null {
  const [first] = ready;
  if (first === undefined) return null;
  if (set.block) return blockStep(set, 'meshes', first, wanted, known, name);
  const central = ready.filter((member) => member !== set.arm);
  if (wanted === set.arm) return armStep(set, central, known, name);
  const [y] = central;
  if (known.has(set.arm) && y !== undefined) {
    const arm = lookUp(known, set.arm);
    if (equals(lookUp(known, y), arm)) return blockStep(set, [set.arm, y], y, wanted, known, name);
    const factor = div(lookUp(set.factors, wanted), lookUp(set.factors, y));
    const speed = add(arm, mul(factor, sub(lookUp(known, y), arm)));
    return {
      ...setStepOf(set, wanted, y, name),
      known: [knownOf(set.arm, known, name), knownOf(y, known, name)],
      member: name(wanted),
      speed,
    };
  }
  const twin = central.find((member) => equals(lookUp(set.factors, member), lookUp(set.factors, wanted)));
  if (twin === undefined) return null;
  return {
    kind: 'twin',
    arm: name(set.arm),
    as: name(twin),
    member: name(wanted),
    teeth: toothFactors(set.meshes, twin, wanted),
    speed: lookUp(known, twin),
  };
}

/** The arm from two others: ω_x − ω_c = f (ω_y − ω_c), so ω_c = (ω_x − f ω_y) / (1 − f). */
function armStep(
  set: GearSet,
  central: readonly MemberIndex[],
  known: ReadonlyMap<MemberIndex, Rational>,
  name: (member: MemberIndex) => string,
): SpeedStep | null {
  for (const [i, y] of central.entries()) {
    for (const x of central.slice(i + 1)) {
      const factor = div(lookUp(set.factors, x), lookUp(set.factors, y));
      if (equals(factor, ONE)) continue;
      if (equals(lookUp(known, x), lookUp(known, y))) return blockStep(set, [y, x], y, set.arm, known, name);
      const speed = div(sub(lookUp(known, x), mul(factor, lookUp(known, y))), sub(ONE, factor));
      return {
        ...setStepOf(set, x, y, name),
        known: [knownOf(y, known, name), knownOf(x, known, name)],
        member: name(set.arm),
        speed,
      };
    }
  }
  return null;
}

/** A member of a set in which nothing rolls turns like any other of it that is known. */
const blockStep = (
  set: GearSet,
  because: 'meshes' | readonly [MemberIndex, MemberIndex],
  as: MemberIndex,
  member: MemberIndex,
  known: ReadonlyMap<MemberIndex, Rational>,
  name: (member: MemberIndex) => string,
): SpeedStep => ({
  kind: 'block',
  because: because === 'meshes' ? because : [name(because[0]), name(because[1])],
  arm: name(set.arm),
  as: name(as),
  member: name(member),
  speed: lookUp(known, as),
});

const knownOf = (
  member: MemberIndex,
  known: ReadonlyMap<MemberIndex, Rational>,
  name: (member: MemberIndex) => string,
): Known => ({ member: name(member), speed: lookUp(known, member) });

const setStepOf = (set: GearSet, x: MemberIndex, y: MemberIndex, name: (member: MemberIndex) => string) => ({
  kind: 'set' as const,
  arm: name(set.arm),
  x: name(x),
  y: name(y),
  factor: div(lookUp(set.factors, x), lookUp(set.factors, y)),
  teeth: toothFactors(set.meshes, y, x),
});

/** A set's equations between its central members, each against the first, where something is still unknown. */
function setEquations(
  set: GearSet,
  planets: ReadonlySet<MemberIndex>,
  known: ReadonlyMap<MemberIndex, Rational>,
  name: (member: MemberIndex) => string,
): Equation[] {
  const central = [...set.factors.keys()].filter((member) => !planets.has(member));
  const [first, ...rest] = central;
  if (first === undefined || [...central, set.arm].every((member) => known.has(member))) return [];
  if (set.block) return central.map((member) => ({ kind: 'join', coupler: null, a: name(member), b: name(set.arm) }));
  return rest.map((member) => setStepOf(set, member, first, name));
}

/**
 * The stages of a plain chain back from an output: each step with one moving source. Null where two motions are added.
 */
export function chainTo(steps: readonly WorkingStep[], output: string): WorkingStep[] | null {
  const maker = new Map<string, WorkingStep>();
  for (const step of steps) if (step.kind !== 'simultaneous') maker.set(step.member, step);
  const chain: WorkingStep[] = [];
  for (let at = output; ;) {
    const step = maker.get(at);
    if (!step || step.kind === 'held') return null;
    if (step.kind === 'input') return chain.reverse();
    chain.push(step);
    if (step.kind === 'set') {
      const moving = step.known.filter(({ speed }) => !isZero(speed));
      if (moving.length !== 1) return null;
      at = itemAt(moving, 0).member;
    } else if (step.kind === 'simultaneous') return null;
    else at = step.kind === 'twin' || step.kind === 'block' ? step.as : step.from;
  }
}

/** Speed in over speed out of one step of a chain. */
export function stageRatio(step: WorkingStep): Rational {
  if (step.kind === 'pair') return div(step.fromSpeed, step.speed);
  if (step.kind === 'set') return div(required(step.known.find(({ speed }) => !isZero(speed))).speed, step.speed);
  return ONE;
}
