'use client';

import clsx from 'clsx';
import { useMemo } from 'react';
import { compareCharts, oneToothMore, type Influence, type Pairing, influenceOf } from '@/core/gear-chart';
import { toNumber, type Rational } from '@/core/rational';
import { isInFittingSet, partsById, type Gear } from '@/core/train';
import { figure } from '@/core/units';
import { exact, gearName } from '@/core/words';
import { documents } from '@/features/train/documents';
import { editTrain } from '@/features/train/edit';
import { useLight, useTrain, useTrainStore } from '@/features/train/use-train';
import type { Column } from '@/ui/column';
import { DataTable } from '@/ui/data-table';
import { usePreferences } from '@/ui/preferences';
import { percent } from '../table/row-figures';
import { useChart, useRows } from '../use-chart';
import { ratioColumn } from './ratio-column';
import { modelOf } from '@/core/model';
import { lookUp, required } from '@/core/required';
import { KeepSets } from '@/features/train/keep-sets';

interface Row {
  readonly gear: Gear;
  readonly name: string;
}

/**
 * How much each tooth count moves each position; and what one tooth more comes to, everywhere, before it is decided.
 */
export function InfluenceTab() {
  const train = useTrain((state) => state.train);
  const more = useChart((state) => state.more);
  const set = useChart((state) => state.set);
  const light = useLight();
  const influence = modelOf(train).derive(influenceOf);
  const rows = useMemo(() => train.gears.map((gear): Row => ({ gear, name: gearName(train, gear) })), [train]);
  const gear = partsById(train).find.gear(more?.gear);
  if (influence.size === 0)
    return <p className="muted text-sm">No position drives, so no tooth count moves a ratio.</p>;
  const columns: Column<Row>[] = [
    {
      head: 'Gear',
      value: ({ name }) => name,
      cell: (row) => (
        <button
          type="button"
          className={clsx('text-left hover:underline', row.gear.id === more?.gear && 'font-semibold')}
          title="One tooth more here: what comes of it"
          onPointerEnter={() => light({ gears: [row.gear.id] })}
          onPointerLeave={() => light(null)}
          onClick={() => set({ more: { gear: row.gear.id, by: 1 } })}
        >
          {row.name}
        </button>
      ),
    },
    ...train.positions
      .filter(({ id }) => influence.has(id))
      .map(({ id, name }): Column<Row> => ({
        head: name,
        numeric: true,
        title: `Per cent that the ratio of ${name} grows for one per cent more teeth`,
        value: (row) => numberOrNull(lookUp(influence, id), row.gear.id),
        cell: (row) => <Part value={lookUp(influence, id).get(row.gear.id) ?? null} />,
      })),
  ];
  return (
    <div className="grid gap-x-8 gap-y-3 lg:grid-cols-[auto_minmax(20rem,1fr)]">
      <div className="min-w-0">
        <DataTable
          label="Influence of the tooth counts"
          beside={
            <span className="muted">
              Change in ratio (in/out), %, for 1 % more teeth. Press a gear to try one tooth more.
            </span>
          }
          rows={rows}
          columns={columns}
          keyOf={(row) => row.gear.id}
          chosen={(row) => row.gear.id === more?.gear}
        />
      </div>
      {gear && more && <OneMore gear={gear} by={more.by} />}
    </div>
  );
}

function numberOrNull(influence: Influence, gear: string): number | null {
  const part = influence.get(gear);
  return part ? toNumber(part) : null;
}

/** The stronger, the darker; the sign says which way. */
function Part({ value }: { value: Rational | null }) {
  if (value === null)
    return (
      <span className="muted" title="Undetermined: parallel paths share the torque">
        open
      </span>
    );
  const size = toNumber(value);
  if (size === 0) return <span className="muted">·</span>;
  const shade = Math.round(Math.min(1, Math.abs(size)) * 28);
  return (
    <span
      className="-mx-1 block px-1"
      title={`exactly ${exact(value)}`}
      style={{ background: `color-mix(in oklab, var(--color-accent) ${shade}%, transparent)` }}
    >
      {figure(size)}
    </span>
  );
}

/** Every ratio with a few teeth more or fewer on one gear, beside what it is now. */
function OneMore({ gear, by }: { gear: Gear; by: number }) {
  const store = useTrainStore();
  const train = useTrain((state) => state.train);
  const chart = useRows();
  const convention = usePreferences((state) => state.convention);
  const set = useChart((state) => state.set);
  const keepSets = usePreferences((state) => state.keepSets);
  const inSet = useMemo(() => isInFittingSet(train, gear.id), [train, gear.id]);
  const changed = useMemo(() => oneToothMore(train, gear.id, by, keepSets), [train, gear.id, by, keepSets]);
  const pairs = useMemo(() => (changed ? compareCharts(chart, changed, 'name') : []), [chart, changed]);
  const driving = pairs.filter(({ mine, theirs }) => mine?.solved.ratio || theirs?.solved.ratio);
  const take = async () => {
    const { typeTeeth } = await documents();
    const edit = typeTeeth(store.getState().train, gear.id, gear.teeth + by, keepSets);
    if (edit.ok) editTrain(store, edit.train);
    else store.getState().say(edit.message);
  };
  return (
    <section aria-label="One tooth more" className="min-w-0 text-sm">
      <div className="flex flex-wrap items-center gap-2">
        <h3 className="font-semibold">{gearName(train, gear)}</h3>
        <label className="flex items-center gap-1.5">
          <span className="muted">with</span>
          <input
            type="number"
            className="input input-xs figure w-18"
            aria-label="Teeth to try"
            min={1}
            value={gear.teeth + by}
            onChange={(event) =>
              set({ more: { gear: gear.id, by: Math.round(Number(event.target.value)) - gear.teeth } })
            }
          />
          <span className="muted">teeth</span>
        </label>
        {inSet && <KeepSets />}
        <button type="button" className="btn btn-xs" disabled={by === 0 || !changed} onClick={() => void take()}>
          Apply
        </button>
      </div>
      {changed ? (
        <DataTable
          label={`Ratios with ${gear.teeth + by} teeth`}
          beside={<span className="muted">Other counts stay, so centre distances may no longer fit.</span>}
          rows={driving}
          keyOf={({ mine, theirs }) => mine?.id ?? required(theirs).id}
          columns={[
            { head: 'Position', value: ({ mine, theirs }) => required(mine ?? theirs).name },
            ratioColumn<Pairing>(`Now, ${convention}`, convention, ({ mine }) => mine?.solved.ratio ?? null),
            ratioColumn<Pairing>(`Then, ${convention}`, convention, ({ theirs }) => theirs?.solved.ratio ?? null),
            {
              head: 'Changes, %',
              numeric: true,
              title: 'Of the ratio in/out',
              value: ({ difference }) => difference,
              cell: ({ difference }) => (difference === null ? '—' : fine(difference)),
            },
          ]}
        />
      ) : (
        <p className="mt-1 text-error">A gear has at least one tooth.</p>
      )}
    </section>
  );
}

/** A small change, signed, in three figures. */
const fine = (value: number): string =>
  Math.abs(value) < 5e-4 ? percent(0) : `${value > 0 ? '+' : ''}${figure(Number(value.toPrecision(3)))}`;
