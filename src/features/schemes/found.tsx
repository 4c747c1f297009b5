'use client';

import { useMemo } from 'react';
import { toNumber } from '@/core/rational';
import { refusalSentence } from '@/core/result';
import type { SchemeResult } from '@/core/schemes';
import { figure } from '@/core/units';
import type { Column } from '@/ui/column';
import { DataTable } from '@/ui/data-table';
import type { SchemesTold } from '@/workers/beside';
import { Chosen } from './chosen';
import { useSchemes, useSchemeSearch, type SchemeSearch } from './use-schemes';
import { undominated } from './undominated';
import { WhyNone } from './why-none';

/** How far the search is, what it found, and the scheme that is looked at. */
export function Found() {
  const search = useSchemeSearch();
  const answer = answerOf(search);
  const chosen = useSchemes((state) => state.chosen);
  const beside = useSchemes((state) => state.beside);
  const choose = useSchemes((state) => state.choose);
  const results = answer?.results ?? NONE;
  const best = useMemo(() => new Set(undominated(results).map(({ key }) => key)), [results]);
  const crossings = answer?.crossings ?? NOTHING_DRAWN;
  const columns = useMemo(() => columnsOf(best, crossings), [best, crossings]);
  const shown = results.find(({ key }) => key === chosen) ?? results[0];
  const others = results.filter(({ key }) => beside.includes(key) && key !== shown?.key);
  return (
    <section aria-label="Schemes found" className="flex min-h-0 min-w-0 flex-col">
      <Progress search={search} answer={answer} />
      {search.state.kind === 'done' && results.length === 0 && search.read.ok && (
        <WhyNone question={search.read.value.question} />
      )}
      {results.length > 0 && (
        <div className="grid min-h-0 flex-1 grid-rows-[minmax(10rem,2fr)_minmax(0,3fr)] max-lg:block">
          <div className="min-h-0 overflow-auto border-b border-base-300 px-4">
            <DataTable
              label="Schemes"
              rows={results}
              columns={columns}
              beside={
                <span className="muted">★ none of the others is as good in everything and better in something</span>
              }
              keyOf={({ key }) => key}
              chosen={({ key }) => key === shown?.key}
              oneLine
              onChoose={({ key }) => choose(key)}
            />
          </div>
          <div className="flex min-h-0 gap-4 overflow-auto px-4 py-2">
            {[...(shown ? [shown] : []), ...others].map((one) => (
              <Chosen key={one.key} result={one} alone={others.length === 0} first={one === shown} />
            ))}
          </div>
        </div>
      )}
    </section>
  );
}

const NONE: readonly SchemeResult[] = [];
const NOTHING_DRAWN: SchemesTold['crossings'] = new Map();

function answerOf({ state }: SchemeSearch): SchemesTold | null {
  if (state.kind === 'done') return state.value;
  return state.kind === 'running' || state.kind === 'stopped' ? state.partial : null;
}

function Progress({ search, answer }: { search: SchemeSearch; answer: SchemesTold | null }) {
  const { state, read, stop, again } = search;
  const wrong = !read.ok ? refusalSentence(read) : state.kind === 'failed' ? state.message : null;
  if (wrong)
    return (
      <p role="alert" className="px-4 py-2 text-sm text-error">
        {wrong}
      </p>
    );
  const found = answer ? `${counted(answer.schemes)} ${answer.schemes === 1 ? 'scheme' : 'schemes'}` : '';
  // A search of free sets has looked at all ways at some places of their ranges, and goes on at others.
  const goesOn = answer !== null && answer.walked >= answer.of;
  const ways = !answer
    ? ''
    : goesOn
      ? `all ${counted(answer.of)} ways to join`
      : `${counted(answer.walked)} of ${counted(answer.of)} ways to join`;
  const between =
    answer && answer.between > 0 ? `, and ${counted(answer.between)} places between those of the ranges` : '';
  return (
    <div
      role="status"
      aria-label="The search"
      className="flex min-h-9 flex-wrap items-center gap-x-3 gap-y-1 border-b border-base-300 px-4 py-1.5 text-sm"
    >
      {state.kind === 'running' && !answer?.searched && (
        <>
          <span>Searching… {answer && `${found} so far, ${ways}${between} looked at.`}</span>
          {between === '' && !goesOn ? (
            <progress
              className="progress w-40"
              value={answer ? answer.walked / Math.max(1, answer.of) : 0}
              max={1}
              aria-label="How much of the search is behind"
            />
          ) : (
            <span className="muted">It goes on getting better until you stop it.</span>
          )}
          <button type="button" className="btn btn-xs" onClick={stop}>
            Stop
          </button>
        </>
      )}
      {state.kind === 'stopped' && (
        <>
          <span>
            <strong>Stopped</strong>:{' '}
            {answer ? `${found} so far, ${ways}${between} looked at; not proven.` : 'nothing was found yet.'}
          </span>
          <button type="button" className="btn btn-xs" onClick={again}>
            Search again
          </button>
        </>
      )}
      {answer?.searched && state.kind !== 'stopped' && (
        <span>
          <strong>{answer.proven ? 'Proven' : 'Best found, not proven'}</strong>: {found}
          {answer.proven ? `, all ${counted(answer.of)} ways to join looked at` : ''}
          {answer.schemes > answer.results.length ? `; the best ${answer.results.length} are listed.` : '.'}
        </span>
      )}
    </div>
  );
}

