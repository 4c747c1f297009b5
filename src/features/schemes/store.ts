import { createStore } from 'zustand';
import { keepDraft } from '@/ui/drafts';
import { firstForm, formOfSets, type SchemesForm } from './form';
import type { AskedInAddress } from '@/features/train/scheme-address';

/** What the Schemes screen keeps. */
export interface SchemesState {
  /** The train whose sets are asked about, on the shelf; null where they are nobody’s. */
  readonly train: string | null;
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

export function createSchemes(from: AskedInAddress | null) {
  const store = createStore<SchemesState>()((set) => ({
    train: from?.train ?? null,
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
