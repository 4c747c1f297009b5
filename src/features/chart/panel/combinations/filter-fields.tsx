'use client';

import { readFigure } from '@/core/units';
import type { FilterText } from './filter-text';
import type { ReactNode } from 'react';
import type { Status } from '@/core/solve';
import { BeginAnew } from '@/ui/begin-anew';
import { useChartItself } from '../../use-chart';
import { useTrain } from '@/features/train/use-train';
import { STATUS_WORDS } from '@/features/train/words';

interface Props {
  readonly filter: FilterText;
  readonly convention: string;
  readonly onChange: (change: Partial<FilterText>) => void;
}

/** Which combinations are wanted. */
export function FilterFields({ filter, convention, onChange }: Props) {
  const train = useTrain((state) => state.train);
  const { draft } = useChartItself();
  const couplers = train.couplers.filter(({ type }) => type !== 'one-way');
  return (
    <fieldset className="flex flex-wrap items-end gap-x-4 gap-y-1 text-sm">
      <legend className="sr-only">Which combinations</legend>
      <Labelled label="That">
        <select
          className="select select-xs w-24"
          value={filter.status}
          onChange={(event) => onChange({ status: event.target.value as FilterText['status'] })}
        >
          <option value="">do anything</option>
          {(Object.keys(STATUS_WORDS) as Status[]).map((status) => (
            <option key={status} value={status}>
              {STATUS_WORDS[status]}
            </option>
          ))}
        </select>
      </Labelled>
      <Labelled label="Direction">
        <select
          className="select select-xs w-24"
          value={filter.way}
          onChange={(event) => onChange({ way: event.target.value as FilterText['way'] })}
        >
          <option value="">either</option>
          <option>same way</option>
          <option>reverse</option>
        </select>
      </Labelled>
      <NumberField label={`Ratio, ${convention}, from`} value={filter.from} onChange={(from) => onChange({ from })} />
      <NumberField label="to" value={filter.to} onChange={(to) => onChange({ to })} />
      <NumberField label="Engaged at most" value={filter.most} onChange={(most) => onChange({ most })} />
      <Labelled label="One change from">
        <select
          className="select select-xs w-24"
          value={filter.near}
          onChange={(event) => onChange({ near: event.target.value })}
        >
          <option value="">—</option>
          {train.positions.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </Labelled>
      <Labelled label="Without">
        <select
          className="select select-xs w-28"
          value={filter.without}
          onChange={(event) => onChange({ without: event.target.value })}
        >
          <option value="">—</option>
          {couplers.map(({ id, name }) => (
            <option key={id} value={id}>
              {name || id}
            </option>
          ))}
        </select>
      </Labelled>
      <label className="flex cursor-pointer items-center gap-1.5 pb-1">
        <input
          type="checkbox"
          className="checkbox checkbox-xs"
          checked={filter.unlisted}
          onChange={(event) => onChange({ unlisted: event.target.checked })}
        />
        not in my chart
      </label>
      <BeginAnew draft={draft} only={['combinations']} />
    </fieldset>
  );
}

const Labelled = ({ label, children }: { label: string; children: ReactNode }) => (
  <label className="flex flex-col">
    <span className="muted text-xs">{label}</span>
    {children}
  </label>
);

function NumberField({ label, value, onChange }: { label: string; value: string; onChange: (text: string) => void }) {
  const bad = value.trim() !== '' && readSize(value) === undefined;
  return (
    <Labelled label={label}>
      <input
        className="input input-xs figure w-20 aria-invalid:border-error"
        inputMode="decimal"
        aria-invalid={bad}
        title={bad ? 'Type a number, 0 or more.' : undefined}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
    </Labelled>
  );
}

/** A typed number of 0 or more; undefined where there is none. */
export function readSize(text: string): number | undefined {
  const value = readFigure(text);
  return text.trim() !== '' && value >= 0 ? value : undefined;
}
