import {
  chartOf,
  singleChanges,
  tabulateCombinations,
  type CombinationTable,
  type SingleChanges,
} from '@/core/gear-chart';
import { bodyGlb, bodyOf, bodyStlZip, motionOf, type TrainBody } from '@/core/body';
import { networkOf } from '@/core/kinematics';
import { Drafts, drawSideView, type DraftsData, type DrawingSpace } from '@/core/drawing';
import {
  checksOf,
  search,
  waysLike,
  type Chain,
  type SearchAnswer,
  type SearchQuestion,
  type WaysToRatio,
} from '@/core/tooth-search';
import {
  behavioursOf,
  nextTestFor,
  outcomeKey,
  suspectsFor,
  type Fault,
  type Seen,
  type Suspected,
} from '@/core/faults';
import { bestHunt, faultHunt, huntStanding, type Hunt, type HuntStanding } from '@/core/practice';
import { toNumber, type Rational } from '@/core/rational';
import { shapesZip, shapeStl, type PieceAsked, type ShapeAsked } from './shapes';
import type { WheelSpec } from '@/core/shapes';
import { runScenario, type Run, type Scenario, type Traces } from '@/core/shifting';
import {
  crossingsOf,
  searchSchemes,
  whyNone,
  type Relaxed,
  type SchemeAnswer,
  type SchemeQuestion,
} from '@/core/schemes';
import { accept, type Result } from '@/core/result';
import type { Train } from '@/core/train';

/** What is found is told so often, the first of it sooner than a person looks for it. */
const TELL_MS = 300;
const FIRST_TELL_MS = 40;

/** Says whether so much time has passed since it last said yes. */
function dueEvery(everyMs: number, firstMs: number): () => boolean {
  let next = performance.now() + firstMs;
  return () => {
    if (performance.now() < next) return false;
    next = performance.now() + everyMs;
    return true;
  };
}

