'use client';

import { useContext, useSyncExternalStore } from 'react';
import { abs, type Rational } from '@/core/rational';
import { explainedOf } from '@/features/train/analysis';
import { SessionContext } from '@/features/train/use-train';

/** The size of the ratio that the open train gives in the position that is chosen; null where there is none. */
export function usePresentRatio(): Rational | null {
  const session = useContext(SessionContext);
  const now = () => (session ? explainedOf(session.store.getState()).solved.ratio : null);
  const ratio = useSyncExternalStore(session ? session.store.subscribe : never, now, () => null);
  return ratio && abs(ratio);
}

const never = () => () => undefined;
