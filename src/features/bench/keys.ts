'use client';

import { useCallback } from 'react';
import { neg, ONE } from '@/core/rational';
import { isTyping } from '@/features/train/frame/keys';
import type { KeyLine } from '@/help/help-panel';
import { useScreenKeys } from '@/features/train/frame/screen-keys';
import { stationsOf } from '@/features/train/side-views';
import { useReducedMotion } from '@/ui/reduced-motion';
import { paste } from './editing/clip';
import type { Bench } from './store';
import { useBenchItself } from './use-bench';

/** What the keyboard does on the Bench alone. */
const BENCH_KEYS: readonly KeyLine[] = [
  { keys: 'Space', does: 'Play or pause the crank' },
  { keys: 'T, Shift T', does: 'Turn exactly one turn, or back' },
  { keys: '[ ]', does: 'The station before or after in the end view' },
  { keys: '← → ↑ ↓ + − Home', does: 'In the body: look round it, nearer, farther, as at first' },
  { keys: 'Tab, Enter', does: 'Go to a part of the drawing; change its teeth, or engage it' },
  { keys: 'E', does: 'Open the card of the part that is picked: change it, add beside it, remove it' },
  { keys: 'Delete', does: 'Remove the part that is picked, with what cannot stay without it' },
  { keys: 'Shift ← →', does: 'Move the gear that is picked along the axis, with what it meshes' },
  {
    keys: 'Ctrl C, Ctrl V',
    does: 'Copy the part that is picked with its connections; paste it, here or in another train',
  },
];

const PLAY_TURNS_PER_SECOND = 0.25;

export function useBenchKeys(): void {
  const bench = useBenchItself();
  const still = useReducedMotion();
  const press = useCallback(
    (event: KeyboardEvent) => {
      if (!isTyping(event) && does(bench, event, still)) event.preventDefault();
    },
    [bench, still],
  );
  useScreenKeys(BENCH_KEYS, press);
}

/** Does what a key asks for; false where it asks for nothing here. */
function does(bench: Bench, event: KeyboardEvent, still: boolean): boolean {
  const key = event.key.toLowerCase();
  if (event.ctrlKey || event.metaKey) {
    if (key === 'v') void paste(bench);
    return key === 'v';
  }
  if (event.altKey) return false;
  const { crank } = bench;
  if (key === 't') crank.turn(event.shiftKey ? neg(ONE) : ONE, !still);
  else if (key === '[' || key === ']') station(bench, key === ']' ? 1 : -1);
  else if (key === ' ' && !isOnControl(event)) {
    if (crank.moving === 'play') crank.stop();
    else crank.play(PLAY_TURNS_PER_SECOND);
  } else return false;
  return true;
}

const isOnControl = ({ target }: KeyboardEvent): boolean =>
  target instanceof Element && target.closest('button, a, [role=tab], [role=button], input') !== null;

function station({ train, store }: Bench, by: number): void {
  const { station: at, lookAt } = store.getState();
  const { length } = stationsOf(train.getState().train);
  if (length > 0) lookAt((Math.min(at, length - 1) + by + length) % length);
}
