'use client';

import { useId, type ReactNode } from 'react';
import { itemAt } from '@/core/required';

interface Props<K extends string> {
  readonly label: string;
  readonly tabs: Readonly<Record<K, string>>;
  readonly chosen: K;
  readonly onChoose: (tab: K) => void;
  /** What stands behind a tab's word. */
  readonly badge?: (tab: K) => ReactNode;
  /** What stands at the end of the row of tabs. */
  readonly beside?: ReactNode;
  readonly bodyClass?: string;
  readonly children: ReactNode;
}

/** A row of words, and below it what belongs to the chosen one; arrow keys go from word to word. */
export function Tabs<K extends string>({
  label,
  tabs,
  chosen,
  onChoose,
  badge,
  beside,
  bodyClass = '',
  children,
}: Props<K>) {
  const id = useId();
  const order = Object.keys(tabs) as K[];
  const go = (by: number) => {
    const next = itemAt(order, (order.indexOf(chosen) + by + order.length) % order.length);
    onChoose(next);
    document.getElementById(`${id}-${next}`)?.focus();
  };
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-4 border-b border-base-300 px-4">
        <div role="tablist" aria-label={label} className="flex flex-wrap gap-x-4">
          {order.map((key) => (
            <button
              key={key}
              type="button"
              role="tab"
              id={`${id}-${key}`}
              aria-selected={chosen === key}
              aria-controls={`${id}-body`}
              tabIndex={chosen === key ? 0 : -1}
              onClick={() => onChoose(key)}
              onKeyDown={(event) => {
                if (event.key === 'ArrowRight') go(1);
                else if (event.key === 'ArrowLeft') go(-1);
              }}
              className={
                '-mb-px border-b-3 border-transparent py-1.5 ' +
                'aria-selected:border-primary aria-selected:font-semibold'
              }
            >
              {tabs[key]}
              {badge?.(key)}
            </button>
          ))}
        </div>
        {beside}
      </div>
      <div
        id={`${id}-body`}
        role="tabpanel"
        aria-labelledby={`${id}-${chosen}`}
        tabIndex={0}
        className={`min-h-0 flex-1 overflow-auto px-4 ${bodyClass}`}
      >
        {children}
      </div>
    </>
  );
}
