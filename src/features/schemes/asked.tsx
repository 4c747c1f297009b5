'use client';

import { Plus, X } from 'lucide-react';
import { FormFields } from '@/ui/form/form-fields';
import { Group, Pick, TextInput, Tick } from '@/ui/form/inputs';
import { ELEMENT_FIELDS, ladder, LIMIT_FIELDS, newSet, type SetForm } from './form';
import { useProblemAt, useSchemes } from './use-schemes';

const MOST_SETS = 4;

/** The sets, the wish and the limits. */
export function Asked() {
  return (
    <section
      aria-label="What is asked"
      className="min-h-0 overflow-y-auto border-base-300 pb-4 lg:border-r print:hidden"
    >
      <h2 className="sr-only">What is asked</h2>
      <Sets />
      <Wish />
      <Elements />
      <Limits />
    </section>
  );
}

function Sets() {
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
  const free = set.free && set.kind !== 'stepped';
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
        {free ? (
          <>
            {input('least', 'Ring/sun from')}
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
        {set.kind !== 'stepped' && (
          <Tick label="counts are free" checked={set.free} onChange={(checked) => onChange({ free: checked })} />
        )}
      </div>
      {message !== null && (
        <p role="alert" className="text-error">
          {message}
        </p>
      )}
    </fieldset>
  );
}

function Wish() {
  const form = useSchemes((state) => state.form);
  const ask = useSchemes((state) => state.ask);
  const wrong = useProblemAt();
  return (
    <Group name="Wish">
      <Pick
        label="Forward ratios"
        value={form.wish}
        choices={{ list: 'a list', spread: 'first and spread' }}
        onChange={(wish) => ask({ wish })}
      />
      {form.wish === 'list' ? (
        <TextInput
          label="Ratios, in/out"
          wide
          value={form.ratios}
          title="In the order in which they are shifted; above 1 reduces. A 1 is a direct drive."
          message={wrong('wanted.forward')}
          onChange={(ratios) => ask({ ratios })}
        />
      ) : (
        <>
          <TextInput label="Positions" value={form.positions} onChange={(positions) => ask({ positions })} />
          <TextInput label="First ratio, in/out" value={form.first} onChange={(first) => ask({ first })} />
          <TextInput label="Spread" value={form.spread} onChange={(spread) => ask({ spread })} />
          <Pick
            label="Steps"
            value={form.steps}
            choices={{ even: 'all alike', progressive: 'smaller and smaller' }}
            onChange={(steps) => ask({ steps })}
          />
          <p className="muted">
            {ladder(form).length > 0 ? ladder(form).join(' · ') : (wrong('wanted.forward') ?? 'Give whole positions.')}
          </p>
        </>
      )}
      <TextInput
        label="Off by at most"
        unit="%"
        value={form.tolerance}
        message={wrong('wanted.tolerance')}
        onChange={(tolerance) => ask({ tolerance })}
      />
      <Pick
        label="Reverse"
        value={form.reverse}
        choices={{ any: 'at least one', range: 'of a size', none: 'none' }}
        onChange={(reverse) => ask({ reverse })}
      />
      {form.reverse === 'range' && (
        <>
          <TextInput label="From" value={form.reverseLeast} onChange={(reverseLeast) => ask({ reverseLeast })} />
          <TextInput
            label="to"
            value={form.reverseMost}
            message={wrong('wanted.reverse')}
            onChange={(reverseMost) => ask({ reverseMost })}
          />
        </>
      )}
    </Group>
  );
}

function Elements() {
  const form = useSchemes((state) => state.form);
  const ask = useSchemes((state) => state.ask);
  const wrong = useProblemAt();
  const ends = {
    '': 'any',
    sun: 'a sun',
    carrier: 'a carrier',
    ring: 'a ring',
    shaft: 'a shaft of its own',
    ...Object.fromEntries(
      form.sets.flatMap(({ id }) => ['sun', 'carrier', 'ring'].map((role) => [`${id}.${role}`, `${id} ${role}`])),
    ),
  };
  return (
    <Group name="Brakes and clutches">
      <FormFields fields={ELEMENT_FIELDS} form={form} wrong={(path) => wrong(`elements.${path}`)} onChange={ask} />
      <TextInput
        label="Engaged at once"
        placeholder="any"
        value={form.engaged}
        message={wrong('engaged')}
        title="By it follows how many members there are"
        onChange={(engaged) => ask({ engaged })}
      />
      <Pick
        label="One off, one on"
        value={form.single}
        choices={{ required: 'at every shift', preferred: 'rather', any: 'does not matter' }}
        onChange={(single) => ask({ single })}
      />
      <Pick label="Input is" value={form.input} choices={ends} onChange={(input) => ask({ input })} />
      <Pick label="Output is" value={form.output} choices={ends} onChange={(output) => ask({ output })} />
      {(wrong('input') ?? wrong('output')) ? (
        <p role="alert" className="text-error">
          {wrong('input') ?? wrong('output')}
        </p>
      ) : null}
    </Group>
  );
}

function Limits() {
  const form = useSchemes((state) => state.form);
  const ask = useSchemes((state) => state.ask);
  const wrong = useProblemAt();
  return (
    <Group name="Limits, where there are any">
      <FormFields
        fields={LIMIT_FIELDS}
        form={form}
        wrong={(path) => wrong(`limits.${path}`)}
        unitWidth="w-9"
        onChange={ask}
      />
      <Tick label="Nests: drawn without a crossing" checked={form.nested} onChange={(nested) => ask({ nested })} />
    </Group>
  );
}
