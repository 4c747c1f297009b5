import type { Selector, TravelStretch } from '@/core/shifting';
import { toNumber } from '@/core/rational';
import type { Train } from '@/core/train';
import { couplerName } from '@/core/words';
import { figure } from '@/core/units';

/** Millimetres in print: "−2.5". */
export const mmText = (mm: number): string => String(Number(mm.toPrecision(6))).replace('-', '−');

export interface StretchesProps {
  readonly train: Train;
  readonly selector: Selector;
  readonly stretches: readonly TravelStretch[];
}

/** What the train does along a selector's travel, stretch by stretch. */
export function Stretches({ train, stretches }: StretchesProps) {
  return (
    <ol className="mt-1">
      {stretches.map((stretch) => (
        <li key={stretch.fromMm} className="flex gap-2">
          <span className="figure muted w-28 shrink-0 text-right">
            {mmText(stretch.fromMm)} to {mmText(stretch.toMm)} mm
          </span>
          <span className={stretch.status === 'locked' ? 'font-semibold text-error' : undefined}>
            {stretchWords(train, stretch)}
          </span>
        </li>
      ))}
    </ol>
  );
}

/** What a stretch gives, as people say it: the position with just this engaged, neutral, or why not. */
function stretchWords(train: Train, { engaged, status, ratio }: TravelStretch): string {
  const same = train.positions.find(
    (position) => position.engaged.length === engaged.length && engaged.every((id) => position.engaged.includes(id)),
  );
  const name = same ? `position ${same.name || same.id}: ` : '';
  const names = engaged.map((id) => couplerName(train, id)).join(' and ');
  if (status === 'locked') return `${engaged.length > 1 ? `${names} engaged: ` : ''}locked`;
  if (ratio) return `${name}${figure(Math.abs(toNumber(ratio)))} : 1 in/out`;
  return engaged.length === 0
    ? `${name}neutral`
    : `${name}${names} engaged, ${status === 'neutral' ? 'still neutral with this alone' : status}`;
}
