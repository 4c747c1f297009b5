'use client';

import { refusalText } from '@/core/result';
import { readSchemeFile, SCHEME_SEARCH } from '@/core/schemes';
import { KeptFiles } from '@/features/train/kept/kept-beside';
import { FormFields } from '@/ui/form/form-fields';
import { Group, Pick, TextInput, Tick } from '@/ui/form/inputs';
import { ELEMENT_FIELDS, formOfFile, ladder, LIMIT_FIELDS, readForm, writtenForm } from './form';
import { Sets } from './sets';
import { useProblemAt, useSchemes } from './use-schemes';

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
      <Files />
    </section>
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

/** What is asked, kept beside the train that it came from, and as a file. */
function Files() {
  const form = useSchemes((state) => state.form);
  const ask = useSchemes((state) => state.ask);
  const train = useSchemes((state) => state.train);
  const open = (text: string) => {
    const file = readSchemeFile(text);
    if (!file.ok) return refusalText(file);
    ask(formOfFile(file.value));
    return null;
  };
  return (
    <KeptFiles
      kind="searches"
      format={SCHEME_SEARCH}
      beside={train}
      noun="search"
      text={JSON.stringify(writtenForm(form))}
      sound={readForm(form).ok}
      suffix=".schemes.json"
      about="What is asked as a file, which the command line’s schemes takes"
      onOpen={open}
    />
  );
}
