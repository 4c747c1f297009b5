'use client';

import { useMemo } from 'react';
import { Notice } from '@/features/train/notice';
import { ownOf, type Session } from '@/features/train/session';
import { useSession, useTrain } from '@/features/train/use-train';
import { PracticePane } from './practice';
import { createPractice } from './open-practice';
import { PracticeContext } from './use-practice';

function createHere({ id }: Session) {
  const practice = createPractice(id);
  practice.draft.restore();
  return practice;
}

/** Practice beside the train that is open. */
export function PracticeScreen() {
  const session = useSession();
  const train = useTrain((state) => state.train);
  const practice = useMemo(
    () => ({ itself: ownOf(session, createHere), here: { id: session.id, train } }),
    [session, train],
  );
  return (
    <PracticeContext value={practice}>
      <PracticePane />
      <Notice />
    </PracticeContext>
  );
}
