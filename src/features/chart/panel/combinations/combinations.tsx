'use client';

import { useDeferredValue, useMemo, useState } from 'react';
import {
  countByStatus,
  engagedIn,
  groupCombinations,
  lockCauses,
  missingForward,
  numberOf,
  type CombinationFilter,
  type CombinationGroup,
  type CombinationTable,
  type LockCause,
  chartOf,
} from '@/core/gear-chart';
import { parseRational, toFraction, toNumber } from '@/core/rational';
import type { Status } from '@/core/solve';
import type { Train } from '@/core/train';
import { ratioFigure, wayText, type RatioConvention } from '@/core/units';
import { couplerName, exact, listed } from '@/core/words';
import { engage } from '@/features/train/choosing';
import { useNow, useTrain, useTrainStore } from '@/features/train/use-train';
import { STATUS_WORDS } from '@/features/train/words';
import type { Column } from '@/ui/column';
import { DataTable } from '@/ui/data-table';
import { usePreferences } from '@/ui/preferences';
import { useEdits } from '../../edits';
import { useChart } from '../../use-chart';
import { FilterFields, readSize } from './filter-fields';
import { NO_FILTER, type FilterText } from './filter-text';
import { tableIn, useCombinations } from './use-combinations';
import type { RunningJob } from '@/workers/use-job';
import { partsById } from '@/core/train';
import { itemAt, required } from '@/core/required';

/** Every set of couplers that can be engaged: what it does, which ratios nobody listed, and what locks. */
export function Combinations() {
  const now = useCombinations();
  const train = useTrain((state) => state.train);
  const filter = useChart((state) => state.combinations);
  const set = useChart((state) => state.set);
  const setFilter = (combinations: FilterText) => set({ combinations });
  const convention = usePreferences((state) => state.convention);
  if (now.state.kind === 'failed') return <p className="text-sm">{now.state.message}</p>;
  const table = tableIn(now.state);
  if (table && table.couplers.length === 0)
    return <p className="text-sm">Nothing in this train can be engaged, so there is one combination: it as it is.</p>;
  return (
    <>
      <Progress now={now} table={table} />
      {table && <Missing table={table} onShow={() => setFilter({ ...NO_FILTER, unlisted: true, way: 'same way' })} />}
      <div className="mt-2">
        <FilterFields
          filter={filter}
          convention={convention}
          onChange={(change) => setFilter({ ...filter, ...change })}
        />
      </div>
      {table &&
        (filter.status === 'locked' ? (
          <Causes train={train} table={table} />
        ) : (
          <Groups table={table} filter={filter} />
        ))}
    </>
  );
}

interface ProgressProps {
  readonly now: RunningJob<'combinations'>;
  readonly table: CombinationTable | null;
}

function Progress({ now: { state, stop, again }, table }: ProgressProps) {
  const counts = table && countByStatus(table);
  const total = table?.codes.length ?? 0;
  return (
    <div className="flex flex-wrap items-center gap-x-5 gap-y-1 text-sm" role="status">
      {counts && (
        <span>
          <strong className="figure">{grouped(counts.drive)}</strong> of {grouped(total)} combinations drive
          {(['split', 'neutral', 'held', 'locked'] as Status[])
            .filter((status) => counts[status] > 0)
            .map((status) => `, ${grouped(counts[status])} ${STATUS_WORDS[status]}`)
            .join('')}
          .
        </span>
      )}
      {(state.kind === 'idle' || state.kind === 'running') && (
        <>
          <progress className="progress w-40" value={table?.done ?? 0} max={total || 1} aria-label="Looked at" />
          <button type="button" className="btn btn-xs" onClick={stop}>
            Stop
          </button>
        </>
      )}
      {state.kind === 'stopped' && (
        <>
          <span>Stopped after {grouped(table?.done ?? 0)}.</span>
          <button type="button" className="btn btn-xs" onClick={again}>
            Begin again
          </button>
        </>
      )}
    </div>
  );
}

