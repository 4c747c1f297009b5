import { type Highlight, highlightOf } from '@/features/train/highlight';
import { isZero } from '@/core/rational';
import { FRAME, type Train, partsById } from '@/core/train';
import type { SetEquation, WorkingStep } from '@/core/working';
import type { Explained } from '@/features/train/analysis';
import { exact, couplerName, listed, memberName, sentence as closed } from '@/core/words';

/** One line of the trace: what happens, the sum behind it, and the parts it is about. */
export interface Sentence {
  readonly text: string;
  readonly sum: string;
  readonly highlight: Highlight;
  readonly carriesPower: boolean;
}

/**
 * The working told as a story, with who drives whom as this position has it; what only turns along is named at the end.
 */
export interface Story {
  readonly sentences: readonly Sentence[];
  readonly idle: readonly string[];
}

export function storyOf(train: Train, { working, roles, figures, flow, solved }: Explained): Story {
  const name = (id: string) => memberName(train, id);
  const loaded = new Set(
    figures
      .filter(({ role }) => role === 'drives' || role === 'carries' || role === 'gives out' || role === 'shared')
      .map(({ id }) => id),
  );
  const planets = new Set(train.members.filter(({ carrier }) => carrier !== undefined).map(({ id }) => id));
  const idling = (step: WorkingStep) =>
    loaded.size > 0 &&
    ((step.kind === 'pair' && roles.get(step.mesh) === 'idle') || (step.kind === 'joined' && !loaded.has(step.member)));
  // How fast a planet spins on its pin is no part of the story; the figures have it.
  const members = working.steps.filter((step) => step.kind === 'simultaneous' || !planets.has(step.member));
  const told = members.filter((step) => !idling(step));
  const idle = members.flatMap((step) => (step.kind !== 'simultaneous' && idling(step) ? [step.member] : []));
  return { sentences: told.map(sentence), idle };

  function sentence(step: WorkingStep): Sentence {
    const carriesPower = step.kind !== 'simultaneous' && loaded.has(step.member);
    switch (step.kind) {
      case 'input':
        return {
          text: closed(inputText(step.member)),
          sum: `${name(step.member)} = ${exact(step.speed)}`,
          highlight: highlightOf({ members: [step.member] }),
          carriesPower,
        };
      case 'held':
        return {
          text: closed(`Held by ${couplerName(train, step.by)}: ${name(step.member)}`),
          sum: `${name(step.member)} = 0`,
          highlight: highlightOf({ members: [step.member], couplers: [step.by] }),
          carriesPower,
        };
      case 'joined':
        return {
          text: closed(
            `Joined by ${couplerName(train, step.coupler)}, turning as one: ` +
              `${listed([name(step.from), name(step.member)])}`,
          ),
          sum: `${name(step.member)} = ${exact(step.speed)}`,
          highlight: highlightOf({ members: [step.from, step.member], couplers: [step.coupler] }),
          carriesPower,
        };
      case 'pair':
        return {
          text: pairText(step, roles.get(step.mesh), train, name),
          sum: pairSum(step),
          highlight: highlightOf({ gears: [step.fromGear, step.toGear] }),
          carriesPower,
        };
      case 'set':
        return {
          text: setText(step, name),
          sum: `${relation(step, name)}, so ${name(step.member)} = ${exact(step.speed)}`,
          highlight: highlightOf({ members: [step.member, ...step.known.map(({ member }) => member)] }),
          carriesPower,
        };
      case 'twin':
      case 'block':
        return {
          text: closed(
            step.kind === 'twin'
              ? `Same speed, whatever ${name(step.arm)} does: ${listed([name(step.as), name(step.member)])}`
              : (isZero(step.speed)
                  ? 'Nothing rolls in this set, it stands: '
                  : 'Nothing rolls in this set, one block: ') +
                  listed(
                    [...new Set([...(step.because === 'meshes' ? [] : step.because), step.as, step.member])].map(name),
                  ),
          ),
          sum: `${name(step.member)} = ${exact(step.speed)}`,
          highlight: highlightOf({ members: [step.as, step.member] }),
          carriesPower,
        };
      case 'simultaneous':
        return {
          text: 'No set has one unknown left; they are solved together.',
          sum: step.solution.map(({ member, speed }) => `${name(member)} = ${exact(speed)}`).join(', '),
          highlight: highlightOf({ members: step.solution.map(({ member }) => member) }),
          carriesPower: step.solution.some(({ member }) => loaded.has(member)),
        };
    }
  }

  function inputText(member: string): string {
    if (member !== train.input) return `Pushed: ${name(member)}, one turn`;
    return (
      `Input: ${name(member)}, one ` +
      `turn${flow === 'coast' && solved.status !== 'neutral' ? ', pushed by the load' : ''}`
    );
  }
}

type Name = (id: string) => string;
type PairStep = Extract<WorkingStep, { kind: 'pair' }>;
type SetStep = Extract<WorkingStep, { kind: 'set' }>;

function setText(step: SetStep, name: Name): string {
  const known = listed(step.known.map(({ member }) => name(member)));
  return closed(
    step.member === step.arm
      ? `From ${known} together: ${name(step.member)}, the carrier of the planets`
      : `From ${known}, through the planets: ${name(step.member)}`,
  );
}

/** (x − arm) = factor × (y − arm). */
export const relation = ({ arm, x, y, factor }: SetEquation, name: Name): string => {
  const relative = (id: string) => (arm === FRAME ? name(id) : `(${name(id)} − ${name(arm)})`);
  return `${relative(x)} = ${exact(factor)} × ${relative(y)}`;
};

function pairText(step: PairStep, role: string | undefined, train: Train, name: Name): string {
  const first = partsById(train).find.mesh(step.mesh)?.gears[0];
  const forward = first === step.fromGear;
  const driver = role === 'a drives' ? forward : role === 'b drives' ? !forward : null;
  const way = step.opposite ? 'the other way' : 'the same way';
  const from = `gear ${step.fromTeeth} on ${name(step.from)}`;
  const to = `gear ${step.toTeeth} on ${name(step.member)}`;
  if (driver === null) return `${capital(from)} turns ${to} ${way}, without load.`;
  return driver
    ? `Driver ${from} turns driven ${to} ${way}.`
    : `${capital(to)} turns ${way} as ${from}, which it drives.`;
}

const pairSum = (step: PairStep): string =>
  `${exact(step.fromSpeed)} × ${step.opposite ? '−' : ''}${step.fromTeeth}/${step.toTeeth} = ${exact(step.speed)}`;

const capital = (text: string): string => (text[0] ?? '').toUpperCase() + text.slice(1);
