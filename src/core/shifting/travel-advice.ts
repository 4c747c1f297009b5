import { couplerName, listed } from '../words';
import type { Train } from '../train';
import type { Selector, TravelStretch } from './travel';
import { required } from '../required';
import { capitalised } from '../capitalised';

/** A stretch of travel in which what is engaged locks the train, and what would mend it. */
export interface Jam {
  readonly selector: string;
  readonly fromMm: number;
  readonly toMm: number;
  readonly engaged: readonly string[];
  readonly says: string;
  readonly mends: readonly TravelMend[];
}

/** Another way to lay the engagements along the travel, and what it leaves of neutral between them. */
export interface TravelMend {
  readonly says: string;
  readonly selector: Selector;
}

/**
 * Where selectors jam: by how much which engagement has to be shortened or moved, and what neutral is left then. @param
 * gapMm neutral that is wanted between the two
 */
export function jamsOf(
  train: Train,
  travel: ReadonlyMap<string, readonly TravelStretch[]>,
  gapMm: number,
  selectors: readonly Selector[] = train.selectors ?? [],
): readonly Jam[] {
  return [...travel].flatMap(([id, stretches]) =>
    stretches.flatMap((stretch, i): Jam[] => {
      const { fromMm, toMm, engaged, status } = stretch;
      if (status !== 'locked' || engaged.length < 2) return [];
      const selector = required(selectors.find((one) => one.id === id));
      const [before, after] = [stretches[i - 1], stretches[i + 1]];
      const names = engaged.map((one) => couplerName(train, one));
      // What is engaged before it and not behind can end sooner; what is engaged behind it and not before can begin
      // later, or move.
      const ending = engaged.find((one) => before?.engaged.includes(one) && !after?.engaged.includes(one));
      const beginning = engaged.find((one) => after?.engaged.includes(one) && !before?.engaged.includes(one));
      const says = `From ${mm(fromMm)} to ${mm(toMm)} mm ${listed(names)} are engaged together, and lock it.`;
      const jam = { selector: id, fromMm, toMm, engaged, says };
      return [{ ...jam, mends: mendsOf(train, selector, { fromMm, toMm, gapMm, ending, beginning }) }];
    }),
  );
}

interface Overlap {
  readonly fromMm: number;
  readonly toMm: number;
  readonly gapMm: number;
  readonly ending: string | undefined;
  readonly beginning: string | undefined;
}

function mendsOf(train: Train, selector: Selector, { fromMm, toMm, gapMm, ending, beginning }: Overlap) {
  const by = toMm - fromMm + gapMm;
  const leaves = gapMm > 0 ? `; ${mm(gapMm)} mm of neutral is left` : '; no neutral is left between them';
  const name = (id: string) => couplerName(train, id);
  const laid = (coupler: string, change: (span: Selector['spans'][number]) => Selector['spans'][number]): Selector => ({
    ...selector,
    spans: selector.spans.map((span) =>
      span.coupler === coupler && span.from <= toMm && span.to >= fromMm ? change(span) : span,
    ),
  });
  const long = (changed: Selector) => changed.spans.every(({ from, to }) => to > from);
  const ways: TravelMend[] = [
    ...(ending
      ? [
          {
            says: `let ${name(ending)} end ${mm(by)} mm sooner`,
            selector: laid(ending, (span) => ({ ...span, to: tidy(span.to - by) })),
          },
        ]
      : []),
    ...(beginning
      ? [
          {
            says: `let ${name(beginning)} begin ${mm(by)} mm later`,
            selector: laid(beginning, (span) => ({ ...span, from: tidy(span.from + by) })),
          },
          {
            says: `move ${name(beginning)} ${mm(by)} mm on`,
            selector: laid(beginning, (span) => ({ ...span, from: tidy(span.from + by), to: tidy(span.to + by) })),
          },
        ]
      : []),
  ];
  return ways
    .filter(({ selector: changed }) => long(changed))
    .map((way) => ({ ...way, says: `${capitalised(way.says)}${leaves}.` }));
}

/** Sums of decimals without their last binary digits. */
const tidy = (value: number): number => Number(value.toPrecision(12));
const mm = (value: number): string => String(Number(value.toPrecision(6))).replace('-', '−');

/**
 * The longest that a dog with so many teeth looks for its gap, s: up to 360°/n of relative turn at the speed
 * difference, rpm. Null where nothing turns: it may never find it.
 */
export const longestEntry = (teeth: number, differenceRpm: number): number | null =>
  differenceRpm === 0 ? null : 60 / teeth / Math.abs(differenceRpm);
