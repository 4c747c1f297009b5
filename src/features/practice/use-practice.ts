'use client';

import { createContext, useContext } from 'react';
import { useStore } from 'zustand';
import type { Train } from '@/core/train';
import type { PracticeState } from './store';
import type { PracticeItself } from './open-practice';

/** The train that is open, where Practice stands beside one. */
export interface Here {
  readonly id: string;
  readonly train: Train;
}

export const PracticeContext = createContext<{ readonly itself: PracticeItself; readonly here: Here | null } | null>(
  null,
);

function useContextItself() {
  const practice = useContext(PracticeContext);
  if (!practice) throw new Error('Practice is not open.');
  return practice;
}

export const usePracticeItself = (): PracticeItself => useContextItself().itself;
export const useHere = (): Here | null => useContextItself().here;
export const usePractice = <T>(select: (state: PracticeState) => T): T => useStore(usePracticeItself().store, select);
