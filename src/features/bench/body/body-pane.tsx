'use client';

import { useEffect } from 'react';
import { touchingFindings } from '@/core/checks';
import { refusalText } from '@/core/result';
import { knownDrafts } from '@/features/train/side-views';
import { useTrain } from '@/features/train/use-train';
import { onDemand } from '@/ui/on-demand';
import { useJob } from '@/workers/use-job';
import { useBench, useBenchItself, useDrawing } from '../use-bench';

const BodyStage = onDemand(async () => (await import('./body-stage')).BodyStage);

/** The train as a body: sawn open, turned by the same crank. It is made while what draws it is being loaded. */
export function BodyPane() {
  const train = useTrain((state) => state.train);
  const drawn = useDrawing();
  const order = drawn.ok ? drawn.view.order : null;
  const job = useJob('body', order && { train, order, drafts: knownDrafts() }, [train, order]);
  const answer = job.state.kind === 'done' ? job.state.value : null;
  const made = answer?.ok ? answer.value : null;
  // Until there is one of the train as it is now, the last one stands in.
  const { store } = useBenchItself();
  useEffect(() => {
    if (made) store.getState().keepBody({ train, body: made, findings: touchingFindings(train, made) });
  }, [store, train, made]);
  const last = useBench((now) => now.body);
  const why = !drawn.ok ? drawn.why : answer?.ok === false ? refusalText(answer) : null;
  return <BodyStage.Shown job={job} order={order} made={made} body={made ?? last?.body ?? null} why={why} />;
}