/** What is worked out beside the page: from plain data to plain data. */
export const JOBS = {
  /** What is dear in a train's side view, found with so much effort. */
  draft({
    train,
    space,
    effort,
  }: {
    readonly train: Train;
    readonly space: DrawingSpace;
    readonly effort: number;
  }): DraftsData {
    const drafts = new Drafts();
    drawSideView(train, space, { drafts, effort });
    return drafts.data();
  },

  /** Every combination of a train's couplers; told on the way as far as they are found. */
  combinations({ train }: { readonly train: Train }, tell: (table: CombinationTable) => void): CombinationTable {
    return tabulateCombinations(networkOf(train), tell, dueEvery(TELL_MS, FIRST_TELL_MS));
  },

  /** Combinations of the positions' own ratios with as few hard shifts as can be. */
  singles({ train }: { readonly train: Train }): SingleChanges | null {
    const driving = chartOf(train).rows.filter(({ solved }) => solved.ratio !== null);
    return singleChanges(train, driving, tabulateCombinations(networkOf(train)));
  },

  /**
   * Tooth counts for what is wanted; told on the way as far as they are found, and at the end with what the checks say
   * of each.
   */
  teeth(
    { question, train }: { readonly question: SearchQuestion; readonly train: Train | null },
    tell: (answer: SearchAnswer) => void,
  ): SearchAnswer & { readonly checks: ReadonlyMap<string, readonly string[]> } {
    const start = performance.now();
    const answer = search(question, train, { tell, elapsedMs: () => performance.now() - start });
    const checks = new Map(answer.findings.map((finding) => [finding.key, checksOf(question, finding, train)]));
    return { ...answer, checks };
  },

  /** Every way to make the ratios of these chains, by their keys. */
  ways({ question, of }: WaysAsked): ReadonlyMap<string, WaysToRatio> {
    return new Map(of.map(({ key, chain, ratio }) => [key, waysLike(chain, ratio, question)]));
  },

  /** Schemes that give what is wished, told on the way as far as they are found; then whether they nest. */
  schemes({ question }: { readonly question: SchemeQuestion }, tell: (answer: SchemesTold) => void): SchemesTold {
    const crossings = new Map<string, number | null>();
    const drawn = () => new Map(crossings);
    const answer = searchSchemes(question, {
      goesOn: true,
      tell: (so) => {
        // While it goes on between the places of ranges, what it has is drawn one after the other.
        const next = so.between > 0 && so.results.find(({ key }) => !crossings.has(key));
        if (next) crossings.set(next.key, crossingsOf(next.train));
        tell({ ...so, searched: false, crossings: drawn() });
      },
      due: dueEvery(TELL_MS, FIRST_TELL_MS),
      over: () => false,
    });
    const isDue = dueEvery(TELL_MS, 0);
    for (const { key, train } of answer.results) {
      if (crossings.has(key)) continue;
      if (isDue()) tell({ ...answer, searched: true, crossings: drawn() });
      crossings.set(key, crossingsOf(train));
    }
    return { ...answer, searched: true, crossings };
  },

  /** Which part of a wish excludes most, where nothing gives it. */
  whyNoScheme(
    { question }: { readonly question: SchemeQuestion },
    tell: (so: readonly Relaxed[]) => void,
  ): readonly Relaxed[] {
    const start = performance.now();
    return whyNone(question, { over: () => performance.now() - start > WHY_NONE_MS }, tell);
  },

  run: runTelling,

  /** The same for another train that is laid beside. */
  runOther: runTelling,

  /** Every fix tried: what a run with each comes to, told with each. */
  tries(
    { train, scenarios }: { readonly train: Train; readonly scenarios: readonly Scenario[] },
    tell: (tried: readonly TriedFix[]) => void,
  ): readonly TriedFix[] {
    const tried: TriedFix[] = [];
    for (const scenario of scenarios) {
      const { verdicts, events } = runScenario(train, scenario);
      tried.push({ verdicts, shifts: events.filter(({ kind }) => kind === 'shift').length });
      tell(tried);
    }
    return tried;
  },

  /** Suspects for what was seen, and the next test, without what only works in here. */
  diagnose({ train, seen }: { readonly train: Train; readonly seen: Seen }, tell: (part: number) => void): Diagnosis {
    const suspected = suspectsFor(train, seen, tell);
    const next = nextTestFor(train, suspected);
    const sound = behavioursOf(train)([]);
    const plain = ({ faults, agrees, of, failsOn }: Suspected['suspects'][number]) => ({ faults, agrees, of, failsOn });
    return {
      suspects: suspected.suspects.slice(0, MOST_SUSPECTS).map(plain),
      open: suspected.suspects.filter(({ agrees, of }) => agrees === of).length,
      sound: suspected.sound,
      part: 1,
      nextTest: next && {
        position: next.position,
        engaged: next.engaged,
        left: next.left,
        outcomes: next.outcomes.map(({ outcome, suspects }) => ({
          status: outcome.status,
          ratio: outcome.ratio && toNumber(outcome.ratio),
          asComputed: outcomeKey(outcome) === outcomeKey(sound(next.engaged)),
          suspects: suspects.length,
        })),
      },
    };
  },

  /** A hunt for the bad part, and how few tests the best hunter needs; null where nothing would show. */
  hunt({ train, seed, named }: HuntAsked): { readonly hunt: Hunt; readonly best: ReturnType<typeof bestHunt> } | null {
    const hunt = faultHunt(train, seed, named);
    return hunt && { hunt, best: bestHunt(hunt) };
  },

  /** One wheel as a solid, binary STL. */
  solid({ spec, title }: { readonly spec: WheelSpec; readonly title: string }): Uint8Array {
    return shapeStl(spec, title);
  },

  /** Every wheel as lines and as a solid, in one zip with a manifest; told on the way how many are done. */
  shapes({ name, wheels, pieces }: ShapesAsked, tell: (done: number) => void): Uint8Array {
    return shapesZip(name, wheels, pieces, tell);
  },

  /** The train in three dimensions, its figures in the order of its side view; told on the way which share is done. */
  body({ train, order, drafts: known }: BodyAsked, tell: (done: number) => void): Result<TrainBody> {
    const drafts = new Drafts();
    drafts.take(known);
    const isDue = dueEvery(TELL_MS, TELL_MS);
    return bodyOf(train, { order, drafts }, (done, of) => {
      if (isDue()) tell(done / of);
    });
  },

  /** The same as a file: glTF binary that turns with what is engaged, or a zip of solids. */
  bodyFile({ train, order, engaged, format, colors }: BodyFileAsked): Result<Uint8Array> {
    const body = bodyOf(train, { order });
    if (!body.ok) return body;
    const motion = motionOf(train, engaged);
    return accept(
      format === 'stl'
        ? bodyStlZip(train, body.value, motion)
        : bodyGlb(train, body.value, motion, (member) => colors[member] ?? GREY),
    );
  },

  /** What the tests of a hunt showed and were worth. */
  huntTests({ hunt, tried }: { readonly hunt: Hunt; readonly tried: readonly (readonly string[])[] }): HuntStanding {
    return huntStanding(hunt, tried);
  },
};

