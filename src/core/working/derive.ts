import { FRAME_INDEX, type MemberIndex, type NetworkMesh } from '../kinematics';
import { add, div, equals, isZero, mul, neg, ONE, sub, ZERO, type Rational } from '../rational';
import type { Solved } from '../solve';
import { FRAME } from '../train';
import { gearSets, toothFactors, type GearSet } from './sets';
import type { SetEquation, WorkingStep } from './steps';

/**
 * Derives every determined speed: from what turns with the input and what is held, take again and again the
 * joint, the pair or the set that has exactly one unknown left. Where nothing has, the sets that are left
 * are solved together.
 */
export function deriveSpeeds(solved: Solved): WorkingStep[] {
  const { network, state, flow } = solved;
  const name = (member: MemberIndex) => (member === FRAME_INDEX ? FRAME : network.memberIds[member]!);
  const known = new Map<MemberIndex, Rational>([[FRAME_INDEX, ZERO]]);
  const steps: WorkingStep[] = [];
  const learn = (member: MemberIndex, speed: Rational, step: WorkingStep) => {
    known.set(member, speed);
    steps.push(step);
  };
  learn(flow.driver, flow.speed, { kind: 'input', member: name(flow.driver), speed: flow.speed });
  for (const { id, tie } of state.joints) {
    const held = tie.a === FRAME_INDEX ? tie.b : tie.b === FRAME_INDEX ? tie.a : null;
    if (held !== null && !known.has(held)) learn(held, ZERO, { kind: 'held', member: name(held), by: id, speed: ZERO });
  }
  const pairs = state.meshes.filter((mesh) => mesh.arm === FRAME_INDEX);
  const planets = new Set(network.train.members.flatMap((member, i) => (member.carrier === undefined ? [] : [i])));
  const sets = gearSets(state.meshes, planets);

  const joinStep = (): boolean => {
    for (const { id, tie } of state.joints) {
      const [from, to] = known.has(tie.a) ? [tie.a, tie.b] : [tie.b, tie.a];
      const speed = known.get(from);
      if (!speed || known.has(to)) continue;
      learn(to, speed, { kind: 'joined', coupler: id, from: name(from), member: name(to), speed });
      return true;
    }
    return false;
  };
  const pairStep = (): boolean => {
    for (const mesh of pairs) {
      const forward = known.has(mesh.a);
      const from = forward ? mesh.a : mesh.b;
      const to = forward ? mesh.b : mesh.a;
      const speed = known.get(from);
      if (!speed || known.has(to)) continue;
      const step = pairStepOf(solved, mesh, forward, speed);
      learn(to, step.speed, step);
      return true;
    }
    return false;
  };
  const setStep = (members: 'central' | 'planets'): boolean => {
    for (const set of sets) {
      const all = [...set.factors.keys(), set.arm];
      // What stands first, then what was found earliest: the sum a person would choose.
      const found = [...known.keys()];
      const rank = (member: MemberIndex) => (isZero(known.get(member)!) ? -1 : found.indexOf(member));
      const ready = all.filter((member) => known.has(member)).sort((a, b) => rank(a) - rank(b));
      for (const wanted of all) {
        if (known.has(wanted) || planets.has(wanted) !== (members === 'planets')) continue;
        const step = setStepOf(set, wanted, ready, known, name) ?? twinStepOf(set, wanted, ready, known, name);
        // A set whose own meshes contradict each other turns only as a block; its factors say nothing then.
        if (!step || !equals(step.speed, state.speeds.of(wanted) ?? step.speed)) continue;
        learn(wanted, step.speed, step);
        return true;
      }
    }
    return false;
  };
  const together = (): boolean => {
    const open = network.memberIds.map((_, member) => member).filter((member) => !known.has(member) && state.speeds.of(member) !== null);
    if (open.length === 0) return false;
    const equations = [
      ...sets.flatMap((set) => setEquations(set, planets, known, name)),
      ...pairs.filter((mesh) => !known.has(mesh.a) && !known.has(mesh.b)).map((mesh): SetEquation => ({
        arm: FRAME, x: name(mesh.a), y: name(mesh.b), factor: neg(div(mesh.zb, mesh.za)), teeth: toothFactors([mesh], mesh.b, mesh.a),
      })),
    ];
    const solution = open.filter((member) => !planets.has(member)).map((member) => ({ member: name(member), speed: state.speeds.of(member)! }));
    if (solution.length === 0) {
      open.forEach((member) => known.set(member, state.speeds.of(member)!));
      return false;
    }
    const joins = state.joints.flatMap(({ id, tie }) => (known.has(tie.a) || known.has(tie.b) ? [] : [{ coupler: id, a: name(tie.a), b: name(tie.b) }]));
    solution.forEach(({ member, speed }) => known.set(network.memberIndex.get(member)!, speed));
    steps.push({ kind: 'simultaneous', equations, joins, solution });
    return true;
  };
  while (joinStep() || pairStep() || setStep('central') || setStep('planets') || together());
  return steps;
}

