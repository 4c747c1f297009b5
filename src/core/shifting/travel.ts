import { networkOf, openTrain } from '../kinematics';
import type { Rational } from '../rational';
import { solveEngaged, type Status } from '../solve';
import type { Train } from '../train';

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

/** Each selector over its whole travel, from its first span's beginning to its last one's end, with nothing engaged besides: solved, not declared. */
export function travelOf(
  train: Train,
  selectors: readonly Selector[] = train.selectors ?? [],
): ReadonlyMap<string, readonly TravelStretch[]> {
  const open = openTrain(networkOf(train));
  return new Map(
    selectors.map(({ id, spans }) => {
      const marks = [...new Set(spans.flatMap(({ from, to }) => [from, to]))].sort((a, b) => a - b);
      const stretches = marks.slice(1).map((toMm, i) => {
        const fromMm = marks[i]!;
        const middle = (fromMm + toMm) / 2;
        const engaged = spans.filter(({ from, to }) => from <= middle && middle <= to).map(({ coupler }) => coupler);
        return { fromMm, toMm, engaged: [...new Set(engaged)].sort() };
      });
      return [
        id,
        stretches.reduce<TravelStretch[]>((all, { fromMm, toMm, engaged }) => {
          const last = all.at(-1);
          if (last && last.engaged.join('\n') === engaged.join('\n')) return [...all.slice(0, -1), { ...last, toMm }];
          const { status, ratio } = solveEngaged(open, engaged);
          return [...all, { fromMm, toMm, engaged, status, ratio }];
        }, []),
      ] as const;
    }),
  );
}
