import { createStore } from 'zustand';
import { SECTIONS, type SectionKey, type SheetAsked } from '@/core/sheet';
import type { Own, Session } from '@/features/train/session';
import { keepDraft, type Draft } from '@/ui/drafts';
import { jobRunner, type Runner } from '@/workers/beside';
import type { Unkept } from './shapes/kept-shape';

export type SheetTab = 'paper' | 'parts' | 'shapes';

/** What the Sheet screen keeps. */
export interface SheetState {
  readonly tab: SheetTab;
  readonly sections: readonly SectionKey[];
  readonly style: SheetAsked['style'];
  readonly paper: 'A4' | 'Letter';
  readonly by: string;
  readonly revision: string;
  /** Stations that are left off. */
  readonly without: readonly string[];
  readonly gear: string | null;
  /** What is typed at wheels and not in the document, by gear. */
  readonly unkept: Readonly<Record<string, Unkept>>;
  /** All of it is a person's choice; nothing here comes from anywhere else. */
  readonly set: (change: Partial<Omit<SheetState, 'set'>>) => void;
}

export interface SheetItself extends Own {
  readonly store: ReturnType<typeof createSheetStore>;
  readonly draft: Draft;
  readonly solid: Runner<'solid'>;
  readonly shapes: Runner<'shapes'>;
}

/** Made once for a session, see ownOf. */
export const createSheet = (session: Session): SheetItself => {
  const store = createSheetStore();
  const draft = keepDraft(store, `sheet/${session.id}`, KEPT);
  draft.restore();
  const [solid, shapes] = [jobRunner('solid'), jobRunner('shapes')];
  const leave = () => {
    draft.flush();
    solid.leave();
    shapes.leave();
  };
  return { store, draft, solid, shapes, leave };
};

const KEPT = ['tab', 'sections', 'style', 'paper', 'by', 'revision', 'without', 'gear', 'unkept'] as const;

const createSheetStore = () =>
  createStore<SheetState>()((set) => ({
    tab: 'paper',
    sections: (Object.keys(SECTIONS) as SectionKey[]).filter((key) => key !== 'working' && key !== 'figures'),
    style: 'sheet',
    paper: 'A4',
    by: '',
    revision: '',
    without: [],
    gear: null,
    unkept: {},
    set,
  }));