/** Forward ratios that some combination gives and no position has. */
function Missing({ table, onShow }: { table: CombinationTable; onShow: () => void }) {
  const train = useTrain((state) => state.train);
  const convention = usePreferences((state) => state.convention);
  const missing = useMemo(() => missingForward(table, ratiosIn(train)), [table, train]);
  if (missing.length === 0)
    return (
      <p className="mt-1 text-sm">
        The chart has every forward ratio that there is{table.done < table.codes.length && ' so far'}.
      </p>
    );
  return (
    <p className="mt-1 text-sm">
      {missing.length === 1 ? 'One forward ratio is' : `${missing.length} forward ratios are`} not in the chart:{' '}
      <span className="figure">
        {missing
          .slice(0, 8)
          .map((ratio) => sized(ratio, convention))
          .join(', ')}
      </span>
      {missing.length > 8 && ' …'}{' '}
      <button type="button" className="link" onClick={onShow}>
        Show them
      </button>
    </p>
  );
}

function Groups({ table, filter }: { table: CombinationTable; filter: FilterText }) {
  const train = useTrain((state) => state.train);
  const store = useTrainStore();
  const { add, addAll } = useEdits();
  const { positionId } = useNow();
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const convention = usePreferences((state) => state.convention);
  const wanted = useDeferredValue(filter);
  const groups = useMemo(
    () => groupCombinations(table, filterOf(wanted, train, convention)),
    [table, wanted, train, convention],
  );
  const listedAs = useMemo(() => namesByNumber(train, table), [train, table]);
  const name = (number: number) => listed(engagedIn(table, number).map((id) => couplerName(train, id))) || 'nothing';
  const named = (numbers: readonly number[]) => numbers.flatMap((number) => listedAs.get(number) ?? []);
  const isNew = (group: CombinationGroup) => group.ratio !== null && named(group.numbers).length === 0;
  const chosen = groups.filter((group) => isNew(group) && ticked.has(keyOf(group)));
  const columns: Column<CombinationGroup>[] = [
    {
      head: 'Take',
      value: () => null,
      cell: (group) =>
        isNew(group) && (
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            aria-label={`Take ${name(itemAt(group.numbers, 0))}`}
            checked={ticked.has(keyOf(group))}
            onChange={({ target }) => {
              const next = new Set(ticked);
              if (target.checked) next.add(keyOf(group));
              else next.delete(keyOf(group));
              setTicked(next);
            }}
          />
        ),
    },
    {
      head: `Ratio, ${convention}`,
      numeric: true,
      value: ({ ratio }) => ratio && Math.abs(toNumber(required(parseRational(ratio)))),
      cell: ({ ratio, status }) =>
        ratio ? (
          <span title={`exactly ${exact(required(parseRational(ratio)))} in/out`}>{sized(ratio, convention)}</span>
        ) : (
          STATUS_WORDS[status]
        ),
    },
    {
      head: 'Direction',
      value: ({ ratio, status }) => (ratio ? wayText(required(parseRational(ratio))) : STATUS_WORDS[status]),
    },
    { head: 'Fewest engaged', value: ({ numbers }) => name(itemAt(numbers, 0)) },
    {
      head: 'Sets',
      numeric: true,
      title: 'Combinations that come to the same',
      value: ({ numbers }) => numbers.length,
      cell: ({ numbers }) =>
        numbers.length > 1 ? (
          <details>
            <summary className="cursor-pointer">{numbers.length}</summary>
            <ul className="font-sans text-left text-xs whitespace-normal">
              {numbers.slice(1, 13).map((number) => (
                <li key={number}>{name(number)}</li>
              ))}
              {numbers.length > 13 && <li>and {numbers.length - 13} more</li>}
            </ul>
          </details>
        ) : (
          '1'
        ),
    },
    {
      head: 'In the chart as',
      value: ({ numbers }) => listed(named(numbers)) || null,
      cell: ({ numbers }) =>
        named(numbers).length > 0 ? (
          listed(named(numbers))
        ) : (
          <button
            type="button"
            className="btn btn-xs"
            onClick={() => add(engagedIn(table, itemAt(numbers, 0)), positionId)}
          >
            Add as position
          </button>
        ),
    },
    {
      head: 'Look',
      value: () => null,
      cell: ({ numbers }) => (
        <button
          type="button"
          className="link"
          title="Engage it, as the Bench would"
          onClick={() => engage(store, engagedIn(table, itemAt(numbers, 0)))}
        >
          engage
        </button>
      ),
    },
  ];
  if (groups.length === 0)
    return <p className="muted mt-2 text-sm">No combination matches{table.done < table.codes.length && ' yet'}.</p>;
  const sets = groups.reduce((total, { numbers }) => total + numbers.length, 0);
  return (
    <>
      <DataTable
        label="Combinations"
        beside={
          <span className="muted">
            {grouped(sets)} {sets === 1 ? 'set' : 'sets'} in {grouped(groups.length)}{' '}
            {groups.length === 1 ? 'group' : 'groups'}
            {chosen.length > 0 && (
              <button
                type="button"
                className="btn btn-neutral btn-xs ml-3"
                title="Each with its fewest couplers, sorted by ratio, after the chosen position"
                onClick={() => {
                  addAll(
                    chosen.map(({ ratio, numbers }) => ({
                      engaged: engagedIn(table, itemAt(numbers, 0)),
                      ratio: toNumber(required(parseRational(required(ratio)))),
                    })),
                    positionId,
                  );
                  setTicked(new Set());
                }}
              >
                Add {chosen.length === 1 ? 'the ticked one' : `these ${chosen.length}, sorted`}
              </button>
            )}
          </span>
        }
        rows={groups}
        columns={columns}
        keyOf={keyOf}
      />
    </>
  );
}

