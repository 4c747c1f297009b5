'use client';

import { createContext, useContext, useMemo } from 'react';
import { useStore } from 'zustand';
import { messageAt } from '@/ui/form/fields';
import { useSettled } from '@/ui/settled';
import { useJob } from '@/workers/use-job';
import { readForm } from './form';
import type { SchemesState, SchemesStore } from './store';

export const SchemesContext = createContext<SchemesStore | null>(null);

function useSchemesStore(): SchemesStore {
  const store = useContext(SchemesContext);
  if (!store) throw new Error('The Schemes screen is not open.');
  return store;
}

export const useSchemes = <T>(select: (state: SchemesState) => T): T => useStore(useSchemesStore(), select);

/** What is wrong at a place of the search file, as a sentence; null where nothing is. */
export function useProblemAt(): (place: string) => string | null {
  const form = useSchemes((state) => state.form);
  const read = useMemo(() => readForm(form), [form]);
  return (place) => messageAt(read, place);
}

/** What is asked, once it has settled, and the search for it. */
export function useSchemeSearch() {
  const form = useSettled(useSchemes((state) => state.form));
  const read = useMemo(() => readForm(form), [form]);
  const input = useMemo(() => (read.ok ? { question: read.value.question } : null), [read]);
  const key = useMemo(() => [form] as const, [form]);
  return { read, ...useJob('schemes', input, key) };
}

export type SchemeSearch = ReturnType<typeof useSchemeSearch>;
