import type { LoadCurve } from './load';
import type { RunEvent } from './events';
import type { Rule } from './scenario-schema';
import { itemAt } from '../required';

/**
 * hunting: the same pair is shifted three times or more in a row while the load stands still · chatter: a position is
 * left again, back to where it was come from, within the time that a shift takes, where nothing is engaged in between:
 * what the detector read in that gap was not the load · stalls: the load brings everything to a stand.
 */
export type RunVerdict = 'hunting' | 'chatter' | 'stalls';

interface Whole {
  readonly rule: Pick<Rule, 'shiftS' | 'between'>;
  readonly profile: LoadCurve['profile'];
}

const HUNTS = 3;

/** What people would say of a run. */
export function verdictsOf(events: readonly RunEvent[], whole: Whole): readonly RunVerdict[] {
  return [
    ...(hunts(events, whole) ? (['hunting'] as const) : []),
    ...(chatters(events, whole) ? (['chatter'] as const) : []),
    ...(events.some(({ kind }) => kind === 'stall') ? (['stalls'] as const) : []),
  ];
}

function hunts(events: readonly RunEvent[], { profile }: Whole): boolean {
  const shifts = events.filter(({ kind }) => kind === 'shift');
  const pair = ({ from, to }: RunEvent) => [from, to].sort().join('\n');
  return shifts.some((first, i) => {
    const three = shifts.slice(i, i + HUNTS);
    return (
      three.length === HUNTS &&
      three.every((shift) => pair(shift) === pair(first)) &&
      standsStill(profile, first.timeS, itemAt(three, -1).timeS)
    );
  });
}

/** Does the load keep its torque between two times? */
function standsStill(profile: Whole['profile'], from: number, to: number): boolean {
  return profile.every(([at, torque], i) => {
    const next = profile[i + 1];
    return !next || next[0] <= from || at >= to || next[1] === torque;
  });
}

const chatters = (events: readonly RunEvent[], { rule: { shiftS = 0, between = 'neutral' } }: Whole): boolean =>
  between === 'neutral' &&
  events.some((event, i) => {
    const next = events.slice(i + 1).find(({ kind }) => kind === 'shift');
    return (
      event.kind === 'engaged' && next !== undefined && next.to === event.from && next.timeS - event.timeS < shiftS
    );
  });