const keyOf = ({ ratio, status }: CombinationGroup): string => ratio ?? status;

/** What locks, by its smallest cause. */
function Causes({ train, table }: { train: Train; table: CombinationTable }) {
  const causes = useMemo(() => lockCauses(table), [table]);
  const name = (number: number) =>
    engagedIn(table, number)
      .map((id) => couplerName(train, id))
      .join(' with ');
  const columns: Column<LockCause>[] = [
    { head: 'Conflict', value: ({ number }) => name(number) || 'the gears themselves, with nothing engaged' },
    { head: 'Elements', numeric: true, value: ({ number }) => engagedIn(table, number).length },
    {
      head: 'Locks',
      numeric: true,
      value: ({ kills }) => kills,
      cell: ({ kills }) => `${grouped(kills)} of ${grouped(table.codes.length)}`,
    },
  ];
  if (causes.length === 0) return <p className="muted mt-2 text-sm">Nothing locks.</p>;
  return (
    <DataTable
      label="Smallest causes of lock-ups"
      beside={<span className="muted">Each smallest cause once: none of its couplers can be spared</span>}
      rows={causes}
      columns={columns}
      keyOf={({ number }) => `${number}`}
    />
  );
}

function filterOf(text: FilterText, train: Train, convention: RatioConvention): CombinationFilter {
  const [from, to] = [readSize(text.from), readSize(text.to)];
  const turned = convention === 'out/in';
  const inOut = (value: number | undefined) => (value === undefined ? undefined : turned ? 1 / value : value);
  const near = partsById(train).find.position(text.near);
  const most = readSize(text.most);
  return {
    ...(text.status && { status: text.status }),
    ...(text.way && { way: text.way }),
    ...(most !== undefined && { most }),
    ...withSize('ratioFrom', inOut(turned ? to : from)),
    ...withSize('ratioTo', inOut(turned ? from : to)),
    ...(text.unlisted && { except: train.positions.map(({ engaged }) => engaged), exceptRatios: ratiosIn(train) }),
    ...(near && { oneChangeFrom: near.engaged }),
    ...(text.without && { without: [text.without] }),
  };
}

/** The exact ratios that the chart has. */
const ratiosIn = (train: Train): readonly string[] =>
  chartOf(train).rows.flatMap(({ solved: { ratio } }) => (ratio ? [toFraction(ratio)] : []));

const withSize = <K extends string>(key: K, value: number | undefined) => (value === undefined ? {} : { [key]: value });

function namesByNumber(train: Train, table: CombinationTable): ReadonlyMap<number, readonly string[]> {
  const names = new Map<number, string[]>();
  for (const { name, engaged } of train.positions) {
    const number = numberOf(table, engaged);
    names.set(number, [...(names.get(number) ?? []), name]);
  }
  return names;
}

const sized = (ratio: string, convention: RatioConvention): string =>
  ratioFigure(required(parseRational(ratio)), convention);

const grouped = (count: number): string => String(count).replace(/\B(?=(\d{3})+$)/g, '\u202f');
