import { createStore } from 'zustand';
import type { TrainBody } from '@/core/body';
import type { Finding } from '@/core/checks';
import type { PartRef, Train } from '@/core/train';
import { NOTHING_TURNED, turnFurther, type TurnedTrain } from '@/core/turning';
import { speedsOf } from '@/features/train/analysis';
import type { Own, Session } from '@/features/train/session';
import type { ShownView } from '@/features/train/side-views';
import type { TrainState, TrainStore } from '@/features/train/store';
import { keepRows, recallRows, type Drafts } from './build/table/kept-rows';
import { CrankClock } from './crank/crank-clock';

/** What the Bench keeps of its own: how far the train is turned, and what of it is looked at. */
export interface BenchState {
  readonly turned: TurnedTrain;
  /** Which cut the end view shows. */
  readonly station: number;
  /** Gears with a painted tooth. */
  readonly marks: readonly string[];
  /** The part whose card is open; one that is gone has none. */
  readonly editing: PartRef | null;
  /** Whether its card opened with the question of removing it. */
  readonly removing: boolean;
  /** The side view that stands in until there is one of this document. */
  readonly shown: ShownView | null;
  /** The train's body, once it has been made. */
  readonly body: MadeBody | null;
  /** What stands below the side view to build with, in place of the end view and the crank. */
  readonly building: Building | null;
  /** Rows of the parts tables that are not whole yet. */
  readonly drafts: Drafts;
  /** Turns what is turned further, or puts it back. */
  readonly turnTo: (turned: TurnedTrain) => void;
  readonly lookAt: (station: number) => void;
  readonly mark: (gears: readonly string[]) => void;
  /** Opens the card of a part, or closes whichever is open. */
  readonly openCard: (part: PartRef | null, asking?: { readonly removing: boolean }) => void;
  readonly show: (shown: ShownView) => void;
  readonly keepBody: (body: MadeBody) => void;
  readonly build: (building: Building | null) => void;
  readonly keepDrafts: (drafts: Drafts) => void;
}

/** What a body says of the train that it was made of. */
export interface MadeBody {
  readonly train: Train;
  readonly body: TrainBody;
  readonly findings: readonly Finding[];
}

/** Its parts as tables, or the train in writing. */
export type Building = 'table' | 'text';

export type BenchStore = ReturnType<typeof createBenchStore>;

/** The Bench of a train that is open in this window. */
export interface Bench extends Own {
  readonly train: TrainStore;
  readonly store: BenchStore;
  readonly crank: CrankClock;
}

/** Made once for a session; see ownOf. */
export function createBench({ store: train }: Session): Bench {
  const store = createBenchStore(train.getState());
  const crank = createCrank(train, store);
  return { train, store, crank, leave: () => crank.stop() };
}

function createBenchStore({ id, train }: TrainState) {
  const [marked] = train.gears.filter((gear) => gear.member === train.input);
  return createStore<BenchState>()((set) => ({
    turned: NOTHING_TURNED,
    station: 0,
    marks: marked ? [marked.id] : [],
    editing: null,
    removing: false,
    shown: null,
    body: null,
    building: null,
    drafts: recallRows(id),
    turnTo: (turned) => set({ turned }),
    lookAt: (station) => set({ station }),
    mark: (gears) => set({ marks: gears }),
    openCard: (part, { removing } = { removing: false }) => set({ editing: part, removing }),
    show: (view) => set({ shown: view }),
    keepBody: (body) => set({ body }),
    build: (building) => set({ building }),
    keepDrafts: (drafts) => {
      keepRows(id, drafts);
      set({ drafts });
    },
  }));
}

/** The clock that turns the crank; what it has turned is counted with the speeds that held while it turned. */
function createCrank(train: TrainStore, { getState }: BenchStore): CrankClock {
  const count = (state: TrainState, by: Parameters<typeof turnFurther>[2]) =>
    getState().turnTo(turnFurther(getState().turned, speedsOf(state), by));
  const clock = new CrankClock((by) => count(train.getState(), by));
  train.subscribe((state, before) => {
    if (
      state.train === before.train &&
      state.choice === before.choice &&
      state.flow === before.flow &&
      state.losses === before.losses
    )
      return;
    if (speedsOf(state) !== speedsOf(before)) clock.countUp((by) => count(before, by));
  });
  return clock;
}
