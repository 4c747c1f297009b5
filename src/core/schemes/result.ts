import { drawSideView, QUICK } from '../drawing';
import { askedInWords, trainOfScheme } from './as-train';
import { schemeFigures, type SchemeFigures } from './figures';
import type { GivenSet, SchemeQuestion } from './question';
import { schemeKey, type FoundScheme } from './scheme';
import type { Train } from '../train';

/** A scheme that fulfils the wish, with the train that it makes and what that comes to. */
export interface SchemeResult {
  readonly key: string;
  readonly found: FoundScheme;
  readonly sets: readonly GivenSet[];
  readonly train: Train;
  readonly figures: SchemeFigures;
}

export interface SchemeAnswer {
  /** Best first, no more than asked for. */
  readonly results: readonly SchemeResult[];
  /** How many schemes fulfil the wish, as far as was looked. */
  readonly schemes: number;
  /** All schemes there are were looked at. */
  readonly proven: boolean;
  /** Ways to join looked at, of so many. */
  readonly walked: number;
  readonly of: number;
  /** Places between those of the ranges that have been tried beyond them. */
  readonly between: number;
  /** The time that was allowed ended it. */
  readonly cut: boolean;
}

export interface SchemeWatch {
  /** Where sets are free it goes on between the places of their ranges until it is over. */
  readonly goesOn?: boolean;
  /** Is it time to tell again? */
  readonly due: () => boolean;
  readonly over: () => boolean;
  readonly tell: (answer: SchemeAnswer) => void;
}

/** Nothing is told on the way, and it goes on to its end. */
export const UNWATCHED: SchemeWatch = { due: () => false, over: () => false, tell: () => undefined };

/** How often lines cross in the drawing of a train; null where it cannot be drawn. */
export function crossingsOf(train: Train): number | null {
  const drawn = drawSideView(train, { width: 900, height: 420 }, { effort: QUICK });
  return drawn.ok ? drawn.view.crossings.length : null;
}

/** A scheme with its train and what that comes to; null where these counts make no train. */
export function schemeResult(
  question: SchemeQuestion,
  found: FoundScheme,
  sets: readonly GivenSet[],
): SchemeResult | null {
  const made = trainOfScheme(found, sets, 'Scheme', askedInWords(question));
  if (!made.ok) return null;
  const key = keyOf(found, sets);
  return { key, found, sets, train: made.train, figures: schemeFigures(question, found, made.train) };
}

const keyOf = (found: FoundScheme, sets: readonly GivenSet[]): string => schemeKey(found) + JSON.stringify(sets);

/** Results that are asked for again and again are worked out once a scheme. */
export function keptResults(question: SchemeQuestion) {
  const kept = new Map<string, SchemeResult | null>();
  return (found: FoundScheme, sets: readonly GivenSet[]): SchemeResult | null => {
    const key = keyOf(found, sets);
    const known = kept.get(key);
    if (known !== undefined) return known;
    const result = schemeResult(question, found, sets);
    kept.set(key, result);
    return result;
  };
}
