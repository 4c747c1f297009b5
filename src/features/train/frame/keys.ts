'use client';

import { useLayoutEffect } from 'react';
import type { KeyLine } from '@/help/help-panel';
import type { Train } from '@/core/train';
import { choosePosition, stepPosition } from '../choosing';
import { redo, undo } from '../edit';
import { useSession } from '../use-train';
import { showScreen } from './screens-row';
import type { TrainScreen } from './screens';

/** What the keyboard does on every screen of a train. */
export const TRAIN_KEYS: readonly KeyLine[] = [
  { keys: '1 … 9, R, N', does: 'Choose the position of that name; type 1 then 2 for position 12' },
  { keys: '← →', does: 'The position before or after' },
  { keys: 'Shift 1 …', does: 'The screens of the train, in the order of the bar' },
  { keys: 'Ctrl Z, Ctrl Shift Z', does: 'Undo and redo' },
  { keys: '?', does: 'Help, with this list' },
];

/** Digits typed within this time belong to one position's name. */
const DIGITS_MS = 700;
/** Where keys are letters, and where arrows have work of their own. */
const TYPING =
  'input:not([type=checkbox], [type=radio], [type=range]), textarea, select, dialog, [role=dialog], ' +
  '[contenteditable=true]';
const ARROWS = '[role=tab], [role=grid], [type=radio], [type=range]';

/** Is this key for the field or dialog that has the focus? */
export const isTyping = ({ target }: KeyboardEvent): boolean =>
  document.querySelector('dialog[open]') !== null || (target instanceof Element && target.closest(TYPING) !== null);

const hasArrows = ({ target }: KeyboardEvent): boolean => target instanceof Element && target.closest(ARROWS) !== null;

/** Keys that work on every screen, except while typing in a field. */
export function useTrainKeys(screens: readonly TrainScreen[], showKeys: () => void): void {
  const { id, store } = useSession();
  // As soon as the train stands there: a key pressed at once must not be lost.
  useLayoutEffect(() => {
    let digits = { text: '', at: 0 };
    const choose = (name: string) => {
      const position = named(store.getState().train, name);
      if (position) choosePosition(store, position.id);
      return position !== undefined;
    };
    const chooseByDigits = (key: string, at: number) => {
      const text = at - digits.at < DIGITS_MS ? digits.text + key : key;
      digits = { text: choose(text) ? text : key, at };
      if (digits.text !== text) choose(key);
    };
    const withControl = (key: string, shift: boolean) => {
      if (key !== 'z' && key !== 'y') return false;
      if (key === 'y' || shift) redo(store);
      else undo(store);
      return true;
    };
    const does = (event: KeyboardEvent): boolean => {
      const key = event.key.toLowerCase();
      if (event.ctrlKey || event.metaKey) return withControl(key, event.shiftKey);
      if (event.altKey) return false;
      const [, number] = /^Digit([1-9])$/.exec(event.code) ?? [];
      const screen = event.shiftKey && !/^\d$/.test(key) && number ? screens[Number(number) - 1] : undefined;
      if (screen) showScreen(id, screen);
      else if (/^\d$/.test(key)) chooseByDigits(key, event.timeStamp);
      else if (key === 'arrowright' || key === 'arrowleft') {
        if (event.shiftKey || hasArrows(event)) return false;
        stepPosition(store, key === 'arrowright' ? 1 : -1);
      } else if (key === '?') showKeys();
      else return !event.defaultPrevented && choose(key);
      return true;
    };
    const press = (event: KeyboardEvent) => {
      if (!isTyping(event) && does(event)) event.preventDefault();
    };
    addEventListener('keydown', press);
    return () => removeEventListener('keydown', press);
  }, [id, store, screens, showKeys]);
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
