import {
  chartOf,
  singleChanges,
  tabulateCombinations,
  type CombinationTable,
  type SingleChanges,
} from '@/core/gear-chart';
import { networkOf } from '@/core/kinematics';
import { Drafts, drawSideView, type DraftsData, type Space } from '@/core/drawing';
import { checksOf, search, type Answer, type Question } from '@/core/tooth-search';
import { runScenario, type Run, type Scenario, type Traces } from '@/core/shifting';
import type { Train } from '@/core/train';

/** What is worked out beside the page: from plain data to plain data. */
export const JOBS = {
  /** What is dear in a train's side view, found with so much effort. */
  draft({
    train,
    space,
    effort,
  }: {
    readonly train: Train;
    readonly space: Space;
    readonly effort: number;
  }): DraftsData {
    const drafts = new Drafts();
    drawSideView(train, space, { drafts, effort });
    return drafts.data();
  },

  /** Every combination of a train's couplers; told on the way as far as they are found. */
  combinations({ train }: { readonly train: Train }, tell: (table: CombinationTable) => void): CombinationTable {
    return tabulateCombinations(networkOf(train), tell);
  },

  /** Combinations of the positions' own ratios with as few hard shifts as can be. */
  singles({ train }: { readonly train: Train }): SingleChanges | null {
    const driving = chartOf(train).rows.filter(({ solved }) => solved.ratio !== null);
    return singleChanges(train, driving, tabulateCombinations(networkOf(train)));
  },

  /** Tooth counts for what is wanted; told on the way as far as they are found, and at the end with what the checks say of each. */
  teeth(
    { question, train }: { readonly question: Question; readonly train: Train | null },
    tell: (answer: Answer) => void,
  ): Answer & { readonly checks: ReadonlyMap<string, readonly string[]> } {
    const answer = search(question, train, tell);
    const checks = new Map(answer.findings.map((finding) => [finding.key, checksOf(question, finding, train)]));
    return { ...answer, checks };
  },

  /** A scenario run through time; told on the way with the samples so far. */
  run({ train, scenario }: Running, tell: (traces: Traces) => void): Run {
    let told = -Infinity;
    return runScenario(train, scenario, {
      tell: (soFar) => {
        const now = performance.now();
        if (now - told < TOLD_MS) return;
        told = now;
        tell(soFar());
      },
    });
  },

  /** Every mend tried: told one by one what a run with it comes to. */
  tries(
    { train, scenarios }: { readonly train: Train; readonly scenarios: readonly Scenario[] },
    tell: (at: number, tried: Tried) => void,
  ): null {
    scenarios.forEach((scenario, at) => {
      const { verdicts, events } = runScenario(train, scenario);
      tell(at, { verdicts, shifts: events.filter(({ kind }) => kind === 'shift').length });
    });
    return null;
  },
};

interface Running {
  readonly train: Train;
  readonly scenario: Scenario;
}

/** What a run comes to. */
export interface Tried {
  readonly verdicts: Run['verdicts'];
  readonly shifts: number;
}

/** Between two looks at a run that goes on. */
const TOLD_MS = 150;

export type Jobs = typeof JOBS;
