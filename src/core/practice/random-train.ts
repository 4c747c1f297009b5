import { buildPattern, PATTERNS, type PatternQuestion, type Pattern } from '../patterns';
import { checkDesign } from '../checks';
import type { Train } from '../train';
import { drawFrom, type Draw } from './draw';
import { itemAt } from '../required';

/** Kinds of trains that can be drawn by chance. */
export const RANDOM_KINDS: readonly Pattern[] = PATTERNS.filter(({ asks }) => asks.length > 0);

const TRIES = 60;
/** Teeth as they are seen in workshops. */
const [LEAST_TEETH, MOST_TEETH] = [12, 72];

/**
 * A train of a kind with counts by chance, one that could be built where chance finds such a one, else with the
 * pattern's own; the same seed gives the same train. @throws RangeError of a kind there is not
 */
export function randomTrain(kind: string, seed: number): Train {
  const pattern = RANDOM_KINDS.find(({ key }) => key === kind);
  if (!pattern) throw new RangeError(`There is no kind of train "${kind}".`);
  const draw = drawFrom(seed);
  const answers = [
    {},
    ...Array.from({ length: TRIES }, () => Object.fromEntries(pattern.asks.map((ask) => [ask.key, near(ask, draw)]))),
  ].reverse();
  const trains = answers
    .map((one) => buildPattern(pattern, pattern.title, one))
    .flatMap((made) => (made.ok ? [made.train] : []));
  return trains.find((train) => !checkDesign(train).some(({ weight }) => weight === 'wrong')) ?? itemAt(trains, -1);
}

/** A number somewhere near the one that is proposed. */
function near({ start, least, most }: PatternQuestion, draw: Draw): number {
  const [low, high] =
    start >= LEAST_TEETH
      ? [Math.max(LEAST_TEETH, start / 2), Math.min(Math.max(MOST_TEETH, start), start * 1.6)]
      : [start - 1, start + 2];
  return draw.whole(Math.max(least, Math.floor(low)), Math.min(most, Math.ceil(high)));
}
