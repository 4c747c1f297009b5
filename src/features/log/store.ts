import { createStore } from 'zustand';
import type { Reading } from '@/core/measurement';
import type { Train } from '@/core/train';
import { createTrainLog, type TrainLog } from '@/features/train/log/train-log';
import { ownOf, type Own, type Session } from '@/features/train/session';
import { keepDraft, type Draft } from '@/ui/drafts';
import { emptyFigures, type ReadingDraft, type ReadingKind } from './kinds';

export type Side = 'reading' | 'efficiency' | 'faults';

/** How a position was seen, for the fault finder. */
export type Look = 'ok' | 'neutral' | 'locked' | 'ratio';
export interface Sight {
  readonly look: Look;
  /** Bounds of a ratio, as typed. */
  readonly least: string;
  readonly most: string;
}

/** An engagement of one's own that was tried. */
export interface TriedEngagement {
  readonly engaged: readonly string[];
  readonly sight: Sight;
}

/** Which readings are shown. */
export interface Filter {
  readonly position: string;
  readonly kind: ReadingKind | '';
  readonly run: string;
  readonly verdict: string;
  readonly text: string;
  /** The first day that is shown, as a date field has it. */
  readonly since: string;
}

/** A reading that is being corrected: it stays what it was but for what is changed. */
export interface Correction {
  readonly of: string;
  /** Where it was read, until another position is chosen for it; undefined where it says none. */
  readonly placed: Placed | undefined;
  /** When, in which run and revision it was read, its picture, and whether a person read it. */
  readonly rest: Partial<Pick<Reading, 'at' | 'run' | 'revision' | 'picture' | 'simulated'>>;
  /** Figures of its kind that the form has no field for. */
  readonly beyondForm: { readonly kind: ReadingKind; readonly figures: Readonly<Record<string, unknown>> };
}

/** Where a reading is taken: a position, or what is engaged, and whether the load pushes. */
export interface Placed {
  readonly position: string | null;
  readonly engaged: readonly string[];
  readonly flow?: 'coast';
}

/** What the Log screen keeps. */
export interface LogState {
  readonly draft: ReadingDraft;
  readonly run: string | null;
  readonly filter: Filter;
  readonly chosen: string | null;
  readonly correcting: Correction | null;
  readonly side: Side;
  readonly sights: Readonly<Record<string, Sight>>;
  readonly tried: readonly TriedEngagement[];
  /** All of it is typed or chosen by a person; entries themselves are in the train's log. */
  readonly set: (change: Partial<Omit<LogState, 'set'>>) => void;
}

export interface LogItself extends Own {
  readonly store: ReturnType<typeof createLogStore>;
  readonly log: TrainLog;
  readonly draft: Draft;
}

/** Made once for a session, see ownOf. */
export const createLog = (session: Session): LogItself => {
  const store = createLogStore(session.store.getState().train);
  const draft = keepDraft(store, `log/${session.id}`, ['draft', 'run', 'filter', 'side', 'sights', 'tried']);
  draft.restore();
  return { store, draft, log: ownOf(session, createTrainLog), leave: draft.flush };
};

const createLogStore = ({ outputs, meshes, gears, members }: Train) =>
  createStore<LogState>()((set) => ({
    draft: {
      kind: 'marks',
      figures: emptyFigures('marks'),
      member: outputs[0] ?? members[0]?.id ?? '',
      mesh: meshes[0]?.id ?? '',
      gear: gears[0]?.id ?? '',
      part: members[0]?.id ?? '',
      what: '',
      note: '',
      loaded: false,
      way: '',
    },
    run: null,
    filter: { position: '', kind: '', run: '', verdict: '', text: '', since: '' },
    chosen: null,
    correcting: null,
    side: 'reading',
    sights: {},
    tried: [],
    set,
  }));
