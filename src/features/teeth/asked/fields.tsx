import clsx from 'clsx';
import { useId, type ReactNode } from 'react';
import type { Spans } from '../form';

interface FieldProps {
  readonly label: string;
  readonly value: string;
  readonly unit?: string;
  readonly title?: string;
  /** What is wrong with it. */
  readonly message?: string | null;
  readonly wide?: boolean;
  readonly placeholder?: string;
  readonly onChange: (text: string) => void;
}

/** A label, and beside it what is typed. */
export function Field({ label, value, unit, title, message = null, wide = false, placeholder, onChange }: FieldProps) {
  return (
    <label className="flex flex-wrap items-center justify-between gap-x-2" title={title}>
      <span className="muted">{label}</span>
      <span className="flex items-center gap-1.5">
        <input
          className={clsx('input input-xs figure aria-invalid:border-error', wide ? 'w-36' : 'w-20')}
          value={value}
          placeholder={placeholder}
          aria-invalid={message !== null}
          onChange={(event) => onChange(event.target.value)}
        />
        {unit && <span className="w-8">{unit}</span>}
      </span>
    </label>
  );
}

/** From least to most. */
export function SpanField({
  label,
  value: [least, most],
  title,
  onChange,
}: {
  label: string;
  value: Spans;
  title?: string;
  onChange: (span: Spans) => void;
}) {
  const field = (text: string, what: string, change: (text: string) => Spans) => (
    <input
      className="input input-xs figure w-14"
      inputMode="numeric"
      aria-label={`${label}, ${what}`}
      value={text}
      onChange={(event) => onChange(change(event.target.value))}
    />
  );
  return (
    <div className="flex items-center justify-between gap-2" title={title}>
      <span className="muted">{label}</span>
      <span className="flex items-center gap-1.5">
        {field(least, 'least', (text) => [text, most])}
        <span className="muted">to</span>
        {field(most, 'most', (text) => [least, text])}
      </span>
    </div>
  );
}

/** One of a few words. */
export function Pick<K extends string>({
  label,
  value,
  choices,
  title,
  onChange,
}: {
  label: string;
  value: K;
  choices: Readonly<Record<K, string>>;
  title?: string;
  onChange: (value: K) => void;
}) {
  return (
    <label className="flex items-center justify-between gap-2" title={title}>
      <span className="muted">{label}</span>
      <select className="select select-xs w-40" value={value} onChange={(event) => onChange(event.target.value as K)}>
        {(Object.keys(choices) as K[]).map((key) => (
          <option key={key} value={key}>
            {choices[key]}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Yes or no. */
export function Tick({
  label,
  checked,
  title,
  onChange,
}: {
  label: string;
  checked: boolean;
  title?: string;
  onChange: (checked: boolean) => void;
}) {
  return (
    <label className="flex cursor-pointer items-center gap-2" title={title}>
      <input
        type="checkbox"
        className="checkbox checkbox-xs"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  );
}

/** Fields that belong together, under their name. */
export function Group({ name, beside, children }: { name: string; beside?: ReactNode; children: ReactNode }) {
  const id = useId();
  return (
    <section aria-labelledby={id} className="flex flex-col gap-1 border-t border-base-300 px-4 py-2 text-sm">
      <div className="flex items-center justify-between">
        <h3 id={id} className="font-semibold">
          {name}
        </h3>
        {beside}
      </div>
      {children}
    </section>
  );
}
