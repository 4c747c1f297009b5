import { useCallback } from 'react';
import type { GivenAnswer, PracticeQuestion } from '@/core/practice';
import type { KeyLine } from '@/help/help-panel';
import { useScreenKeys } from '@/features/train/frame/screen-keys';
import { toggled } from '../question/answer-field';
import { keyFor } from '../question/choices';

/** What the keyboard does in a drill. */
const DRILL_KEYS: readonly KeyLine[] = [
  { keys: '1 … 9', does: 'In a drill: the answer that stands beside this digit' },
  { keys: 'a … z', does: 'In a drill: pick the part or position beside this letter, in order where that is asked' },
  { keys: 'Enter', does: 'Answer; then on to the next question' },
  { keys: 'T', does: 'Once it is answered: turn it' },
];

interface Keyed {
  readonly question: PracticeQuestion;
  readonly given: GivenAnswer;
  readonly answered: boolean;
  readonly setGiven: (given: GivenAnswer) => void;
  readonly give: (given: GivenAnswer) => void;
  readonly next: () => void;
  /** Null where there is nothing to turn. */
  readonly turn: (() => void) | null;
}

/** A drill by the keyboard alone. Its keys come before those that choose positions. */
export function useDrillKeys({ question, given, answered, setGiven, give, next, turn }: Keyed): void {
  const press = useCallback(
    (event: KeyboardEvent) => {
      const { target, key } = event;
      if (event.ctrlKey || event.metaKey || event.altKey || event.shiftKey) return;
      if (target instanceof Element && target.closest('input:not([type=checkbox]), select, textarea, dialog')) return;
      const onButton = target instanceof Element && target.closest('button, summary, a, [role=tab]') !== null;
      const does = (): boolean => {
        if (answered) {
          if (key === 'Enter' && !onButton) next();
          else if (key.toLowerCase() === 't' && turn) turn();
          else return false;
          return true;
        }
        const { answer } = question;
        if (answer.kind === 'number') return false;
        const at = answer.choices.findIndex((_, i) => keyFor(answer, i) === key.toLowerCase());
        const id = answer.choices[at];
        if (id !== undefined) {
          if (answer.kind === 'choice') give(id);
          else setGiven(toggled(given as readonly string[], id));
        } else if (key === 'Enter' && answer.kind !== 'choice' && !onButton) give(given);
        else return false;
        return true;
      };
      if (!does()) return;
      event.preventDefault();
      event.stopImmediatePropagation();
    },
    [question, given, answered, setGiven, give, next, turn],
  );
  useScreenKeys(DRILL_KEYS, press);
}
