import { bandsOf, soundThresholds } from './bands';
import { noLoadOf } from './motor';
import type { Gearing } from './operating-point';
import type { Points } from './points';
import type { Run } from './run';
import type { Rule, Scenario } from './scenario-schema';
import type { RunVerdict } from './verdicts';

/** Something that could mend what verdicts say: a scenario to try. Whether it does is for a run to show. */
export interface RunFix {
  readonly key: 'band' | 'minimum' | 'overlap' | 'one-way' | 'before';
  /** The verdicts that it is offered for. */
  readonly verdicts: readonly RunVerdict[];
  readonly says: string;
  readonly scenario: Scenario;
}

/** What could be tried against the verdicts of a run, each once. */
export function runFixes(
  gearings: ReadonlyMap<string, Gearing>,
  points: Points,
  scenario: Scenario,
  { verdicts, events }: Pick<Run, 'verdicts' | 'events'>,
): readonly RunFix[] {
  const { rule } = scenario;
  if (!rule) return [];
  const { cue, shiftS = 0, minimumS = 0, between = 'neutral' } = rule;
  const longer = longerThan(minimumS, events);
  const gap = between === 'neutral' && shiftS > 0;
  const ways: Readonly<Record<RunFix['key'], Way>> = {
    band: {
      against: cue === 'hand' ? [] : ['hunting', 'stalls'],
      says: 'A wider band: down where the power is equal, up a little above',
      rule: () => soundThresholds(gearings, points, scenario.motor, cue === 'torque' ? 'torque' : 'speed'),
    },
    overlap: {
      against: gap ? ['hunting', 'chatter'] : [],
      says: 'Hand over without a gap: two paths, or friction clutches that overlap',
      rule: () => ({ between: 'overlap' }),
    },
    'one-way': {
      against: between === 'one-way' ? [] : ['hunting', 'chatter'],
      says: 'A one-way clutch in the slower position: no gap',
      rule: () => ({ between: 'one-way' }),
    },
    before: {
      against: cue === 'torque' && rule.detector?.feels !== 'motor' ? ['chatter'] : [],
      says: 'The detector before the selector: torque from the motor’s speed',
      rule: () => ({ detector: { ...rule.detector, feels: 'motor' } }),
    },
    minimum: {
      against: ['hunting', 'chatter'],
      says: `Stay at least ${longer} s in a position`,
      rule: () => ({ minimumS: longer }),
    },
  };
  return (Object.keys(ways) as RunFix['key'][]).flatMap((key) => {
    const { against, says, rule: change } = ways[key];
    const meant = verdicts.filter((verdict) => against.includes(verdict));
    return meant.length === 0
      ? []
      : [{ key, verdicts: meant, says, scenario: { ...scenario, rule: { ...rule, ...change() } } }];
  });
}

interface Way {
  readonly against: readonly RunVerdict[];
  readonly says: string;
  readonly rule: () => Partial<Rule>;
}

/** A time that is longer than what lay between two shifts, and twice what was asked: in half seconds. */
function longerThan(minimumS: number, events: Run['events']): number {
  const shifts = events.filter(({ kind }) => kind === 'shift').map(({ timeS }) => timeS);
  const [first, third] = [shifts[0], shifts[2]];
  const cycle = first !== undefined && third !== undefined ? third - first : 0;
  return Math.ceil(2 * Math.max(2 * minimumS, cycle, 0.5)) / 2;
}

/**
 * A step between neighbours that these thresholds would bear, as r: above it up no longer lands where it goes down.
 * Null for pairs that do not hunt.
 */
export function largestStableStep(
  gearings: ReadonlyMap<string, Gearing>,
  points: Points,
  scenario: Scenario,
): readonly { readonly from: string; readonly to: string; readonly r: number; readonly above: number }[] {
  return bandsOf(gearings, points, scenario).flatMap(({ from, to, r, own }) =>
    own?.verdict === 'hunts' && noLoadOf(scenario.motor) !== null
      ? [{ from, to, r, above: own.downRpm / own.upRpm }]
      : [],
  );
}