const counted = (count: number): string => count.toLocaleString('en').replaceAll(',', ' ');

const percent = (part: number): string => `${figure(100 * part)} %`;

function columnsOf(best: ReadonlySet<string>, crossings: SchemesTold['crossings']): readonly Column<SchemeResult>[] {
  return [
    {
      head: 'Ratios, in/out',
      value: ({ figures }) => figures.forward.map((ratio) => figure(toNumber(ratio))).join(' · '),
      cell: ({ key, figures }) => (
        <>
          {figures.forward.map((ratio) => figure(toNumber(ratio))).join(' · ')}
          {best.has(key) && <span title="None of the others is as good in everything and better in something"> ★</span>}
        </>
      ),
    },
    {
      head: 'Off by',
      numeric: true,
      value: ({ figures }) => figures.worst,
      cell: ({ figures }) => percent(figures.worst),
    },
    {
      head: 'One off, one on',
      value: ({ found }) => (found.selection.single ? 'yes' : 'no'),
    },
    {
      head: 'Brakes + clutches',
      value: ({ found }) => countsOf(found.selection.elements.map(({ type }) => type)),
    },
    {
      head: 'Open',
      title: 'Elements that drag, in each position',
      numeric: true,
      less: true,
      value: ({ figures }) => figures.open,
    },
    {
      head: 'Fastest member',
      title: 'Turns for one of the input',
      numeric: true,
      value: ({ figures }) => figures.fastestMember,
      cell: ({ figures }) => figure(figures.fastestMember),
    },
    {
      head: 'Fastest planet',
      title: 'On its pin, turns for one of the input',
      numeric: true,
      value: ({ figures }) => figures.fastestPlanet,
      cell: ({ figures }) => figure(figures.fastestPlanet),
    },
    {
      head: 'Element torque',
      title: 'The largest, for one at the input',
      numeric: true,
      value: ({ figures }) => figures.elementTorque,
      cell: ({ figures }) => figure(figures.elementTorque),
    },
    {
      head: 'Circling power',
      numeric: true,
      value: ({ figures }) => figures.recirculation,
      cell: ({ figures }) => percent(figures.recirculation),
    },
    {
      head: 'Least efficiency',
      numeric: true,
      value: ({ figures }) => figures.efficiency?.[0] ?? null,
      cell: ({ figures }) => (figures.efficiency ? percent(figures.efficiency[0]) : '—'),
    },
    {
      head: 'Reverse',
      numeric: true,
      value: ({ figures }) => (figures.reverse ? toNumber(figures.reverse) : null),
      cell: ({ figures }) => (figures.reverse ? figure(toNumber(figures.reverse)) : '—'),
    },
    {
      head: 'Crossings',
      title: 'Of its drawing: with none it nests. Known once it has been drawn',
      numeric: true,
      value: ({ key }) => crossings.get(key) ?? null,
      cell: ({ key }) => (crossings.has(key) ? (crossings.get(key) ?? '—') : '…'),
    },
    {
      head: 'Further ratios',
      less: true,
      title: 'Forward, for nothing',
      value: ({ figures }) => figures.others.map((ratio) => figure(toNumber(ratio))).join(' · '),
    },
    {
      head: 'Spread',
      numeric: true,
      value: ({ figures }) => figures.spread,
      cell: ({ figures }) => figure(figures.spread),
      less: true,
    },
    { head: 'Sets', value: ({ sets }) => sets.map(({ sun, ring }) => `${sun}/${ring}`).join(' · '), less: true },
  ];
}

const countsOf = (types: readonly string[]): string =>
  `${types.filter((type) => type === 'brake').length} + ${types.filter((type) => type === 'clutch').length}`;
