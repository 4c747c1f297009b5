import clsx from 'clsx';
import { useId, type ReactNode } from 'react';

interface FieldProps {
  readonly id?: string;
  readonly label: string;
  readonly value: string;
  readonly unit?: string;
  readonly title?: string;
  /** What is wrong with it. */
  readonly message?: string | null;
  readonly wide?: boolean;
  readonly placeholder?: string;
  /** Room for the unit, the same in a group of fields. */
  readonly unitWidth?: string;
  readonly onChange: (text: string) => void;
}

/** A label, and beside it what is typed; below it what is wrong with that. */
export function TextInput({
  id,
  label,
  value,
  unit,
  title,
  message = null,
  wide = false,
  placeholder,
  unitWidth = 'w-8',
  onChange,
}: FieldProps) {
  const says = useId();
  return (
    <label className="flex flex-wrap items-center justify-between gap-x-2" title={title}>
      <span className="muted">{label}</span>
      <span className="flex items-center gap-1.5">
        <input
          id={id}
          inputMode={unit === undefined ? undefined : 'decimal'}
          className={clsx('input input-xs figure aria-invalid:border-error', wide ? 'w-36' : 'w-20')}
          value={value}
          placeholder={placeholder}
          aria-invalid={message !== null}
          aria-describedby={message === null ? undefined : says}
          onChange={(event) => onChange(event.target.value)}
        />
        {unit && <span className={unitWidth}>{unit}</span>}
      </span>
      {message !== null && (
        <span id={says} role="alert" className="basis-full text-error">
          {message}
        </span>
      )}
    </label>
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
