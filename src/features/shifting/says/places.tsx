import type { Interlock, Places } from '@/core/shifting';
import type { Train } from '@/core/train';
import { couplerName, listed } from '@/core/words';
import { mmText, type StretchesProps } from './stretches';

export function withPlace(places: Places, selector: string, mm: number | null): Places {
  const next = new Map(places);
  if (mm === null) next.delete(selector);
  else next.set(selector, mm);
  return next;
}

interface PlaceChoiceProps extends StretchesProps {
  readonly mm: number | undefined;
  readonly onChoose: (mm: number | null) => void;
}

/** Where this selector stands while the others are moved. */
export function PlaceChoice({ train, selector, stretches, mm, onChoose }: PlaceChoiceProps) {
  const name = selector.name || selector.id;
  return (
    <label className="flex items-baseline gap-2 text-sm">
      While others move, {name} stands at
      <select
        className="select select-xs w-auto"
        aria-label={`Place of ${name}`}
        value={mm ?? ''}
        onChange={({ target }) => onChoose(target.value === '' ? null : Number(target.value))}
      >
        <option value="">no coupler</option>
        {stretches.map(({ fromMm, toMm, engaged }) => (
          <option key={fromMm} value={(fromMm + toMm) / 2}>
            {mmText(fromMm)} to {mmText(toMm)} mm: {listed(engaged.map((id) => couplerName(train, id))) || 'no coupler'}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Places of two selectors that lock the train together. */
export function Interlocks({ train, interlocks }: { train: Train; interlocks: readonly Interlock[] }) {
  const place = ({ selector, fromMm, toMm, engaged }: Interlock['first']) => {
    const name = train.selectors?.find(({ id }) => id === selector)?.name || selector;
    const names = listed(engaged.map((id) => couplerName(train, id)));
    return `${name} at ${mmText(fromMm)} to ${mmText(toMm)} mm (${names})`;
  };
  return (
    <section aria-label="Interlock" className="border-l-3 border-error pl-2">
      <h3 className="font-semibold">Interlock needed</h3>
      <p>
        These places lock the train together; an interlock has to keep one selector out of its place while the other is
        there:
      </p>
      <ul className="list-disc pl-5">
        {interlocks.map(({ first, second }) => (
          <li key={`${first.selector} ${first.fromMm} ${second.selector} ${second.fromMm}`}>
            {place(first)} with {place(second)}
          </li>
        ))}
      </ul>
    </section>
  );
}
