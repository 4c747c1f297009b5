import { networkOf } from '@/core/kinematics';
import type { PracticeQuestion, Skill } from '@/core/practice';
import {
  abs,
  add,
  compare,
  equals,
  fraction,
  inverse,
  isZero,
  mul,
  ONE,
  sign,
  toFraction,
  type Rational,
} from '@/core/rational';
import type { Gear, Train } from '@/core/train';
import { askedBackward, bruteForce, type BruteForce } from './all-subsets';
import { numericStatics, type Passing } from './numeric-statics';
import { setsByMerging } from './power-ledger';
import { partsById } from '@/core/train';

const size = (ratio: Rational): string => toFraction(abs(ratio));
const turning = (speed: Rational | null | undefined): speed is Rational =>
  speed !== null && speed !== undefined && !isZero(speed);
const standing = (speed: Rational | null | undefined): boolean =>
  speed !== null && speed !== undefined && isZero(speed);

/**
 * The answer of a question by other routes than the one that made it: motion by the brute force over one-way clutches,
 * torque and power by singular values in floating point, counts out of the question's own text. Undefined where no
 * other route has an answer (self-locking worms, shared torques).
 */
export function answeredAgain(train: Train, question: PracticeQuestion): string | readonly string[] | undefined {
  const { text, answer, position } = question;
  const numbers = (text.match(/\d+/g) ?? []).map(Number);
  const place = partsById(train).find.position(position);
  const engaged = new Set(place?.engaged ?? []);
  const brute = place ? bruteForce(train, engaged) : null;
  const central = train.members.filter(({ carrier }) => carrier === undefined).map(({ id }) => id);
  const worms = train.meshes.some(({ selfLocking }) => selfLocking);
  switch (question.skill as Skill) {
    case 'pair': {
      const [driver, driven] = numbers;
      return toFraction(fraction(driven!, driver!));
    }
    case 'way':
      return sign(brute!.ratio!) > 0 ? 'same way' : 'reverse';
    case 'faster':
      return ['faster', 'as fast', 'slower'][1 + compare(abs(brute!.ratio!), ONE)];
    case 'torque-change':
      return ['less', 'as much', 'more'][1 + compare(abs(brute!.ratio!), ONE)];
    case 'ratio':
      return size(brute!.ratio!);
    case 'turns': {
      const crank = Number(/makes (\d+) turns/.exec(text)![1]);
      return size(mul(fraction(crank, 1), inverse(brute!.ratio!)));
    }
    case 'speed': {
      const input = Number(/turns at (\d+) rpm/.exec(text)![1]);
      const name = /How fast does (.*) turn, in rpm/.exec(text)![1];
      const { id } = train.members.find((member) => (member.name || member.id) === name)!;
      return size(mul(brute!.speeds.get(id)!, fraction(input, 1)));
    }
    case 'torque': {
      const put = Number(/input torque is (\d+) N·m/.exec(text)![1]);
      return size(mul(fraction(put, 1), brute!.ratio!));
    }
    case 'load': {
      // Power in is power out, for one turn of the input.
      const held = [...text.matchAll(/a load of (\d+) N·m holds (.*?)(?=, a load| and a load|\. What)/g)];
      return toFraction(
        held.reduce<Rational>((total, [, torque, name]) => {
          const { id } = train.members.find((member) => (member.name || member.id) === name)!;
          return add(total, mul(fraction(Number(torque)), abs(brute!.speeds.get(id)!)));
        }, fraction(0)),
      );
    }
    case 'basic': {
      // Speeds of a set seen from its carrier: sun · s + ring · r = 0.
      const [, s, sun, r, ring, held, of, one] =
        /itself, (\d+) on (.*) and (\d+) on (.*), planets on .*: (.*) is held\. How many turns of (.*) make one turn of (.*)\?/.exec(
          text,
        )!;
      const [S, R] = [fraction(Number(s), 1), fraction(Number(r), 1)];
      if (held === ring) return of === sun ? size(mul(add(S, R), inverse(S))) : undefined;
      if (held === sun) return of === ring ? size(mul(add(S, R), inverse(R))) : undefined;
      return of === sun && one === ring ? size(mul(R, inverse(S))) : undefined;
    }
    case 'held':
      return central.filter((id) => standing(brute!.speeds.get(id))).sort();
    case 'block':
      return blockAgain(train, engaged, brute!, central);
    case 'idle': {
      const statics = staticsOf(train, engaged, brute!);
      const ends = [train.input, ...train.outputs];
      return (
        statics &&
        central
          .filter((id) => turning(brute!.speeds.get(id)) && !carries(train, engaged, statics, id) && !ends.includes(id))
          .sort()
      );
    }
    case 'drives': {
      const statics = staticsOf(train, engaged, brute!);
      const [, first, second] = /: (.*) meshes with (.*)\. Which/.exec(text)!;
      const mesh = train.meshes.find(({ gears }) => {
        const names = gears.map((id) => nameOf(train, partsById(train).gear(id)));
        return names.includes(first!) && names.includes(second!);
      })!;
      const torques = statics?.find(({ kind, id }) => kind === 'mesh' && id === mesh.id)?.torques;
      if (!statics) return undefined;
      const [a, b] = partsById(train).pair(mesh);
      const into = powerInto(torques, brute!, b.member);
      return into === 0 ? 'neither: no power goes through' : nameOf(train, into > 0 ? a : b);
    }
    case 'path': {
      const statics = staticsOf(train, engaged, brute!);
      if (!statics) return undefined;
      const value = answer.value as readonly string[];
      const planets = new Set(train.members.flatMap(({ id, carrier }) => (carrier === undefined ? [] : [id])));
      const passes = (from: string, to: string) =>
        statics.some(({ torques }) => powerInto(torques, brute!, from) < 0 && powerInto(torques, brute!, to) > 0) ||
        (planets.size > 0 && balanceOf(statics, brute!, from) && balanceOf(statics, brute!, to));
      const ends = value[0] === train.input && value.at(-1) === train.outputs[0];
      return ends && value.slice(1).every((to, i) => passes(value[i]!, to)) ? value : [];
    }
    case 'overrun': {
      const name = /the one-way clutch (.*) hold, or/.exec(text)![1];
      const { id } = train.couplers.find((one) => (one.name || one.id) === name)!;
      return brute!.holds.has(id) ? 'it holds' : 'it overruns';
    }
    case 'status': {
      const names = train.couplers.filter((one) => one.type !== 'one-way' || one.control === 'selectable');
      const told = namedIn(
        /^With (.*) engaged: does/.exec(text)![1]!,
        names.map((one) => one.name || one.id),
      );
      const found = bruteForce(
        train,
        new Set(names.filter((one) => told.includes(one.name || one.id)).map(({ id }) => id)),
      );
      return found.status;
    }
    case 'elements': {
      const choices = answer.kind === 'choice' ? answer.choices : [];
      const named = train.positions.map((one) => ({
        ratio: bruteForce(train, new Set(one.engaged)).ratio,
        text: one.engaged.map((id) => couplerNameOf(train, id)).join(' + ') || 'nothing engaged',
      }));
      const shown = choices.map((choice) => named.find((one) => one.text === choice)!);
      const wanted = /gives (.*)\?/.exec(text)![1]!;
      const fits = shown.filter(({ ratio }) =>
        wanted === 'reverse'
          ? sign(ratio!) < 0
          : wanted === 'the slowest output'
            ? shown.every((other) => compare(other.ratio!, ratio!) <= 0)
            : equals(abs(ratio!), parse(wanted)) && sign(ratio!) < 0 === wanted.endsWith('reverse'),
      );
      return fits.length === 1 ? fits[0]!.text : fits.map((one) => one.text);
    }
    case 'order': {
      const ratios = new Map(train.positions.map((one) => [one.id, bruteForce(train, new Set(one.engaged)).ratio]));
      return [...(answer.value as readonly string[])].sort((a, b) => compare(ratios.get(b)!, ratios.get(a)!));
    }
    case 'change': {
      const value = answer.value as readonly string[];
      const from = place!.engaged;
      // What is put in and let go, applied to where it begins, leads to a position by the name that was asked for.
      const to = [...from.filter((id) => !value.includes(id)), ...value.filter((id) => !from.includes(id))].sort();
      const name = / to (.*): which couplers/.exec(text)![1];
      return train.positions.some(
        (one) => (one.name || one.id) === name && [...one.engaged].sort().join() === to.join(),
      )
        ? value
        : [];
    }
    case 'backward': {
      if (worms || train.outputs.length > 1) return undefined;
      const network = networkOf(train);
      const way = sign(brute!.ratio!) < 0 ? fraction(-1) : ONE;
      return bruteForce(train, engaged, askedBackward(network, way)).status === 'drive' ? 'yes' : 'no';
    }
    case 'removed': {
      const gears = gearsNamed(train, /the gear of (.*) is taken out/.exec(text)![1]!);
      if (gears.length !== 1) return undefined;
      const left = bruteForce(without(train, gears[0]!.id), engaged);
      return central.filter((id) => turning(left.speeds.get(id))).sort();
    }
    case 'tooth': {
      const [, teeth, member, more] = /The gear of (\d+) teeth on (.*) is replaced by one of (\d+)\./.exec(text)!;
      const gears = gearsNamed(train, `${teeth} on ${member}`);
      if (gears.length !== 1) return undefined;
      const changed = {
        ...train,
        gears: train.gears.map((gear) => (gear === gears[0] ? { ...gear, teeth: Number(more) } : gear)),
      };
      return size(bruteForce(changed, engaged).ratio!);
    }
  }
}