interface BodyAsked {
  readonly train: Train;
  readonly order: readonly string[];
  /** What the side view found on the page. */
  readonly drafts: DraftsData;
}

/** A scenario run through time; told on the way with the samples so far. */
function runTelling({ train, scenario }: Running, tell: (traces: Traces) => void): Run {
  let told = -Infinity;
  return runScenario(train, scenario, {
    tell: (soFar) => {
      const now = performance.now();
      if (now - told < TOLD_MS) return;
      told = now;
      tell(soFar());
    },
  });
}

/** What is known of schemes, and as far as they have been drawn how often the lines of each cross. */
export interface SchemesTold extends SchemeAnswer {
  readonly searched: boolean;
  /** By scheme; null where it cannot be drawn. */
  readonly crossings: ReadonlyMap<string, number | null>;
}

/** Reasons are looked for so long. */
const WHY_NONE_MS = 120_000;

export interface WaysAsked {
  readonly question: Extract<SearchQuestion, { kind: 'chains' }>['question'];
  readonly of: readonly { readonly key: string; readonly chain: Chain; readonly ratio: Rational }[];
}

export interface BodyFileAsked {
  readonly train: Train;
  readonly order: readonly string[];
  readonly engaged: readonly string[];
  readonly format: 'glb' | 'stl';
  /** By member, the frame too: red, green and blue from 0 to 1. */
  readonly colors: Readonly<Record<string, readonly [number, number, number]>>;
}

const GREY = [0.7, 0.7, 0.7] as const;

interface ShapesAsked {
  readonly name: string;
  readonly wheels: readonly ShapeAsked[];
  /** Those of them that are one piece with others. */
  readonly pieces: readonly PieceAsked[];
}

interface HuntAsked {
  readonly train: Train;
  readonly seed: number;
  /** The bad part, where the teacher chooses it. */
  readonly named?: Fault;
}

/** Suspects that are worth looking through. */
const MOST_SUSPECTS = 400;

/** What may be wrong, as plain data. */
export interface Diagnosis {
  readonly suspects: readonly Omit<Suspected['suspects'][number], 'behaviour'>[];
  /** How many of them explain everything. */
  readonly open: number;
  readonly sound: boolean;
  /** How far the pairs are. */
  readonly part: number;
  readonly nextTest: TestWords | null;
}

export interface TestWords {
  readonly position: string | null;
  readonly engaged: readonly string[];
  readonly left: number;
  readonly outcomes: readonly {
    readonly status: string;
    /** Signed, in/out; null where nothing drives. */
    readonly ratio: number | null;
    readonly asComputed: boolean;
    readonly suspects: number;
  }[];
}

interface Running {
  readonly train: Train;
  readonly scenario: Scenario;
}

/** What a run comes to. */
export interface TriedFix {
  readonly verdicts: Run['verdicts'];
  readonly shifts: number;
}

/** Between two looks at a run that goes on. */
const TOLD_MS = 150;

export type Jobs = typeof JOBS;
