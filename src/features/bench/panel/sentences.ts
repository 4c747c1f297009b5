import { toFraction, type Rational } from '@/core/rational';
import { FRAME, type Train } from '@/core/train';
import type { WorkingStep } from '@/core/working';
import type { Position } from '../analysis';
import type { Highlight } from '../store';

/** One line of the trace: what happens, the sum behind it, and the parts it is about. */
export interface Sentence {
  readonly text: string;
  readonly sum: string;
  readonly highlight: Highlight;
  readonly carriesPower: boolean;
}

const exact = (value: Rational): string => toFraction(value).replace('-', '−');

/** The working told as a story, with who drives whom as this position has it. */
export function sentencesOf(train: Train, { working, roles, figures }: Position): Sentence[] {
  const name = (id: string) => (id === FRAME ? 'the frame' : (train.members.find((member) => member.id === id)?.name ?? id));
  const coupler = (id: string) => train.couplers.find((candidate) => candidate.id === id)?.name ?? 'the self-locking worm';
  const loaded = new Set(figures.filter(({ role }) => role === 'drives' || role === 'carries' || role === 'gives out').map(({ id }) => id));
  return working.steps.map((step): Sentence => {
    const carriesPower = step.kind !== 'simultaneous' && loaded.has(step.member);
    switch (step.kind) {
      case 'input':
        return { text: `The ${name(step.member)} takes the power in and turns once.`, sum: `${name(step.member)} = 1 turn`, highlight: { members: [step.member], gears: [] }, carriesPower };
      case 'held':
        return { text: `${coupler(step.by)} holds ${name(step.member)}: it stands.`, sum: `${name(step.member)} = 0`, highlight: { members: [step.member], gears: [] }, carriesPower };
      case 'joined':
        return { text: `${coupler(step.coupler)} joins ${name(step.member)} to ${name(step.from)}: they turn as one.`, sum: `${name(step.member)} = ${exact(step.speed)}`, highlight: { members: [step.from, step.member], gears: [] }, carriesPower };
      case 'pair':
        return { text: pairText(step, roles.get(step.mesh), train, name), sum: pairSum(step), highlight: { members: [], gears: [step.fromGear, step.toGear] }, carriesPower };
      case 'set':
        return {
          text: `On ${name(step.arm)}, what is known of ${step.known.map(({ member }) => name(member)).join(' and ')} gives ${name(step.member)}.`,
          sum: `(${name(step.x)} − ${name(step.arm)}) = ${exact(step.factor)} × (${name(step.y)} − ${name(step.arm)}), so ${name(step.member)} = ${exact(step.speed)}`,
          highlight: { members: [step.member, ...step.known.map(({ member }) => member)], gears: [] },
          carriesPower,
        };
      case 'simultaneous':
        return {
          text: 'No set has one unknown left; they are solved together.',
          sum: step.solution.map(({ member, speed }) => `${name(member)} = ${exact(speed)}`).join(', '),
          highlight: { members: step.solution.map(({ member }) => member), gears: [] },
          carriesPower,
        };
    }
  });
}

type PairStep = Extract<WorkingStep, { kind: 'pair' }>;

function pairText(step: PairStep, role: string | undefined, train: Train, name: (id: string) => string): string {
  const first = train.meshes.find((mesh) => mesh.id === step.mesh)?.gears[0];
  const forward = first === step.fromGear;
  const driver = role === 'a drives' ? forward : role === 'b drives' ? !forward : null;
  const way = step.opposite ? 'the other way' : 'the same way';
  const from = `gear ${step.fromTeeth} on ${name(step.from)}`;
  const to = `gear ${step.toTeeth} on ${name(step.member)}`;
  if (driver === null) return `${capital(from)} turns ${to} ${way}, with no power passed.`;
  return driver ? `Driver ${from} turns driven ${to} ${way}.` : `${capital(to)} turns ${way} as ${from}, which it drives.`;
}

const pairSum = (step: PairStep): string => `${exact(step.fromSpeed)} × ${step.opposite ? '−' : ''}${step.fromTeeth}/${step.toTeeth} = ${exact(step.speed)}`;

const capital = (text: string): string => text[0]!.toUpperCase() + text.slice(1);
