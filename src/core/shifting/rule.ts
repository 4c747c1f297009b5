import { readingOf } from './detector';
import { EVENT_S } from './events';
import type { Now, Settings } from './settings';
import { itemAt } from '../required';

/** The position that the rule wants instead of the one that is in; null where it wants none. */
export function wantedBy(settings: Settings, now: Now): string | null {
  const { rule, order } = settings;
  const { timeS, position, since } = now;
  if (rule.cue === 'hand') {
    const wanted = (rule.schedule ?? []).filter(([at]) => at <= timeS + EVENT_S).at(-1)?.[1];
    return wanted === undefined || wanted === position ? null : wayTo(settings, position, wanted);
  }
  if (timeS < since + (rule.minimumS ?? 0) - EVENT_S) return null;
  const read = readingOf(settings, now, now.motion, timeS);
  const at = order.indexOf(position);
  const [down, up] = [rule.down?.[position], rule.up?.[position]];
  const falls = down !== undefined && (rule.cue === 'speed' ? read <= down : read >= down);
  const rises = up !== undefined && (rule.cue === 'speed' ? read >= up : read <= up);
  return (falls ? order[at - 1] : rises ? order[at + 1] : undefined) ?? null;
}

/** A drum passes every position on the way. */
function wayTo({ rule, order }: Settings, position: string, wanted: string): string {
  if (rule.path !== 'sequence') return wanted;
  const [at, to] = [order.indexOf(position), order.indexOf(wanted)];
  return itemAt(order, at + Math.sign(to - at));
}
