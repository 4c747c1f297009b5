import clsx from 'clsx';
import { useEffect, useMemo, useState } from 'react';
import type { Chain, SearchResult } from '@/core/tooth-search';
import { onDemand, whenIdle } from '@/ui/on-demand';
import { warm } from '@/workers/beside';
import { isSameKey } from '@/workers/job-runner';
import type { JobStateOf } from '@/workers/use-job';
import { useTeeth } from '../use-teeth';
import { ChosenResult } from './chosen';
import { ResultsTable } from './results-table';

const ErrorPicture = onDemand(async () => (await import('./error-picture')).ErrorPicture);

/** What was found so far: as a table, as a picture, and the chosen one drawn. */
export function FoundPane({ state: searching }: { state: JobStateOf<'teeth'> | null }) {
  const shown = useTeeth((state) => state.shown);
  const isOwn = searching !== null && 'key' in searching && shown !== null && isSameKey(searching.key, shown.key);
  const chosenKey = useTeeth((state) => state.chosen);
  const choose = useTeeth((state) => state.choose);
  const [pairing, setPairing] = useState<{ readonly of: SearchResult; readonly chain: Chain } | null>(null);
  useEffect(() => whenIdle([ErrorPicture.load, async () => warm()]), []);
  const findings = shown?.answer.findings ?? NONE;
  const chosen = findings.find(({ key }) => key === chosenKey) ?? findings[0] ?? null;
  const drawn = useMemo<SearchResult | null>(
    () => (chosen && pairing?.of === chosen ? { ...chosen, made: { kind: 'chain', chain: pairing.chain } } : chosen),
    [chosen, pairing],
  );
  if (!shown || !drawn || !chosen) return null;
  const { question, train, answer } = shown;
  return (
    <div className={clsx('flex min-h-0 flex-1 flex-col max-xl:overflow-auto xl:flex-row', !isOwn && 'opacity-50')}>
      <div className="min-w-0 flex-1 overflow-auto px-4 contain-content max-xl:max-h-96 max-xl:min-h-72" tabIndex={-1}>
        <ResultsTable
          question={question}
          train={train}
          findings={findings}
          checks={answer.checks}
          chosen={chosen.key}
          onChoose={choose}
        />
      </div>
      <div className="shrink-0 overflow-auto border-base-content xl:w-96 xl:border-l">
        <div className="px-2 pt-1">
          <ErrorPicture.Shown findings={findings} chosen={chosen.key} onChoose={choose} />
        </div>
        <ChosenResult
          question={question}
          train={train}
          finding={drawn}
          checks={answer.checks?.get(chosen.key)}
          onPairing={(chain) => setPairing({ of: chosen, chain })}
        />
      </div>
    </div>
  );
}

const NONE: readonly SearchResult[] = [];
