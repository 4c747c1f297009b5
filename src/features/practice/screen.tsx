'use client';

import { useMemo } from 'react';
import { Notice } from '@/features/train/notice';
import { ownOf, type Session } from '@/features/train/session';
import { useSession, useTrain } from '@/features/train/use-train';
import { Practice } from './practice';
import { createPractice } from './store';
import { PracticeContext } from './use-practice';

const createHere = (_: Session) => createPractice(true);

/** Practice beside the train that is open. */
export function Screen() {
  const session = useSession();
  const train = useTrain((state) => state.train);
  const practice = useMemo(
    () => ({ itself: ownOf(session, createHere), here: { id: session.id, train } }),
    [session, train],
  );
  return (
    <PracticeContext value={practice}>
      <Practice />
      <Notice />
    </PracticeContext>
  );
}
