import { createStore } from 'zustand';
import type { StepSchool } from '@/core/gear-chart';
import type { Train } from '@/core/train';
import type { Own, Session } from '@/features/train/session';
import { keepDraft, type Draft } from '@/ui/drafts';
import { NO_FILTER, type FilterText } from './panel/combinations/filter-text';

/** The chart as rows, as a grid of groups, or as the clicks of its selectors. */
export type ChartView = 'rows' | 'grid' | 'clicks';

export type ChartTab =
  'pictures' | 'members' | 'shifts' | 'stages' | 'lines' | 'influence' | 'combinations' | 'compare';

/**
 * Two positions between which a shift is looked at; an end that is left open follows the position that is chosen, and
 * the next.
 */
export interface PositionPair {
  readonly from: string | null;
  readonly to: string | null;
}

/** What the chart is compared with: itself with other counts, another train, or a kept state of this one. */
export type Against =
  | { readonly kind: 'itself' }
  | { readonly kind: 'train' | 'revision'; readonly name: string; readonly key: string; readonly train: Train };

/** What the Chart keeps of its own while the train is open in this window. */
export interface ChartState {
  readonly view: ChartView;
  readonly tab: ChartTab;
  readonly school: StepSchool;
  /** Of the progressive school, as typed; empty for the one that fits best. */
  readonly factorText: string;
  /** Input speed at which the pictures shift, as typed; empty for the speed that is put in. */
  readonly shiftSpeedText: string;
  readonly pair: PositionPair;
  /** A gear that is given so many teeth more, to see what comes of it. */
  readonly more: { readonly gear: string; readonly by: number } | null;
  readonly against: Against;
  /** Counts that are tried on the other side, by gear; nothing of it is saved. */
  readonly whatIf: Readonly<Record<string, number>>;
  /** Which combinations are shown, as typed. */
  readonly combinations: FilterText;
  /** All of it is a person's choice of what to look at; nothing here comes from anywhere else. */
  readonly set: (change: Partial<Omit<ChartState, 'set'>>) => void;
}

export interface ChartItself extends Own {
  readonly draft: Draft;
  readonly store: ReturnType<typeof createChartStore>;
}

/** Made once for a session; see ownOf. */
export const createChart = (session: Session): ChartItself => {
  const store = createChartStore();
  const draft = keepDraft(store, `chart/${session.id}`, KEPT);
  draft.restore();
  return { store, draft, leave: draft.flush };
};

const KEPT = ['view', 'tab', 'school', 'factorText', 'shiftSpeedText', 'pair', 'whatIf', 'combinations'] as const;

const createChartStore = () =>
  createStore<ChartState>()((set) => ({
    view: 'rows',
    tab: 'pictures',
    school: 'even',
    factorText: '',
    shiftSpeedText: '',
    pair: { from: null, to: null },
    more: null,
    against: { kind: 'itself' },
    whatIf: {},
    combinations: NO_FILTER,
    set,
  }));
