import { rangeFactor, wantedRatios } from '@/core/tooth-search';
import { figure } from '@/core/units';
import { useAsk, useTeethForm, useQuestion } from '../use-teeth';
import { TextInput, Group, Pick } from '@/ui/form-fields';

/** A ladder of positions on one centre distance. */
export function LadderFields() {
  const { ladder } = useTeethForm();
  const ask = useAsk();
  const read = useQuestion();
  const set = (change: Partial<typeof ladder>) => ask({ ladder: { ...ladder, ...change } });
  return (
    <Group name="Ladder">
      <TextInput label="First ratio, in/out" value={ladder.from} onChange={(from) => set({ from })} />
      <TextInput label="Last ratio, in/out" value={ladder.to} onChange={(to) => set({ to })} />
      <TextInput label="Positions" value={ladder.positions} onChange={(positions) => set({ positions })} />
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
        <TextInput label="Each step over the next" value={ladder.factor} onChange={(factor) => set({ factor })} />
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
  const set = (change: Partial<typeof ranges>) => ask({ ranges: { ...ranges, ...change } });
  return (
    <Group name="Ranges behind a ladder">
      <TextInput
        label="Step of the ladder"
        title="Ratio of a position over that of the next one."
        value={ranges.step}
        onChange={(step) => set({ step })}
      />
      <TextInput
        label="Positions of the ladder"
        value={ranges.positions}
        onChange={(positions) => set({ positions })}
      />
      <TextInput label="Ranges" value={ranges.ranges} onChange={(count) => set({ ranges: count })} />
      <TextInput label="Ratio of the fast range" value={ranges.first} onChange={(first) => set({ first })} />
      {read.ok && read.value.kind === 'ranges' && (
        <p className="muted">
          From range to range <span className="figure">{figure(rangeFactor(read.value.question))}</span>: the ladder
          goes on where the range before ended.
        </p>
      )}
    </Group>
  );
}
