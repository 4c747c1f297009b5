import { inverse, toFraction, type Rational } from '../rational';
import { FRAME } from '../train';
import type { RatioConvention } from '../units';
import type { SetEquation, Stage, Working, WorkingStep } from './steps';

/** Names for members, gears and couplers: a document's own, or its ids. */
export interface Names {
  readonly member: (id: string) => string;
  readonly coupler: (id: string) => string;
}

/** The working as lines of plain text, in either ratio convention. */
export function workingText(working: Working, names: Names, convention: RatioConvention): string[] {
  const lines = working.steps.flatMap((step, i) => indent(`${i + 1}. `, stepText(step, names)));
  if (working.floating.length > 0) lines.push(`Left open: ${working.floating.map(names.member).join(', ')}.`);
  if (working.stages) lines.push(...productText(working.stages, names, convention));
  if (working.checks.length > 0) {
    lines.push('The same ratio:');
    for (const { way, value } of working.checks) lines.push(`   ${convention === 'in/out' ? way : turnedOver(way)}: ${toFraction(turn(value, convention))}`);
  }
  return lines;
}

const indent = (head: string, lines: readonly string[]): string[] => lines.map((line, i) => (i === 0 ? head : ' '.repeat(head.length)) + line);

const turn = (ratio: Rational, convention: RatioConvention): Rational => (convention === 'in/out' ? ratio : inverse(ratio));

const turnedOver = (way: Working['checks'][number]['way']): string =>
  way === 'speed in over speed out' ? 'speed out over speed in' : way === 'torque out over torque in' ? 'torque in over torque out' : way;

function stepText(step: WorkingStep, { member, coupler }: Names): string[] {
  switch (step.kind) {
    case 'input':
      return [`${member(step.member)} is turned: ω = ${toFraction(step.speed)}`];
    case 'held':
      return [`${coupler(step.by)} holds ${member(step.member)}: ω = 0`];
    case 'joined':
      return [`${coupler(step.coupler)} joins ${member(step.member)} to ${member(step.from)}: ω = ${toFraction(step.speed)}`];
    case 'pair':
      return [
        `${member(step.from)} (${step.fromTeeth}) turns ${member(step.member)} (${step.toTeeth}) ${step.opposite ? 'the other way' : 'the same way'}:`,
        `ω = ${toFraction(step.fromSpeed)} × ${step.opposite ? '-' : ''}${step.fromTeeth}/${step.toTeeth} = ${toFraction(step.speed)}`,
      ];
    case 'set':
      return [
        `on ${member(step.arm)}: ${relation(step, member)}`,
        `with ${step.known.map((known) => `ω(${member(known.member)}) = ${toFraction(known.speed)}`).join(', ')}`,
        `ω(${member(step.member)}) = ${toFraction(step.speed)}`,
      ];
    case 'simultaneous':
      return [
        'no set has a single unknown; together:',
        ...step.equations.map((equation) => `   ${relation(equation, member)}`),
        ...step.joins.map(({ a, b }) => `   ω(${member(a)}) = ω(${member(b)})`),
        `give ${step.solution.map((found) => `ω(${member(found.member)}) = ${toFraction(found.speed)}`).join(', ')}`,
      ];
  }
}

/** (ω(x) − ω(arm)) / (ω(y) − ω(arm)) = factor; on the frame simply ω(x) / ω(y). */
function relation({ arm, x, y, factor, teeth }: SetEquation, member: Names['member']): string {
  const relative = (id: string) => (arm === FRAME ? `ω(${member(id)})` : `(ω(${member(id)}) − ω(${member(arm)}))`);
  const product = teeth.map(({ fromTeeth, toTeeth, opposite }) => `${opposite ? '-' : ''}${fromTeeth}/${toTeeth}`).join(' × ');
  return `${relative(x)} / ${relative(y)} = ${product} = ${toFraction(factor)}`;
}

function productText(stages: readonly Stage[], { member }: Names, convention: RatioConvention): string[] {
  const head = convention === 'in/out' ? 'Ratio in/out, driven over driver:' : 'Ratio out/in, driver over driven:';
  const lines = stages.map(({ step, ratio, running }) => {
    const factor = step.kind === 'pair' ? pairFactor(step, convention) : toFraction(turn(ratio, convention));
    const where = step.kind === 'simultaneous' ? '' : member(step.member);
    return `   to ${where}: × ${factor} = ${toFraction(turn(running, convention))}`;
  });
  return stages.length === 0 ? ['The output is the input: ratio 1.'] : [head, ...lines];
}

function pairFactor({ fromTeeth, toTeeth, opposite }: Extract<WorkingStep, { kind: 'pair' }>, convention: RatioConvention): string {
  const [top, bottom] = convention === 'in/out' ? [toTeeth, fromTeeth] : [fromTeeth, toTeeth];
  return `${opposite ? '-' : ''}${top}/${bottom}`;
}
