'use client';

import clsx from 'clsx';
import { useTrain } from '../use-train';
import { memberName } from '@/core/words';
import { useTypedLoads } from './loads';
import { useTyped } from './typed-input';

/**
 * The speed and torque put into the train, or with `loads` what holds its outputs instead of the torque; bad ones are
 * said at the field and the last good ones stand.
 * @param inline in one line with their labels
 */
export function InputFields({ inline = false, loads = false }: { inline?: boolean; loads?: boolean }) {
  const type = useTrain((state) => state.type);
  const speedText = useTrain((state) => state.speedText);
  const torqueText = useTrain((state) => state.torqueText);
  const given = useTrain((state) => state.given);
  const typed = useTyped();
  return (
    <fieldset className={clsx('flex shrink-0 gap-x-2', inline ? 'items-center' : 'items-start')}>
      <legend className="sr-only">Input speed and torque</legend>
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
        onChange={(text) => type({ speedText: text })}
      />
      {loads && given === 'loads' ? (
        <LoadFields />
      ) : (
        <Field
          label="Input torque"
          text={torqueText}
          unit={typed.torque.unit}
          message={typed.torque.message}
          inline={inline}
          onChange={(text) => type({ torqueText: text })}
        />
      )}
      {loads && <GivenChoice />}
    </fieldset>
  );
}

/** The torque of the load on each output, against its motion. */
function LoadFields() {
  const train = useTrain((state) => state.train);
  const texts = useTrain((state) => state.loadTexts);
  const type = useTrain((state) => state.type);
  const { torque } = useTyped();
  return useTypedLoads().map(({ output, text, message }) => (
    <Field
      key={output}
      label={`Load on ${memberName(train, output)}`}
      text={text}
      unit={torque.unit}
      message={message}
      inline={false}
      onChange={(typed) => type({ loadTexts: { ...texts, [output]: typed } })}
    />
  ));
}

/** Torque at the input, or loads at the outputs. */
function GivenChoice() {
  const given = useTrain((state) => state.given);
  const type = useTrain((state) => state.type);
  return (
    <label
      className="flex flex-col text-sm"
      title="Give the input torque, or the loads that hold the outputs: then the input torque follows."
    >
      <span className="muted">Given</span>
      <select
        className="select select-sm w-24"
        value={given}
        onChange={({ target }) => type({ given: target.value === 'loads' ? 'loads' : 'torque' })}
      >
        <option value="torque">torque</option>
        <option value="loads">loads</option>
      </select>
    </label>
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
