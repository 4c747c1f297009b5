import { useMemo } from 'react';
import { useStore } from 'zustand';
import { memberName } from '@/core/words';
import { useTrain } from '@/features/train/use-train';
import { DataTable } from '@/ui/data-table';
import { dayAndTimeText, shortTimeText } from '@/ui/when';
import { intervalText, valueText } from '@/features/train/log/figures-text';
import { KIND_ORDER, KINDS } from '../kinds';
import { VERDICTS } from '@/features/train/log/verdict-words';
import type { ReadingRow } from '../rows';
import type { Filter } from '../store';
import { useJudgement, useLog, useLogItself } from '../use-log';
import { Timeline } from './timeline';
import { useContradicted } from './use-contradicted';
import { itemAt } from '@/core/required';

/** All readings that count, the newest first, with what each proves. */
export function Readings() {
  const { rows, there } = useJudgement();
  const filter = useLog((state) => state.filter);
  const chosen = useLog((state) => state.chosen);
  const set = useLog((state) => state.set);
  const nameOf = useNames();
  const message = useStore(useLogItself().log.store, (state) => state.message);
  const against = useContradicted(rows);
  const shown = useMemo(() => rows.filter((row) => passes(row, filter)), [rows, filter]);
  if (message !== null)
    return (
      <p role="alert" className="m-auto p-6 text-error">
        {message}
      </p>
    );
  if (there && rows.length === 0) return <NothingLogged />;
  return (
    <div className="flex min-h-0 min-w-0 flex-1 flex-col">
      <Filters count={shown.length} all={rows.length} />
      <Timeline rows={shown} />
      <div className="min-h-0 flex-1 overflow-auto px-4 contain-content max-xl:min-h-80" tabIndex={-1}>
        <DataTable
          label="Readings"
          oneLine
          rows={shown}
          keyOf={({ id }) => id}
          chosen={({ id }) => id === chosen}
          onChoose={({ id }) => set({ chosen: id, side: 'reading' })}
          columns={[
            {
              head: 'When',
              value: ({ reading }) => reading.at ?? '',
              cell: ({ reading: { at } }) =>
                at === undefined ? 'no time' : <span title={dayAndTimeText(at)}>{shortTimeText(at)}</span>,
            },
            { head: 'Position', value: ({ reading }) => nameOf.position(reading.position ?? null) },
            {
              head: 'Verdict',
              value: (row) => [verdictText(row), against.has(row.id) && CONTRADICTED].filter(Boolean).join(', '),
              cell: (row) => <VerdictCell row={row} contradicted={against.has(row.id)} />,
            },
            {
              head: 'Comes to',
              value: (row) => comesTo(row),
              cell: (row) => (
                <span className="block max-w-44 min-w-36 whitespace-normal">
                  {comesTo(row)}
                  <span className="muted block truncate text-xs" title={noteOf(row)}>
                    {noteOf(row)}
                  </span>
                </span>
              ),
            },
            {
              head: 'Computed',
              value: ({ judged }) => (judged?.computed ? valueText(judged, judged.computed) : ''),
            },
            { head: 'Read', less: true, value: ({ judged, reading }) => judged?.line ?? KINDS[reading.kind].name },
            { head: 'Of', less: true, value: ({ reading }) => nameOf.of(reading) },
            { head: 'Note', less: true, value: noteOf },
          ]}
        />
      </div>
    </div>
  );
}

/** What a reading comes to; of an event what happened. */
const comesTo = ({ judged, reading }: ReadingRow): string =>
  reading.kind === 'event' ? reading.what : judged ? intervalText(judged) : '';

/** What is noted of a reading: why it was corrected, that it is simulated, and what a person wrote. */
const noteOf = ({ reading, was }: ReadingRow): string =>
  [was.length > 0 ? `corrected: ${itemAt(was, -1).why}` : '', reading.simulated ? 'simulated' : '', reading.note ?? '']
    .filter(Boolean)
    .join(' · ');

const verdictText = ({ judged, refused }: ReadingRow): string =>
  refused !== null ? 'does not fit' : judged ? VERDICTS[judged.verdict] : '';

const CONTRADICTED = 'contradicted';

