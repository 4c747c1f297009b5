import { bracketed, listed } from '../words';
import { inverse, isZero, ONE, sub, toFraction, type Rational } from '../rational';
import { FRAME } from '../train';
import type { RatioConvention } from '../units';
import type { Elimination, Join, SetEquation, Stage, Working, WorkingStep } from './steps';
import { required } from '../required';

/** Names for members, gears and couplers: a document's own, or its ids. */
export interface Names {
  readonly member: (id: string) => string;
  readonly coupler: (id: string) => string;
}

/**
 * Two ways of writing a planetary set down: its relative-motion equation, or the table of turns together and turns
 * back.
 */
export type SetSchool = 'formula' | 'table';

/** The working as lines of plain text, in either ratio convention and either school for sets. */
export function workingText(
  working: Working,
  names: Names,
  convention: RatioConvention,
  school: SetSchool = 'formula',
): string[] {
  const lines = working.steps.flatMap((step, i) => indent(`${i + 1}. `, stepText(step, names, school)));
  if (working.floating.length > 0) lines.push(`Left open: ${working.floating.map(names.member).join(', ')}.`);
  if (working.stages) lines.push(...productText(working.stages, names, convention));
  if (working.checks.length > 0) {
    lines.push('The same ratio:');
    for (const { way, value } of working.checks)
      lines.push(`   ${convention === 'in/out' ? way : turnedOver(way)}: ${toFraction(turn(value, convention))}`);
  }
  return lines;
}

const indent = (head: string, lines: readonly string[]): string[] =>
  lines.map((line, i) => (i === 0 ? head : ' '.repeat(head.length)) + line);

const turn = (ratio: Rational, convention: RatioConvention): Rational =>
  convention === 'in/out' ? ratio : inverse(ratio);

const turnedOver = (way: Working['checks'][number]['way']): string =>
  way === 'speed in over speed out'
    ? 'speed out over speed in'
    : way === 'torque out over torque in'
      ? 'torque in over torque out'
      : way;

function stepText(step: WorkingStep, { member, coupler }: Names, school: SetSchool): string[] {
  switch (step.kind) {
    case 'input':
      return [`turned: ${member(step.member)}, ω = ${toFraction(step.speed)}`];
    case 'held':
      return [`held by ${coupler(step.by)}: ${member(step.member)}, ω = 0`];
    case 'joined':
      return [
        `joined by ${coupler(step.coupler)}: ${member(step.from)} and ` +
          `${member(step.member)}, ω = ${toFraction(step.speed)}`,
      ];
    case 'pair':
      return [
        `${member(step.from)} (${step.fromTeeth}) with ${member(step.member)} (${step.toTeeth}), ` +
          `${step.opposite ? 'turning the other way' : 'turning the same way'}:`,
        `ω = ${toFraction(step.fromSpeed)} × ` +
          `${step.opposite ? '-' : ''}${step.fromTeeth}/${step.toTeeth} = ` +
          `${toFraction(step.speed)}`,
      ];
    case 'set':
      return school === 'formula' ? byFormula(step, member) : byTable(step, member);
    case 'twin':
      return [
        `on ${member(step.arm)}: ω(${member(step.member)}) − ω(${member(step.arm)}) = ${product(step.teeth)} × ` +
          `(ω(${member(step.as)}) − ω(${member(step.arm)})), and ${product(step.teeth)} = 1`,
        `ω(${member(step.member)}) = ω(${member(step.as)}) = ${toFraction(step.speed)}`,
      ];
    case 'block':
      return [
        `on ${member(step.arm)}: ${blockText(step, member)}`,
        `ω(${member(step.member)}) = ω(${member(step.as)}) = ${toFraction(step.speed)}`,
      ];
    case 'simultaneous':
      return togetherText(step, { member, coupler }, school);
  }
}

/** Why nothing rolls in a set, and what that makes of it. */
export function blockText(
  { because, speed }: Extract<WorkingStep, { kind: 'block' }>,
  member: Names['member'],
): string {
  const all = isZero(speed) ? 'the whole set stands' : 'the set turns as one block';
  if (because === 'meshes') return `the meshes contradict each other unless nothing rolls, so ${all}`;
  const pair = listed(because.map(member));
  return `${pair} ${isZero(speed) ? 'stand' : 'turn alike'}, so nothing rolls: ${all}`;
}

function byFormula(step: SetStep, member: Names['member']): string[] {
  const [first, second] = step.known;
  const value = (id: string) => {
    const found = [first, second].find((known) => known.member === id);
    return found ? toFraction(found.speed) : `ω(${member(id)})`;
  };
  return [
    `on ${member(step.arm)}: ${relation(step, member)}`,
    `with ${knownText(step, member)}: (${value(step.x)} − ${bracketed(value(step.arm))}) / ` +
      `(${value(step.y)} − ${bracketed(value(step.arm))}) = ${toFraction(step.factor)}`,
    `ω(${member(step.member)}) = ${toFraction(step.speed)}`,
  ];
}

