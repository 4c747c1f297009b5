import { type OpenTrain } from '../kinematics';
import type { Rational } from '../rational';
import { solveEngaged, type Status } from '../solve';
import type { Train } from '../train';
import { modelOf } from '../model';

/** A stretch of a selector's travel in which the same couplers are engaged, and what the train does there. */
export interface TravelStretch {
  readonly fromMm: number;
  readonly toMm: number;
  readonly engaged: readonly string[];
  readonly status: Status;
  /** Input over output; null where nothing is driven. */
  readonly ratio: Rational | null;
}

export type Selector = NonNullable<Train['selectors']>[number];

/** Where selectors stand, mm along their travel, by id; one that is left out engages nothing. */
export type Places = ReadonlyMap<string, number>;

/**
 * Stretches of two selectors that lock the train together though neither does alone: what an interlock between them
 * has to prevent.
 */
export interface Interlock {
  readonly first: Place;
  readonly second: Place;
}

interface Place extends Pick<TravelStretch, 'fromMm' | 'toMm' | 'engaged'> {
  readonly selector: string;
}

/**
 * Each selector over its whole travel, from its first span's beginning to its last one's end: solved, not declared.
 * @param places where the other selectors stand meanwhile
 */
export function travelOf(
  train: Train,
  selectors: readonly Selector[] = train.selectors ?? [],
  places: Places = new Map(),
): ReadonlyMap<string, readonly TravelStretch[]> {
  const open = modelOf(train).open;
  return new Map(
    selectors.map((selector) => {
      const besides = (train.selectors ?? [])
        .filter(({ id }) => id !== selector.id && places.has(id))
        .flatMap((other) => engagedAt(other, places.get(other.id) ?? NaN));
      return [selector.id, stretchesOf(open, selector, besides)];
    }),
  );
}

/** Pairs of stretches of two selectors that may not stand there at once. */
export function interlocksOf(train: Train): readonly Interlock[] {
  const open = modelOf(train).open;
  const all = (train.selectors ?? []).map((selector) => ({
    id: selector.id,
    stretches: stretchesOf(open, selector, []).filter(
      ({ engaged, status }) => engaged.length > 0 && status !== 'locked',
    ),
  }));
  const placed = (selector: string, { fromMm, toMm, engaged }: TravelStretch): Place => ({
    selector,
    fromMm,
    toMm,
    engaged,
  });
  return all.flatMap((first, i) =>
    all
      .slice(i + 1)
      .flatMap((second) =>
        first.stretches.flatMap((one) =>
          second.stretches.flatMap((other): Interlock[] =>
            solveEngaged(open, [...one.engaged, ...other.engaged]).status === 'locked'
              ? [{ first: placed(first.id, one), second: placed(second.id, other) }]
              : [],
          ),
        ),
      ),
  );
}

/** The couplers that a selector engages at a place of its travel. */
const engagedAt = ({ spans }: Selector, mm: number): readonly string[] => [
  ...new Set(spans.filter(({ from, to }) => from <= mm && mm <= to).map(({ coupler }) => coupler)),
];

function stretchesOf(open: OpenTrain, selector: Selector, besides: readonly string[]): readonly TravelStretch[] {
  const marks = [...new Set(selector.spans.flatMap(({ from, to }) => [from, to]))].sort((a, b) => a - b);
  const stretches: TravelStretch[] = [];
  marks.slice(1).forEach((toMm, i) => {
    const fromMm = marks[i] ?? toMm;
    const engaged = [...engagedAt(selector, (fromMm + toMm) / 2)].sort();
    const last = stretches.at(-1);
    if (last && last.engaged.join('\n') === engaged.join('\n')) stretches[stretches.length - 1] = { ...last, toMm };
    else {
      const { status, ratio } = solveEngaged(open, [...engaged, ...besides]);
      stretches.push({ fromMm, toMm, engaged, status, ratio });
    }
  });
  return stretches;
}
