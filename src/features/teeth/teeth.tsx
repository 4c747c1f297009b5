'use client';

import { AskedPane } from './asked/asked';
import { FoundPane } from './found/found';
import { SearchProgress } from './found/progress';
import { StageQuestion } from './stage-question';
import { useTeethForm, useSearching, useTeeth } from './use-teeth';

/** Left what is asked; right first how many stages, then what is found, as it is found. */
export function TeethPane() {
  const { kind } = useTeethForm();
  const shown = useTeeth((state) => state.shown);
  const searching = useSearching();
  return (
    <main className="relative flex min-h-0 flex-1 flex-col lg:flex-row">
      <h2 className="sr-only">Tooth counts</h2>
      <div className="shrink-0 overflow-auto lg:w-78 lg:border-r lg:border-base-content" tabIndex={-1}>
        <AskedPane />
      </div>
      <div className="flex min-h-0 min-w-0 flex-1 flex-col">
        {kind === 'chains' && <StageQuestion />}
        <SearchProgress searching={searching} shown={shown} />
        <FoundPane state={searching.state} />
      </div>
    </main>
  );
}