type SetStep = Extract<WorkingStep, { kind: 'set' }>;
type PairStep = Extract<WorkingStep, { kind: 'pair' }>;

function pairStepOf({ network }: Solved, mesh: NetworkMesh, forward: boolean, fromSpeed: Rational): PairStep {
  const [from, to] = forward ? [mesh.a, mesh.b] : [mesh.b, mesh.a];
  const factor = forward ? neg(div(mesh.za, mesh.zb)) : neg(div(mesh.zb, mesh.za));
  const name = (member: MemberIndex) => (member === FRAME_INDEX ? FRAME : network.memberIds[member]!);
  return { kind: 'pair', ...toothFactors([mesh], from, to)[0]!, from: name(from), member: name(to), fromSpeed, speed: mul(fromSpeed, factor) };
}

/**
 * Solves a set for one member from two known ones. With k the members' factors, ω_x − ω_c = (k_x / k_y)(ω_y − ω_c).
 * Null when the two known ones do not settle it (equal factors).
 */
function setStepOf(set: GearSet, wanted: MemberIndex, ready: readonly MemberIndex[], known: ReadonlyMap<MemberIndex, Rational>, name: (member: MemberIndex) => string): SetStep | null {
  const factorOf = (member: MemberIndex) => (member === set.arm ? ZERO : set.factors.get(member)!);
  for (const [i, p] of ready.entries()) {
    for (const q of ready.slice(i + 1)) {
      const kp = factorOf(p);
      const kq = factorOf(q);
      if (equals(kp, kq)) continue;
      // ω = ω_c + k·v holds for every member, so the two known ones give v, then ω_c, then the wanted one.
      const v = div(sub(known.get(p)!, known.get(q)!), sub(kp, kq));
      const arm = sub(known.get(p)!, mul(kp, v));
      const speed = add(arm, mul(factorOf(wanted), v));
      const [x, y] = [wanted, p, q].filter((member) => member !== set.arm);
      return {
        kind: 'set',
        arm: name(set.arm),
        x: name(x!),
        y: name(y!),
        factor: div(factorOf(x!), factorOf(y!)),
        teeth: toothFactors(set.meshes, y!, x!),
        known: [p, q].map((member) => ({ member: name(member), speed: known.get(member)! })),
        member: name(wanted),
        speed,
      };
    }
  }
  return null;
}

/** A member with the same factor as a known one turns with it, wherever the carrier may be: two planets' like gears, say. */
function twinStepOf(set: GearSet, wanted: MemberIndex, ready: readonly MemberIndex[], known: ReadonlyMap<MemberIndex, Rational>, name: (member: MemberIndex) => string): SetStep | null {
  const factor = set.factors.get(wanted);
  const twin = ready.find((member) => factor !== undefined && member !== set.arm && equals(set.factors.get(member)!, factor));
  if (wanted === set.arm || twin === undefined) return null;
  const speed = known.get(twin)!;
  return { kind: 'set', arm: name(set.arm), x: name(wanted), y: name(twin), factor: ONE, teeth: toothFactors(set.meshes, twin, wanted), known: [{ member: name(twin), speed }], member: name(wanted), speed };
}

/** A set's equations between its central members, each against the first, where something is still unknown. */
function setEquations(set: GearSet, planets: ReadonlySet<MemberIndex>, known: ReadonlyMap<MemberIndex, Rational>, name: (member: MemberIndex) => string): SetEquation[] {
  const central = [...set.factors.keys()].filter((member) => !planets.has(member));
  const [first, ...rest] = central;
  if (first === undefined || [...central, set.arm].every((member) => known.has(member))) return [];
  return rest.map((member) => ({
    arm: name(set.arm),
    x: name(member),
    y: name(first),
    factor: div(set.factors.get(member)!, set.factors.get(first)!),
    teeth: toothFactors(set.meshes, first, member),
  }));
}

/** The stages of a plain chain back from an output: each step with one moving source. Null where two motions are added. */
export function chainTo(steps: readonly WorkingStep[], output: string): WorkingStep[] | null {
  const maker = new Map<string, WorkingStep>();
  for (const step of steps) if (step.kind !== 'simultaneous') maker.set(step.member, step);
  const chain: WorkingStep[] = [];
  for (let at = output; ; ) {
    const step = maker.get(at);
    if (!step || step.kind === 'held') return null;
    if (step.kind === 'input') return chain.reverse();
    chain.push(step);
    if (step.kind === 'set') {
      const moving = step.known.filter(({ speed }) => !isZero(speed));
      if (moving.length !== 1) return null;
      at = moving[0]!.member;
    } else if (step.kind === 'simultaneous') return null;
    else at = step.from;
  }
}

/** Speed in over speed out of one step of a chain. */
export function stageRatio(step: WorkingStep): Rational {
  if (step.kind === 'pair') return div(step.fromSpeed, step.speed);
  if (step.kind === 'set') return div(step.known.find(({ speed }) => !isZero(speed))!.speed, step.speed);
  return ONE;
}
