'use client';

import { useMemo } from 'react';
import { Notice } from '@/features/train/notice';
import { ownOf } from '@/features/train/session';
import { useSession, useTrain } from '@/features/train/use-train';
import { createTeeth } from './store';
import { TeethPane } from './teeth';
import { TeethContext } from './use-teeth';

/** Tooth counts for a wanted ratio, beside the train that is open. */
export function TeethOfTrain() {
  const session = useSession();
  const train = useTrain((state) => state.train);
  const teeth = useMemo(() => ({ itself: ownOf(session, createTeeth), train }), [session, train]);
  return (
    <TeethContext value={teeth}>
      <TeethPane />
      <Notice />
    </TeethContext>
  );
}
