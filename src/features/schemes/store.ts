import { createStore } from 'zustand';
import { keepDraft } from '@/ui/drafts';
import { firstForm, formOfSets, type SchemesForm } from './form';
import type { GivenSet } from '@/core/schemes';

/** What the Schemes screen keeps. */
export interface SchemesState {
  readonly form: SchemesForm;
  /** The scheme that is drawn, by its key; null for the best. */
  readonly chosen: string | null;
  /** Schemes that are laid side by side, by their keys. */
  readonly beside: readonly string[];
  readonly ask: (change: Partial<SchemesForm>) => void;
  readonly choose: (key: string) => void;
  readonly layBeside: (key: string) => void;
}

const MOST_BESIDE = 3;

export function createSchemes(
  from: { readonly sets: readonly GivenSet[]; readonly forward: readonly string[] } | null,
) {
  const store = createStore<SchemesState>()((set) => ({
    form: from ? formOfSets(from.sets, from.forward) : firstForm(),
    chosen: null,
    beside: [],
    ask: (change) => set((state) => ({ form: { ...state.form, ...change } })),
    choose: (key) => set({ chosen: key }),
    layBeside: (key) =>
      set(({ beside }) => ({
        beside: beside.includes(key) ? beside.filter((one) => one !== key) : [...beside, key].slice(-MOST_BESIDE),
      })),
  }));
  return { store, draft: keepDraft(store, from ? 'schemes/of a train' : 'schemes', ['form']) };
}

export type SchemesStore = ReturnType<typeof createSchemes>['store'];
