import type { Coupler } from '@/core/train';
import type { MemberRole } from '@/core/powerflow';
import type { Status } from '@/core/solve';
import type { Explained } from './analysis';

/** The words for parts and states, the same on the drawing, in the table and in the sentences. */
export const ROLE_TEXT: Record<MemberRole, string> = {
  drives: 'takes power in',
  'gives out': 'gives power out',
  carries: 'carries power',
  holds: 'held',
  still: 'stands',
  idle: 'turns idle',
  shared: 'torque shared',
  floats: 'floats',
};

export const STATUS_WORDS: Record<Status, string> = {
  drive: 'drives',
  split: 'split',
  neutral: 'neutral',
  held: 'held',
  locked: 'locked',
};

export type CouplerState = 'engaged' | 'off' | 'holds' | 'overruns';

/** Where a coupler stands: one-way clutches hold or overrun by themselves. */
export function couplerState({ id }: Coupler, { solved }: Explained): CouplerState {
  const oneWay = solved.state.oneWays.get(id);
  return oneWay ?? (solved.engaged.has(id) ? 'engaged' : 'off');
}

/** A one-way clutch that nobody selects: it cannot be engaged or released by hand. */
export const decidesForItself = (coupler: Coupler): boolean =>
  coupler.type === 'one-way' && coupler.control !== 'selectable';