function byTable(step: SetStep, member: Names['member']): string[] {
  const { together, back } = tableOf(step);
  const [arm, y, x] = [step.arm, step.y, step.x].map(member);
  const f = toFraction(step.factor);
  const sums = { [step.arm]: 'n', [step.y]: 'n + m', [step.x]: `n + (${f})·m` };
  return [
    `on ${arm}, by table; seen from it, one turn of ${y} gives ${product(step.teeth)} = ${f} of ${x}`,
    `all turned together:   ${arm} n, ${y} n, ${x} n`,
    `${arm} held, ${y} turned:   ${arm} 0, ${y} m, ${x} (${f})·m`,
    `added:   ${arm} n, ${y} n + m, ${x} n + (${f})·m`,
    `with ${knownText(step, member)}: n = ${toFraction(together)}, m = ${toFraction(back)}`,
    `ω(${member(step.member)}) = ${sums[step.member]} = ${toFraction(step.speed)}`,
  ];
}

type SetStep = Extract<WorkingStep, { kind: 'set' }>;

/** The turns of a set's table: all together with the arm, then y alone with the arm held. */
export function tableOf(step: SetStep): { readonly together: Rational; readonly back: Rational } {
  const together = speedInSet(step, step.arm);
  return { together, back: sub(speedInSet(step, step.y), together) };
}

/** The speed of one of the three members of a set's step. */
export const speedInSet = ({ member, speed, known }: SetStep, id: string): Rational =>
  id === member ? speed : required(known.find((one) => one.member === id)).speed;

const knownText = ({ known }: SetStep, member: Names['member']): string =>
  known.map(({ member: id, speed }) => `ω(${member(id)}) = ${toFraction(speed)}`).join(', ');

function togetherText(
  { equations, eliminations, solution }: Extract<WorkingStep, { kind: 'simultaneous' }>,
  { member, coupler }: Names,
  school: SetSchool,
): string[] {
  const omega = (id: string) => `ω(${member(id)})`;
  return [
    'no set has a single unknown; together:',
    ...equations.map(
      (equation, i) =>
        `   (${i + 1}) ` +
        (equation.kind === 'join'
          ? joinText(equation, { member, coupler })
          : school === 'formula'
            ? productRelation(equation, member)
            : tableRelation(equation, member)),
    ),
    ...eliminations.map(
      (line) =>
        '   from ' +
        `(${line.from + 1})${line === eliminations[0] ? '' : ', with those above substituted'}: ` +
        `${omega(line.member)} = ${sumText(line, omega)}`,
    ),
    ...solution.map(
      ({ member: id, speed, by }) =>
        `   ${omega(id)} = ` +
        (by.terms.length > 0
          ? `${sumText(by, (other) => bracketed(toFraction(required(solution.find((found) => found.member === other)).speed)))} = `
          : '') +
        toFraction(speed),
    ),
  ];
}

const joinText = ({ coupler: id, a, b }: Join, { member, coupler }: Names): string =>
  `ω(${member(a)}) = ω(${member(b)}), ${id === null ? 'as one block' : `joined by ${coupler(id)}`}`;

/** What is left of a set's table when n and m are taken out of it. */
function tableRelation({ arm, x, y, factor }: SetEquation, member: Names['member']): string {
  if (arm === FRAME) return `ω(${member(x)}) = ${toFraction(factor)} × ω(${member(y)})`;
  const f = toFraction(factor);
  return (
    `${member(arm)} n, ${member(y)} n + m, ${member(x)} n + (${f})·m: ω(${member(x)}) = ${f} × ` +
    `ω(${member(y)}) + ${toFraction(sub(ONE, factor))} × ω(${member(arm)})`
  );
}

/** Σ factor × term + constant, as text. */
function sumText({ terms, constant }: Elimination, omega: (id: string) => string): string {
  const parts = terms.map(({ member, factor }) => `${bracketed(toFraction(factor))} × ${omega(member)}`);
  return [...parts, ...(isZero(constant) && parts.length > 0 ? [] : [bracketed(toFraction(constant))])].join(' + ');
}

const product = (teeth: SetEquation['teeth']): string =>
  teeth.map(({ fromTeeth, toTeeth, opposite }) => `${opposite ? '-' : ''}${fromTeeth}/${toTeeth}`).join(' × ');

/** (ω(x) − ω(arm)) / (ω(y) − ω(arm)) = factor; on the frame simply ω(x) / ω(y). */
function relation({ arm, x, y, factor, teeth }: SetEquation, member: Names['member']): string {
  const relative = (id: string) => (arm === FRAME ? `ω(${member(id)})` : `(ω(${member(id)}) − ω(${member(arm)}))`);
  return `${relative(x)} / ${relative(y)} = ${product(teeth)} = ${toFraction(factor)}`;
}

/** The same as a product: true as well where nothing rolls, so that both differences are 0. */
function productRelation(equation: SetEquation, member: Names['member']): string {
  const { arm, x, y, factor, teeth } = equation;
  const relative = (id: string) => (arm === FRAME ? `ω(${member(id)})` : `(ω(${member(id)}) − ω(${member(arm)}))`);
  return `${relative(x)} = ${product(teeth)} × ${relative(y)} = ${bracketed(toFraction(factor))} × ${relative(y)}`;
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

function pairFactor(
  { fromTeeth, toTeeth, opposite }: Extract<WorkingStep, { kind: 'pair' }>,
  convention: RatioConvention,
): string {
  const [top, bottom] = convention === 'in/out' ? [toTeeth, fromTeeth] : [fromTeeth, toTeeth];
  return `${opposite ? '-' : ''}${top}/${bottom}`;
}
