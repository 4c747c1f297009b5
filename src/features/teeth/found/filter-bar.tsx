import { readFilter, type FilterText } from './filter';
import { Tick } from '@/ui/form/inputs';

interface Props {
  readonly filter: FilterText;
  readonly shown: number;
  readonly of: number;
  readonly fit: boolean;
  readonly onChange: (filter: FilterText) => void;
}

/** Which of the results are looked at; nothing is searched again. */
export function FilterBar({ filter, shown, of, fit, onChange }: Props) {
  const wrong = readFilter(filter) === null;
  return (
    <fieldset className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <legend className="sr-only">Show only</legend>
      <span className="muted" aria-hidden>
        Show only
      </span>
      {!fit && (
        <Tick
          label="without undercut"
          title="Every external gear has 17 teeth or more: cut clean at 20° without profile shift."
          checked={filter.noUndercut}
          onChange={(noUndercut) => onChange({ ...filter, noUndercut })}
        />
      )}
      <Tick
        label="coprime"
        title="No pair has a factor in common: each tooth meets all of the other gear."
        checked={filter.coprime}
        onChange={(coprime) => onChange({ ...filter, coprime })}
      />
      <label className="flex items-center gap-1.5">
        up to
        <input
          className="input input-xs figure w-14 aria-invalid:border-error"
          inputMode="numeric"
          aria-label="Largest gear shown, teeth"
          placeholder="any"
          value={filter.largest}
          aria-invalid={wrong}
          onChange={({ target }) => onChange({ ...filter, largest: target.value })}
        />
        teeth
      </label>
      <span role="status" className="muted">
        {wrong ? 'A whole number of teeth.' : shown < of && `${shown} of ${of} pass`}
      </span>
    </fieldset>
  );
}