/** Which of these names a list is made of; names may have commas of their own, so the longest are looked for first. */
function namedIn(list: string, names: readonly string[]): readonly string[] {
  let rest = list;
  return [...names]
    .sort((a, b) => b.length - a.length)
    .filter((name) => {
      if (!rest.includes(name)) return false;
      rest = rest.replace(name, '');
      return true;
    });
}

const parse = (text: string): Rational => {
  const [n, d = '1'] = /^[\d/]+/.exec(text)![0].split('/');
  return fraction(Number(n), Number(d));
};
const memberNameOf = (train: Train, id: string): string =>
  id === 'frame' ? 'the frame' : partsById(train).member(id).name || id;
const couplerNameOf = (train: Train, id: string): string => partsById(train).coupler(id).name || id;
const nameOf = (train: Train, gear: Gear): string => `${gear.teeth} on ${memberNameOf(train, gear.member)}`;
const gearsNamed = (train: Train, name: string): readonly Gear[] =>
  train.gears.filter((gear) => nameOf(train, gear) === name);

const staticsOf = (
  train: Train,
  engaged: ReadonlySet<string>,
  { holds }: BruteForce,
): readonly Passing[] | undefined =>
  train.outputs.length > 1 || train.meshes.some(({ selfLocking }) => selfLocking)
    ? undefined
    : numericStatics(train, engaged, holds)?.passing;

