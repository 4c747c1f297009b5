'use client';

import { Asked } from './asked/asked';
import { Found } from './found/found';
import { Progress } from './found/progress';
import { StageQuestion } from './stage-question';
import { useForm, useSearching, useTeeth } from './use-teeth';

/** Left what is asked; right first how many stages, then what is found, as it is found. */
export function Teeth() {
  const { kind } = useForm();
  const shown = useTeeth((state) => state.shown);
  const searching = useSearching();
  return (
    <main className="relative flex min-h-0 flex-1 flex-col lg:flex-row">
      <h2 className="sr-only">Tooth counts</h2>
      <div className="shrink-0 overflow-auto lg:w-78 lg:border-r lg:border-base-content" tabIndex={-1}>
        <Asked />
      </div>
      <div className="flex min-h-0 min-w-0 flex-1 flex-col">
        {kind === 'chains' && <StageQuestion />}
        <Progress searching={searching} shown={shown} />
        <Found state={searching.state} />
      </div>
    </main>
  );
}
