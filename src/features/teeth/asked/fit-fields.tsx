import { chartOf } from '@/core/gear-chart';
import { abs, toNumber } from '@/core/rational';
import type { Train } from '@/core/train';
import { figure, readFigure } from '@/core/units';
import { memberName } from '@/core/words';
import { TimeField } from './condition-fields';
import { useMemo } from 'react';
import { figureText } from '@/ui/form/fields';
import { spanAround, type FreeText, type TargetText } from '../form';
import { useAsk, useTeethForm, useOpenTrain } from '../use-teeth';
import { Group, Tick } from '@/ui/form/inputs';
import { itemAt, required } from '@/core/required';

/** Which counts of the open train may change, and which ratios its positions are to have. */
export function FitFields() {
  const train = useOpenTrain();
  return (
    train && (
      <>
        <Targets train={train} />
        <Gears train={train} />
        <Holding />
      </>
    )
  );
}

function Targets({ train }: { train: Train }) {
  const { fit } = useTeethForm();
  const ask = useAsk();
  const rows = useMemo(() => chartOf(train).rows.filter(({ solved }) => solved.ratio !== null), [train]);
  const set = (targets: Readonly<Record<string, TargetText>>) =>
    ask({ fit: { ...fit, targets: { ...fit.targets, ...targets } } });
  const sizes = rows.map(({ solved }) => toNumber(abs(required(solved.ratio))));
  /** Even steps between the first and the last target that is typed, or the present ratio where none is. */
  const fillEvenly = () => {
    const forward = rows.filter(({ solved }) => required(solved.ratio).n > 0);
    const [first, last] = [forward[0], forward.at(-1)].map(
      (row) => row && (readFigure(fit.targets[row.id]?.ratio ?? '') || toNumber(required(row.solved.ratio))),
    );
    if (!first || !last) return;
    set(
      Object.fromEntries(
        forward.map(({ id }, i) => [
          id,
          {
            weight: fit.targets[id]?.weight ?? '1',
            ratio: figureText(first * (last / first) ** (i / Math.max(1, forward.length - 1)), 6),
          },
        ]),
      ),
    );
  };
  if (rows.length === 0)
    return (
      <Group name="Target ratios">
        <p>No position of this train drives. A fit needs positions, on the Chart, whose ratios can be targets.</p>
      </Group>
    );
  return (
    <Group
      name="Target ratios, in/out"
      beside={
        <button
          type="button"
          className="btn btn-xs"
          title="Even steps from the first to the last position"
          onClick={fillEvenly}
        >
          Even steps
        </button>
      }
    >
      <table aria-label="Target ratios">
        <thead className="muted">
          <tr>
            <th className="text-left font-normal">Position</th>
            <th className="text-right font-normal">Now</th>
            <th
              className="text-right font-normal"
              title="With a sign, as in −4.45 or +3.2, the direction counts as well; without one the size alone."
            >
              Wanted
            </th>
            <th className="text-right font-normal" title="How much a deviation counts">
              Weight
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ id, name }, i) => {
            const target = fit.targets[id] ?? { ratio: '', weight: '1' };
            return (
              <tr key={id}>
                <td className="max-w-16 truncate">{name}</td>
                <td className="figure text-right">{figure(itemAt(sizes, i))}</td>
                <td className="text-right">
                  <input
                    className="input input-xs figure w-24"
                    aria-label={`Target ratio of ${name}`}
                    placeholder="any"
                    value={target.ratio}
                    onChange={(event) => set({ [id]: { ...target, ratio: event.target.value } })}
                  />
                </td>
                <td className="text-right">
                  <input
                    className="input input-xs figure w-10"
                    aria-label={`Weight of ${name}`}
                    value={target.weight}
                    onChange={(event) => set({ [id]: { ...target, weight: event.target.value } })}
                  />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </Group>
  );
}

function Gears({ train }: { train: Train }) {
  const { fit } = useTeethForm();
  const ask = useAsk();
  const freeOf = (id: string, teeth: number): FreeText => fit.free[id] ?? spanAround(teeth);
  const set = (free: Readonly<Record<string, FreeText>>) => ask({ fit: { ...fit, free: { ...fit.free, ...free } } });
  const all = (free: boolean) =>
    set(Object.fromEntries(train.gears.map(({ id, teeth }) => [id, { ...freeOf(id, teeth), free }])));
  return (
    <Group
      name="Counts that may change"
      beside={
        <span className="flex gap-1">
          <button type="button" className="btn btn-xs" onClick={() => all(true)}>
            All
          </button>
          <button type="button" className="btn btn-xs" onClick={() => all(false)}>
            None
          </button>
        </span>
      }
    >
      {train.gears.map(({ id, teeth, member, type }) => {
        const { free, span } = freeOf(id, teeth);
        const label = `${teeth} on ${memberName(train, member)}${type === 'internal' ? ', inside' : ''}`;
        const field = (i: 0 | 1) => (
          <input
            className="input input-xs figure w-12"
            inputMode="numeric"
            aria-label={`${label}, ${i === 0 ? 'least' : 'most'}`}
            disabled={!free}
            value={span[i]}
            onChange={(event) =>
              set({ [id]: { free, span: i === 0 ? [event.target.value, span[1]] : [span[0], event.target.value] } })
            }
          />
        );
        return (
          <div key={id} className="flex items-center justify-between gap-2">
            <Tick label={label} checked={free} onChange={(checked) => set({ [id]: { free: checked, span } })} />
            <span className="flex shrink-0 items-center gap-1">
              {field(0)}
              <span className="muted">to</span>
              {field(1)}
            </span>
          </div>
        );
      })}
    </Group>
  );
}

function Holding() {
  const { fit, coprime } = useTeethForm();
  const ask = useAsk();
  return (
    <Group name="What has to hold">
      <p className="muted">
        Sets stay on one axis and planets evenly spaced; where shifts make up for a tooth or two, they go on doing so.
      </p>
      <Tick
        label="Centre distances"
        title="Pairs between the same two shafts run at one distance; where shifts make up for a difference, it stays."
        checked={fit.holdCentres}
        onChange={(holdCentres) => ask({ fit: { ...fit, holdCentres } })}
      />
      <Tick
        label="No common factor in a pair"
        checked={coprime === 'required'}
        onChange={(required) => ask({ coprime: required ? 'required' : 'any' })}
      />
      <TimeField />
    </Group>
  );
}
