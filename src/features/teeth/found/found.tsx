import clsx from 'clsx';
import { useEffect, useMemo, useState } from 'react';
import type { Chain, SearchResult, WaysToRatio } from '@/core/tooth-search';
import { itemAt } from '@/core/required';
import { onDemand, whenIdle } from '@/ui/on-demand';
import { warm } from '@/workers/beside';
import { isSameKey } from '@/workers/job-runner';
import { useJob, type JobStateOf } from '@/workers/use-job';
import type { ShownAnswer } from '../store';
import { useTeeth } from '../use-teeth';
import { ChosenResult } from './chosen';
import { filtered, readFilter, withChain, type FilterText } from './filter';
import { FilterBar } from './filter-bar';
import { ResultsTable } from './results-table';

const ErrorPicture = onDemand(async () => (await import('./error-picture')).ErrorPicture);

interface Props {
  readonly state: JobStateOf<'teeth'> | null;
}

/** What was found so far: as a table, as a picture, and the chosen one drawn. */
export function FoundPane({ state: searching }: Props) {
  const shown = useTeeth((state) => state.shown);
  const isOwn = searching !== null && 'key' in searching && shown !== null && isSameKey(searching.key, shown.key);
  useEffect(() => whenIdle([ErrorPicture.load, async () => warm()]), []);
  if (!shown || shown.answer.findings.length === 0) return null;
  // What no longer answers what is asked is greyed; what is typed wrongly is said above it and at its field.
  return (
    <div className={clsx('flex min-h-0 flex-1 flex-col max-xl:overflow-auto xl:flex-row', !isOwn && 'opacity-50')}>
      <FoundResults shown={shown} done={isOwn && searching.kind === 'done'} />
    </div>
  );
}

function FoundResults({ shown, done }: { shown: ShownAnswer; done: boolean }) {
  const { question, train, answer } = shown;
  const chosenKey = useTeeth((state) => state.chosen);
  const choose = useTeeth((state) => state.choose);
  const typed = useTeeth((state) => state.filter);
  const filterBy = useTeeth((state) => state.filterBy);
  const [way, setWay] = useState<{ readonly of: SearchResult; readonly chain: Chain } | null>(null);
  const filter = useFilter(typed);
  const first = answer.findings.find(({ key }) => key === chosenKey) ?? itemAt(answer.findings, 0);
  const ways = useWays(shown, first, done);
  const results = useMemo(() => filtered(answer.findings, filter, ways), [answer, filter, ways]);
  const checks = useMemo(() => checksOfOwn(answer, results), [answer, results]);
  const chosen = results.find(({ key }) => key === chosenKey) ?? results[0] ?? null;
  const drawn = useMemo(
    () => (chosen && way?.of.key === chosen.key ? withChain(chosen, way.chain) : chosen),
    [chosen, way],
  );
  return (
    <>
      <div className="min-w-0 flex-1 overflow-auto px-4 contain-content max-xl:max-h-96 max-xl:min-h-72" tabIndex={-1}>
        <ResultsTable
          question={question}
          train={train}
          findings={results}
          checks={checks}
          beside={
            <FilterBar
              filter={typed}
              shown={results.length}
              of={answer.findings.length}
              fit={question.kind === 'fit'}
              onChange={filterBy}
            />
          }
          chosen={chosen?.key ?? null}
          onChoose={choose}
        />
        {results.length === 0 && (
          <p className="muted py-2 text-sm">
            None of the {answer.findings.length} results passes. Take a tick away, or set the same limit at the left:
            then it is searched with it.
          </p>
        )}
      </div>
      {chosen && drawn && (
        <div className="shrink-0 overflow-auto border-base-content xl:w-96 xl:border-l">
          <div className="px-2 pt-1">
            <ErrorPicture.Shown findings={results} chosen={chosen.key} onChoose={choose} />
          </div>
          <ChosenResult
            question={question}
            train={train}
            finding={drawn}
            checks={drawn === chosen ? checks.get(chosen.key) : undefined}
            ways={ways.get(chosen.key)}
            filter={filter}
            onWay={(chain) => setWay({ of: chosen, chain })}
          />
        </div>
      )}
    </>
  );
}

/** What the checks say of the results as they were found, not of other chains of the same ratio. */
function checksOfOwn({ findings, checks }: ShownAnswer['answer'], results: readonly SearchResult[]) {
  const found = new Set(findings);
  return new Map(
    results.flatMap((result) => {
      const own = found.has(result) ? checks?.get(result.key) : undefined;
      return own ? [[result.key, own] as const] : [];
    }),
  );
}

/** The filter that is typed; what does not read leaves the limit away. */
function useFilter(typed: FilterText) {
  return useMemo(() => readFilter(typed) ?? { ...typed, largest: null }, [typed]);
}

/** Of so many stages the ways of every result are soon found; of more only those of the chosen one. */
const SOON = 2;

/** Every way to make the ratios that were found, worked out beside the page once the search is done. */
function useWays({ question, answer, key }: ShownAnswer, chosen: SearchResult, done: boolean) {
  const stages = question.kind === 'chains' ? Math.max(...question.stages) : 0;
  const input = useMemo(() => {
    if (!done || question.kind !== 'chains') return null;
    const of = (stages <= SOON ? answer.findings : [chosen]).flatMap(({ key: one, made, ratios: [ratio] }) =>
      made.kind === 'chain' && ratio ? [{ key: one, chain: made.chain, ratio: ratio.ratio }] : [],
    );
    return { question: question.question, of };
  }, [done, question, answer, chosen, stages]);
  const { state } = useJob('ways', input, [...key, done, stages <= SOON ? null : chosen.key]);
  return state.kind === 'done' ? state.value : NO_WAYS;
}

const NO_WAYS: ReadonlyMap<string, WaysToRatio> = new Map();
