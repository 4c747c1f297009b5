import { figure } from '../units';
import { couplerName, listed } from '../words';
import type { Train } from '../train';
import type { TravelStretch } from './travel';

/** A stretch of travel in which what is engaged locks the train, and what would mend it. */
export interface Jam {
  readonly selector: string;
  readonly fromMm: number;
  readonly toMm: number;
  readonly engaged: readonly string[];
  readonly says: string;
  readonly mend: string;
}

/** Where selectors jam: by how much which engagement has to be shortened or moved, and what neutral is left then. */
export function jamsOf(train: Train, travel: ReadonlyMap<string, readonly TravelStretch[]>): readonly Jam[] {
  return [...travel].flatMap(([selector, stretches]) =>
    stretches.flatMap((stretch, i): Jam[] => {
      const { fromMm, toMm, engaged, status } = stretch;
      if (status !== 'locked' || engaged.length < 2) return [];
      const [before, after] = [stretches[i - 1], stretches[i + 1]];
      const overlap = toMm - fromMm;
      const names = engaged.map((id) => couplerName(train, id));
      // What stays engaged behind it can end sooner; what is engaged beyond it can begin later.
      const ending = engaged.find((id) => before?.engaged.includes(id) && !after?.engaged.includes(id));
      const beginning = engaged.find((id) => after?.engaged.includes(id) && !before?.engaged.includes(id));
      const ways = [
        ...(ending ? [`let ${couplerName(train, ending)} end ${figure(overlap)} mm sooner`] : []),
        ...(beginning ? [`let ${couplerName(train, beginning)} begin ${figure(overlap)} mm later`] : []),
      ];
      return [
        {
          selector,
          fromMm,
          toMm,
          engaged,
          says: `From ${mm(fromMm)} to ${mm(toMm)} mm ${listed(names)} are engaged together, and lock it.`,
          mend:
            ways.length > 0
              ? `${capital(ways.join(', or '))}; then no neutral lies between them: what more is taken off becomes its gap.`
              : 'Give each its own stretch of the travel.',
        },
      ];
    }),
  );
}

const mm = (value: number): string => String(Number(value.toPrecision(6)));
const capital = (text: string): string => `${text[0]!.toUpperCase()}${text.slice(1)}`;

/**
 * The longest that a dog with so many teeth looks for its gap, s: up to 360°/n of relative turn at the speed difference, rpm. Null where nothing turns: it may
 * never find it.
 */
export const longestEntry = (teeth: number, differenceRpm: number): number | null =>
  differenceRpm === 0 ? null : 60 / teeth / Math.abs(differenceRpm);
