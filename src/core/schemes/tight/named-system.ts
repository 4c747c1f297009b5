import { ENGAGED } from './demand';
import type { Layout } from '../layouts';
import type { SchemeQuestion } from '../question';
import { systemOf, type System } from '../system';
import type { Parting } from './partings';

/** The kind of layout that a parted train has. */
export const layoutOf = ({ memberOf, bareInput, bareOutput }: Parting, layouts: readonly Layout[]): Layout | null => {
  const bare = bareInput && bareOutput ? 'both' : bareInput || bareOutput ? 'one' : 'none';
  const fixed = memberOf.includes(-1);
  return layouts.find((one) => one.bare === bare && one.fixed === fixed) ?? null;
};

/**
 * The parted train as the walk through all of them has it: members numbered as they first come, shafts of their own
 * last, input before output. Null where these ends are not asked for.
 */
export function namedSystem(
  question: SchemeQuestion,
  parting: Parting,
  layout: Layout,
  standings: readonly number[],
): System | null {
  const blocks = [...new Set(parting.memberOf)];
  const frame = blocks.indexOf(-1);
  const partition = parting.memberOf.map((member) => blocks.indexOf(member));
  const own = blocks.filter((member) => member >= 0);
  const members = standings.length + 1 + ENGAGED;
  const place = (end: number, isBare: boolean, isFirst: boolean) =>
    isBare ? members - (isFirst && layout.bare === 'both' ? 2 : 1) : own.indexOf(end);
  const input = place(parting.input, parting.bareInput, true);
  const output = place(parting.output, parting.bareOutput, false);
  const system = systemOf(question, layout, partition, frame, standings);
  const ends = system?.ends.filter((one) => one.input === input && one.output === output) ?? [];
  return system && ends.length > 0 ? { ...system, ends } : null;
}
