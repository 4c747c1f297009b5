'use client';

import { useLayoutEffect } from 'react';
import { neg, ONE } from '@/core/rational';
import type { Train } from '@/core/train';
import { useReducedMotion } from '@/ui/reduced-motion';
import { stationsOf } from './side-views';
import { paste } from './editing/clip';
import { redo, undo } from './editing/edit';
import { engagementIn } from './engagement';
import { choosePosition, useBenchStore, useCrank } from './store';

/** What the keyboard does, for the sheet that lists it. */
export const KEYS: readonly { readonly keys: string; readonly does: string }[] = [
  { keys: '1 … 9, R, N', does: 'Choose the position of that name; type 1 then 2 for position 12' },
  { keys: '← →', does: 'The position before or after' },
  { keys: 'Space', does: 'Play or pause the crank' },
  { keys: 'T, Shift T', does: 'Turn exactly one turn, or back' },
  { keys: '[ ]', does: 'The station before or after in the end view' },
  { keys: 'Tab, Enter', does: 'Go to a part of the drawing; change its teeth, or engage it' },
  { keys: 'E', does: 'Open the card of the part that is picked: change it, add beside it, remove it' },
  { keys: 'Delete', does: 'Remove the part that is picked, with what cannot stay without it' },
  { keys: 'Shift ← →', does: 'Move the gear that is picked along the axis, with what it meshes' },
  {
    keys: 'Ctrl C, Ctrl V',
    does: 'Copy the part that is picked with its connections; paste it, here or in another train',
  },
  { keys: 'Ctrl Z, Ctrl Shift Z', does: 'Undo and redo' },
  { keys: '?', does: 'This list' },
];

/** Digits typed within this time belong to one position's name. */
const DIGITS_MS = 700;
/** Where keys are letters, and where arrows have work of their own. */
const TYPING = 'input:not([type=checkbox], [type=radio], [type=range]), textarea, select, dialog';
const ARROWS = '[role=tab], [type=radio], [type=range]';
const PLAY_TURNS_PER_SECOND = 0.25;

/** Keys that work anywhere on the Bench, except while typing in a field. */
export function useBenchKeys(showKeys: () => void): void {
  const store = useBenchStore();
  const crank = useCrank();
  const still = useReducedMotion();
  // As soon as the positions stand there: a key pressed at once must not be lost.
  useLayoutEffect(() => {
    let digits = { text: '', at: 0 };
    const choose = (name: string) => {
      const position = named(store.getState().train, name);
      if (position) choosePosition(store, position.id);
      return position !== undefined;
    };
    const step = (by: number) => {
      const { train, choice } = store.getState();
      if (train.positions.length === 0) return;
      const now = engagementIn({ train, choice }).positionId;
      const at = train.positions.findIndex(({ id }) => id === now);
      choosePosition(
        store,
        train.positions[(at < 0 ? 0 : at + by + train.positions.length) % train.positions.length]!.id,
      );
    };
    const station = (by: number) => {
      const { train, station: at, set } = store.getState();
      const { length } = stationsOf(train);
      if (length > 0) set({ station: (Math.min(at, length - 1) + by + length) % length });
    };
    const press = (event: KeyboardEvent) => {
      const target = event.target instanceof Element ? event.target : null;
      if (target?.closest(TYPING) || store.getState().editing !== null) return;
      const key = event.key.toLowerCase();
      if (event.ctrlKey || event.metaKey) {
        if (key === 'v') {
          event.preventDefault();
          paste(store);
          return;
        }
        if (key !== 'z' && key !== 'y') return;
        event.preventDefault();
        if (key === 'y' || event.shiftKey) redo(store);
        else undo(store);
        return;
      }
      if (event.altKey) return;
      const onControl = target?.closest('button, a, [role=tab], [role=button], input') !== null && target !== null;
      if (/^\d$/.test(key)) {
        const text = event.timeStamp - digits.at < DIGITS_MS ? digits.text + key : key;
        digits = { text: choose(text) ? text : key, at: event.timeStamp };
        if (digits.text !== text) choose(key);
      } else if (key === 'arrowright' || key === 'arrowleft') {
        if (target?.closest(ARROWS)) return;
        step(key === 'arrowright' ? 1 : -1);
      } else if (key === ' ') {
        if (onControl) return;
        if (crank.moving === 'play') crank.stop();
        else crank.play(PLAY_TURNS_PER_SECOND);
      } else if (key === 't') crank.turn(event.shiftKey ? neg(ONE) : ONE, !still);
      else if (key === '[' || key === ']') station(key === ']' ? 1 : -1);
      else if (key === '?') showKeys();
      else if (!choose(key)) return;
      event.preventDefault();
    };
    addEventListener('keydown', press);
    return () => removeEventListener('keydown', press);
  }, [store, crank, still, showKeys]);
}

/** The position with this name, however written; a number also means the nth where no position has it as its name. */
function named(train: Train, name: string) {
  const found = train.positions.find((position) => position.name.toLowerCase() === name.toLowerCase());
  return (
    found ??
    (/^\d+$/.test(name) && !train.positions.some((position) => /^\d+$/.test(position.name))
      ? train.positions[Number(name) - 1]
      : undefined)
  );
}
