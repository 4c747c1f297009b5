'use client';

import { explainedOf, type Explained } from './analysis';
import { useLoads } from './input/loads';
import { useTrain } from './use-train';

/** What is engaged now, solved and explained, with the loads in force. */
export function useExplained(): Explained {
  const loads = useLoads();
  return useTrain((state) => explainedOf(state, loads));
}
