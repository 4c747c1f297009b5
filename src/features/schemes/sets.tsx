'use client';

import { Plus, X } from 'lucide-react';
import { Group, Tick } from '@/ui/form/inputs';
import { newSet, type SetForm } from './form';
import { useProblemAt, useSchemes } from './use-schemes';

const MOST_SETS = 4;

/** The sets that are on the table, or free within a range. */
export function Sets() {
  const sets = useSchemes((state) => state.form.sets);
  const ask = useSchemes((state) => state.ask);
  const wrong = useProblemAt();
  const change = (at: number, changed: Partial<SetForm>) =>
    ask({ sets: sets.map((set, i) => (i === at ? { ...set, ...changed } : set)) });
  return (
    <Group
      name="Sets"
      beside={
        <button
          type="button"
          className="btn btn-ghost btn-xs"
          disabled={sets.length >= MOST_SETS}
          onClick={() => ask({ sets: [...sets, newSet(sets)] })}
        >
          <Plus className="size-3.5" aria-hidden /> Add a set
        </button>
      }
    >
      {wrong('sets') !== null && sets.every((_, i) => wrong(`sets[${i}]`) === null) && (
        <p role="alert" className="text-error">
          {wrong('sets')}
        </p>
      )}
      {sets.map((set, at) => (
        <OneSet
          key={at}
          set={set}
          wrong={(path) => wrong(`sets[${at}]${path}`)}
          onChange={(changed) => change(at, changed)}
          onRemove={sets.length > 1 ? () => ask({ sets: sets.filter((_, i) => i !== at) }) : null}
        />
      ))}
    </Group>
  );
}

const KINDS = { simple: 'simple', 'double-pinion': 'double-pinion', stepped: 'stepped' } as const;

function OneSet({
  set,
  wrong,
  onChange,
  onRemove,
}: {
  set: SetForm;
  wrong: (path: string) => string | null;
  onChange: (changed: Partial<SetForm>) => void;
  onRemove: (() => void) | null;
}) {
  const input = (key: 'sun' | 'ring' | 'planet' | 'second' | 'least' | 'most', label: string) => (
    <label className="flex items-center gap-1">
      <span className="muted">{label}</span>
      <input
        className="input input-xs figure w-14"
        inputMode="decimal"
        aria-label={`${label} of ${set.id}`}
        value={set[key]}
        onChange={(event) => onChange({ [key]: event.target.value })}
      />
    </label>
  );
  const message = wrong('');
  return (
    <fieldset className="flex flex-col gap-1 border-b border-base-300/60 pb-1.5">
      <legend className="sr-only">Set {set.id}</legend>
      <div className="flex items-center gap-2">
        <input
          className="input input-xs w-24"
          aria-label="Name of the set"
          maxLength={30}
          value={set.id}
          onChange={(event) => onChange({ id: event.target.value })}
        />
        <select
          className="select select-xs flex-1"
          aria-label={`Kind of ${set.id}`}
          value={set.kind}
          onChange={(event) => onChange({ kind: event.target.value as SetForm['kind'] })}
        >
          {Object.entries(KINDS).map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </select>
        {onRemove && (
          <button type="button" className="btn btn-ghost btn-xs" aria-label={`Remove ${set.id}`} onClick={onRemove}>
            <X className="size-3.5" aria-hidden />
          </button>
        )}
      </div>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        {set.free ? (
          <>
            {input('least', set.kind === 'stepped' ? 'Standing ratio from' : 'Ring/sun from')}
            {input('most', 'to')}
          </>
        ) : (
          <>
            {input('sun', 'Sun')}
            {set.kind === 'stepped' && input('planet', 'Planet at sun')}
            {set.kind === 'stepped' && input('second', 'at ring')}
            {input('ring', 'Ring')}
          </>
        )}
        <Tick label="counts are free" checked={set.free} onChange={(checked) => onChange({ free: checked })} />
      </div>
      {message !== null && (
        <p role="alert" className="text-error">
          {message}
        </p>
      )}
    </fieldset>
  );
}
