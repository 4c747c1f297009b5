import { rangeFactor, wantedRatios } from '@/core/tooth-search';
import { figure } from '@/core/units';
import { FormFields } from '@/ui/form/form-fields';
import { LADDER_COUNT, LADDER_FACTOR, RANGES } from '../fields';
import { useAsk, useTeethForm, useQuestion, useProblemAt } from '../use-teeth';
import { TextInput, Group, Pick } from '@/ui/form/inputs';

/** A ladder of positions on one centre distance. */
export function LadderFields() {
  const { ladder } = useTeethForm();
  const ask = useAsk();
  const read = useQuestion();
  const wrong = useProblemAt();
  const set = (change: Partial<typeof ladder>) => ask({ ladder: { ...ladder, ...change } });
  return (
    <Group name="Ladder">
      <TextInput
        label="First ratio, in/out"
        value={ladder.from}
        message={wrong('ladder.from')}
        onChange={(from) => set({ from })}
      />
      <TextInput
        label="Last ratio, in/out"
        value={ladder.to}
        message={wrong('ladder.to')}
        onChange={(to) => set({ to })}
      />
      <FormFields fields={LADDER_COUNT} form={ladder} wrong={(path) => wrong(`ladder.${path}`)} onChange={set} />
      <Pick
        label="Steps"
        title={
          'Even steps lie equally far apart for the ear; progressive ones get ' +
          'smaller upward, as road gearboxes like them.'
        }
        value={ladder.progressive ? 'progressive' : 'even'}
        choices={{ even: 'even (geometric)', progressive: 'smaller upward' }}
        onChange={(steps) => set({ progressive: steps === 'progressive' })}
      />
      {ladder.progressive && (
        <FormFields fields={LADDER_FACTOR} form={ladder} wrong={(path) => wrong(`ladder.${path}`)} onChange={set} />
      )}
      {read.ok && read.value.kind === 'ladder' && (
        <p className="muted">
          Wanted: <span className="figure">{wantedRatios(read.value.question).map(figure).join(' · ')}</span>
        </p>
      )}
    </Group>
  );
}

/** Ranges behind a ladder. */
export function RangeFields() {
  const { ranges } = useTeethForm();
  const ask = useAsk();
  const read = useQuestion();
  const wrong = useProblemAt();
  const set = (change: Partial<typeof ranges>) => ask({ ranges: { ...ranges, ...change } });
  return (
    <Group name="Ranges behind a ladder">
      <FormFields fields={RANGES} form={ranges} wrong={(path) => wrong(`ranges.${path}`)} onChange={set} />
      <TextInput
        label="Ratio of the fast range"
        value={ranges.first}
        message={wrong('ranges.first')}
        onChange={(first) => set({ first })}
      />
      {read.ok && read.value.kind === 'ranges' && (
        <p className="muted">
          From range to range <span className="figure">{figure(rangeFactor(read.value.question))}</span>: the ladder
          goes on where the range before ended.
        </p>
      )}
    </Group>
  );
}
