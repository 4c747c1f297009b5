'use client';

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly choices: Readonly<Record<T, string>>;
  readonly autoFocus?: boolean;
  readonly onChoose: (value: T) => void;
}

/** A choice among a few named values, taken over at once. */
export function ChoiceField<T extends string>({ label, value, choices, autoFocus, onChoose }: Props<T>) {
  return (
    <label className="flex items-center justify-between gap-2">
      <span className="muted">{label}</span>
      <select
        className="select select-sm w-40"
        autoFocus={autoFocus}
        value={value}
        onChange={(event) => onChoose(event.target.value as T)}
      >
        {(Object.entries(choices) as [T, string][]).map(([key, text]) => (
          <option key={key} value={key}>
            {text}
          </option>
        ))}
      </select>
    </label>
  );
}

/** Choices whose values are their own words. */
export const plainChoices = <T extends string>(values: readonly T[]): Record<T, string> =>
  Object.fromEntries<string>(values.map((value) => [value, value])) as Record<T, string>;
