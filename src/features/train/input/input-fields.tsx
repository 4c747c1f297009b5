'use client';

import { useTrain } from '../use-train';
import { useTyped } from './typed-input';

/** The speed and torque put into the train; bad ones are said at the field and the last good ones stand. */
export function InputFields() {
  const set = useTrain((state) => state.set);
  const speedText = useTrain((state) => state.speedText);
  const torqueText = useTrain((state) => state.torqueText);
  const typed = useTyped();
  return (
    <fieldset className="flex shrink-0 items-start gap-3">
      <legend className="sr-only">What is put in</legend>
      <Field
        label="Input speed"
        text={speedText}
        unit={typed.speed.unit}
        message={typed.speed.message}
        onChange={(text) => set({ speedText: text })}
      />
      <Field
        label="Input torque"
        text={torqueText}
        unit={typed.torque.unit}
        message={typed.torque.message}
        onChange={(text) => set({ torqueText: text })}
      />
    </fieldset>
  );
}

function Field({
  label,
  text,
  unit,
  message,
  onChange,
}: {
  label: string;
  text: string;
  unit: string;
  message: string | null;
  onChange: (text: string) => void;
}) {
  return (
    <label className="flex min-w-30 flex-col text-sm">
      <span className="muted">{label}</span>
      <span className="flex items-center gap-1.5">
        <input
          className="input input-sm figure w-20 aria-invalid:border-error"
          inputMode="decimal"
          value={text}
          aria-invalid={message !== null}
          onChange={(event) => onChange(event.target.value)}
        />
        <span className="whitespace-nowrap">{unit}</span>
      </span>
      {message && (
        <span role="alert" className="max-w-40 text-xs text-error">
          {message}
        </span>
      )}
    </label>
  );
}
