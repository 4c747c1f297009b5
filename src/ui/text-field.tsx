'use client';

import { useState } from 'react';
import { readFigure } from '@/core/units';

interface Props {
  readonly label: string;
  readonly value: string;
  readonly unit?: string | undefined;
  /** What is said while nothing is typed. */
  readonly placeholder?: string | undefined;
  readonly numeric?: boolean;
  readonly onDone: (text: string) => void;
}

/** A field whose text is taken over on Enter or on leaving it; Esc puts the old text back. */
export function TextField({ label, value, unit, numeric = false, placeholder, onDone }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const finish = () => {
    if (typed !== null && typed !== value) onDone(typed);
    setTyped(null);
  };
  return (
    <label className="flex items-center justify-between gap-2">
      <span className="muted">{label}</span>
      <span className="flex items-center gap-1.5">
        <input
          className={`input input-sm w-32 ${numeric ? 'figure' : ''}`}
          inputMode={numeric ? 'decimal' : undefined}
          placeholder={placeholder ?? (numeric ? 'not given' : undefined)}
          value={typed ?? value}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={finish}
          onKeyDown={(event) => {
            if (event.key === 'Enter') finish();
            if (event.key !== 'Escape' || typed === null) return;
            event.preventDefault();
            setTyped(null);
          }}
        />
        {unit && <span>{unit}</span>}
      </span>
    </label>
  );
}

/** A typed figure in the field's unit, undefined for an empty field; NaN is for the edit to refuse. */
export const figureOrNothing = (text: string, unit = ''): number | undefined =>
  text.trim() === '' ? undefined : readFigure(text, unit);