/**
 * Whether any torque acts on a member; the pins of one set pull both ways, and only what is left of them reaches their
 * carrier.
 */
function carries(train: Train, engaged: ReadonlySet<string>, statics: readonly Passing[], member: string): boolean {
  const setOf = setOfMeshes(train, engaged);
  const pins = new Map<string | undefined, number>();
  let acted = false;
  for (const { id, arm, torques } of statics) {
    const torque = torques.get(member);
    if (torque === undefined) continue;
    if (arm === member) pins.set(setOf(id), (pins.get(setOf(id)) ?? 0) + torque);
    else acted = true;
  }
  return acted || [...pins.values()].some((rest) => Math.abs(rest) > 1e-7);
}

/** The set each mesh belongs to, by its first planet: planets that mesh with one another hold together. */
function setOfMeshes(train: Train, engaged: ReadonlySet<string>): (mesh: string) => string | undefined {
  const slidesOut = train.couplers.flatMap((one) =>
    one.type === 'sliding-mesh' && !engaged.has(one.id) ? [one.mesh] : [],
  );
  const sets = setsByMerging(train, new Set(slidesOut));
  const parts = partsById(train);
  return (id) =>
    (parts.find.mesh(id)?.gears ?? []).flatMap((gear) => sets.get(parts.find.gear(gear)?.member ?? '')?.id ?? [])[0];
}

/** Power that a mesh or coupler puts into a member, by its sign. */
function powerInto(torques: ReadonlyMap<string, number> | undefined, { speeds }: BruteForce, member: string): number {
  const speed = speeds.get(member);
  const torque = torques?.get(member) ?? 0;
  return turning(speed) ? Math.sign(torque) * sign(speed) : 0;
}

const balanceOf = (statics: readonly Passing[], brute: BruteForce, member: string): boolean =>
  statics.some(({ torques }) => powerInto(torques, brute, member) !== 0);

/** Members of sets whose meshes all stand still against their carrier while it turns. */
function blockAgain(train: Train, engaged: ReadonlySet<string>, { speeds }: BruteForce, central: readonly string[]) {
  const { meshes, memberIds, couplers } = networkOf(train);
  const setOf = setOfMeshes(train, engaged);
  const inMesh = meshes.filter((mesh) => mesh.slidBy === null || engaged.has(couplers[mesh.slidBy]?.coupler.id ?? ''));
  const found = new Set<string>();
  for (const { mesh: first, arm } of inMesh) {
    const set = setOf(first.id);
    const turn = speeds.get(memberIds[arm] ?? '');
    if (set === undefined || !turning(turn)) continue;
    const touching = inMesh.flatMap(({ mesh, a, b }) => (setOf(mesh.id) === set ? [a, b] : []));
    const alongWith = (i: number) => {
      const other = speeds.get(memberIds[i] ?? '');
      return turning(other) && equals(other, turn);
    };
    if (touching.every(alongWith)) [arm, ...touching].forEach((i) => found.add(memberIds[i] ?? ''));
  }
  return central.filter((id) => found.has(id)).sort();
}

function without(train: Train, gear: string): Train {
  const meshes = train.meshes.filter(({ gears }) => !gears.includes(gear));
  const left = new Set(meshes.map(({ id }) => id));
  const couplers = train.couplers.filter((one) => one.type !== 'sliding-mesh' || left.has(one.mesh));
  return { ...train, gears: train.gears.filter(({ id }) => id !== gear), meshes, couplers };
}