function VerdictCell({ row, contradicted }: { row: ReadingRow; contradicted: boolean }) {
  const text = verdictText(row);
  const bad = row.refused !== null || row.judged?.verdict === 'does-not-agree';
  return (
    <>
      <span
        className={bad ? 'font-semibold text-error' : row.judged?.verdict === 'agrees' ? 'font-semibold' : undefined}
      >
        {text}
      </span>
      {contradicted && (
        <span
          className="block text-xs text-error"
          title="Another reading of the same says otherwise; its detail says which."
        >
          {CONTRADICTED}
        </span>
      )}
    </>
  );
}

function useNames() {
  const train = useTrain((state) => state.train);
  return useMemo(() => {
    const positions = new Map(train.positions.map(({ id, name }) => [id, name || id]));
    return {
      position: (id: string | null) => (id === null ? '' : (positions.get(id) ?? id)),
      of: (reading: ReadingRow['reading']) =>
        'member' in reading ? memberName(train, reading.member) : 'part' in reading ? reading.part : '',
    };
  }, [train]);
}

function passes(row: ReadingRow, { position, kind, run, verdict, text, since }: Filter): boolean {
  const { reading, judged } = row;
  if (position !== '' && reading.position !== position) return false;
  if (kind !== '' && reading.kind !== kind) return false;
  if (run !== '' && reading.run !== run) return false;
  if (verdict !== '' && verdictText(row) !== verdict) return false;
  if (since !== '' && (reading.at ?? '').slice(0, 10) < since) return false;
  if (text.trim() === '') return true;
  const words = [
    reading.note,
    'what' in reading ? reading.what : '',
    judged?.line,
    row.was.map(({ why }) => why).join(' '),
  ];
  return words.some((word) => word?.toLowerCase().includes(text.trim().toLowerCase()));
}

function Filters({ count, all }: { count: number; all: number }) {
  const { log } = useJudgement();
  const filter = useLog((state) => state.filter);
  const set = useLog((state) => state.set);
  const positions = useTrain((state) => state.train.positions);
  const change = (some: Partial<Filter>) => set({ filter: { ...filter, ...some } });
  const select = (
    label: string,
    key: Exclude<keyof Filter, 'text' | 'since'>,
    all: string,
    choices: readonly (readonly [string, string])[],
  ) => (
    <select
      className="select select-xs w-auto max-w-32"
      aria-label={label}
      value={filter[key]}
      onChange={(event) => change({ [key]: event.target.value })}
    >
      <option value="">{all}</option>
      {choices.map(([value, name]) => (
        <option key={value} value={value}>
          {name}
        </option>
      ))}
    </select>
  );
  return (
    <div className="flex flex-wrap items-center gap-2 px-4 py-1.5 text-sm" role="group" aria-label="Which readings">
      <h3 className="font-semibold">Readings</h3>
      {select(
        'Position shown',
        'position',
        'every position',
        positions.map(({ id, name }) => [id, name || id]),
      )}
      {select(
        'Kind shown',
        'kind',
        'every kind',
        KIND_ORDER.map((kind) => [kind, KINDS[kind].name]),
      )}
      {select(
        'Verdict shown',
        'verdict',
        'every verdict',
        ['agrees', 'cannot tell', 'does not agree', 'does not fit'].map((one) => [one, one]),
      )}
      {(log.runs ?? []).length > 0 &&
        select(
          'Run shown',
          'run',
          'every run',
          (log.runs ?? []).map(({ id, name }) => [id, name]),
        )}
      <input
        className="input input-xs w-24"
        aria-label="Search the notes"
        placeholder="search"
        value={filter.text}
        onChange={(event) => change({ text: event.target.value })}
      />
      <input
        type="date"
        className="input input-xs w-32"
        aria-label="Since this day"
        value={filter.since}
        onChange={(event) => change({ since: event.target.value })}
      />
      <span className="muted">{count === all ? `${all}` : `${count} of ${all}`}</span>
    </div>
  );
}

function NothingLogged() {
  return (
    <div className="m-auto flex max-w-110 flex-col gap-2 p-6 text-center">
      <p>
        <strong>Nothing is logged yet.</strong>
      </p>
      <p className="muted">
        Readings are kept as taken, with the arithmetic, and compared with computed values. Choose the position, press a
        letter for what you read with, type the figures, press Enter.
      </p>
      <p className="muted">No bench at hand? The simulated one, on the left, reads this train for you.</p>
      <p className="muted text-xs">
        Wheels off the ground or the machine fixed; hands and sleeves away from what turns. Local rules and licensed
        practice come first.
      </p>
    </div>
  );
}
