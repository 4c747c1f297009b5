'use client';

import clsx from 'clsx';
import { useTrain } from '../use-train';
import { useTyped } from './typed-input';

/** The speed and torque put into the train; bad ones are said at the field and the last good ones stand. @param inline in one line with their labels */
export function InputFields({ inline = false }: { inline?: boolean }) {
  const set = useTrain((state) => state.set);
  const speedText = useTrain((state) => state.speedText);
  const torqueText = useTrain((state) => state.torqueText);
  const typed = useTyped();
  return (
    <fieldset className={clsx('flex shrink-0 gap-x-2', inline ? 'items-center' : 'items-start')}>
      <legend className="sr-only">What is put in</legend>
      {inline && (
        <span className="muted text-sm" aria-hidden>
          Input
        </span>
      )}
      <Field
        label="Input speed"
        text={speedText}
        unit={typed.speed.unit}
        message={typed.speed.message}
        inline={inline}
        onChange={(text) => set({ speedText: text })}
      />
      <Field
        label="Input torque"
        text={torqueText}
        unit={typed.torque.unit}
        message={typed.torque.message}
        inline={inline}
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
  inline,
  onChange,
}: {
  label: string;
  text: string;
  unit: string;
  message: string | null;
  inline: boolean;
  onChange: (text: string) => void;
}) {
  return (
    <label className={clsx('flex text-sm', inline ? 'flex-wrap items-center gap-x-1.5' : 'min-w-30 flex-col')}>
      <span className={inline ? 'sr-only' : 'muted'}>{label}</span>
      <span className="flex items-center gap-1.5">
        <input
          className={clsx('input figure aria-invalid:border-error', inline ? 'input-xs w-14' : 'input-sm w-20')}
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
