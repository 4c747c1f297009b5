import { bandsOf, soundThresholds } from './bands';
import { noLoadOf } from './motor';
import type { Gearing } from './operating-point';
import type { Points } from './points';
import type { Run } from './run';
import type { Rule, Scenario } from './scenario-schema';
import type { Verdict } from './verdicts';

/** Something that could mend what a verdict says: a scenario to try. Whether it does is for a run to show. */
export interface Mend {
  readonly key: string;
  readonly verdict: Verdict;
  readonly says: string;
  readonly scenario: Scenario;
}

/** What could be tried against each verdict of a run. */
export function mendsFor(
  gearings: ReadonlyMap<string, Gearing>,
  points: Points,
  scenario: Scenario,
  { verdicts, events }: Pick<Run, 'verdicts' | 'events'>,
): readonly Mend[] {
  const { rule } = scenario;
  if (!rule) return [];
  const mend = (verdict: Verdict, key: string, says: string, change: Partial<Rule>): Mend => ({
    key: `${verdict} ${key}`,
    verdict,
    says,
    scenario: { ...scenario, rule: { ...rule, ...change } },
  });
  const { cue, shiftS = 0, minimumS = 0, between = 'neutral' } = rule;
  const own = cue === 'hand' ? null : cue;
  const longer = longerThan(minimumS, events);
  const gapless = [
    ...(between === 'overlap' || shiftS === 0
      ? []
      : [
          [
            'overlap',
            'Hand over without a gap: two paths, or friction clutches that overlap',
            { between: 'overlap' },
          ] as const,
        ]),
    ...(between === 'one-way'
      ? []
      : [['one-way', 'A one-way clutch in the slower position: no gap', { between: 'one-way' }] as const]),
  ];
  const feelsMotor = cue === 'torque' && rule.detector?.feels !== 'motor';
  return verdicts.flatMap((verdict): readonly Mend[] => {
    switch (verdict) {
      case 'hunting':
        return own === null
          ? []
          : [
              mend(
                verdict,
                'band',
                'A wider band: down where the power is equal, up a little above',
                wider(gearings, points, scenario, own),
              ),
              mend(verdict, 'minimum', `Stay at least ${longer} s in a position`, { minimumS: longer }),
              ...gapless.map(([key, says, change]) => mend(verdict, key, says, change)),
            ];
      case 'chatter':
        return [
          ...gapless.map(([key, says, change]) => mend(verdict, key, says, change)),
          ...(feelsMotor
            ? [
                mend(verdict, 'before', 'The detector before the selector: torque from the motor’s speed', {
                  detector: { ...rule.detector, feels: 'motor' },
                }),
              ]
            : []),
          mend(verdict, 'minimum', `Stay at least ${longer} s in a position`, { minimumS: longer }),
        ];
      case 'stalls':
        return own === null
          ? []
          : [
              mend(
                verdict,
                'band',
                'Change down sooner: where the power is equal',
                wider(gearings, points, scenario, own),
              ),
            ];
    }
  });
}

const wider = (
  gearings: ReadonlyMap<string, Gearing>,
  points: Points,
  { motor }: Scenario,
  cue: 'speed' | 'torque',
) => {
  const { down, up } = soundThresholds(gearings, points, motor, cue);
  return { down, up };
};

/** A time that is longer than what lay between two shifts, and twice what was asked: in half seconds. */
function longerThan(minimumS: number, events: Run['events']): number {
  const shifts = events.filter(({ kind }) => kind === 'shift').map(({ timeS }) => timeS);
  const [first, third] = [shifts[0], shifts[2]];
  const cycle = first !== undefined && third !== undefined ? third - first : 0;
  return Math.ceil(2 * Math.max(2 * minimumS, cycle, 0.5)) / 2;
}

/** A step between neighbours that these thresholds would bear, as r: above it up no longer lands where it goes down. Null for pairs that do not hunt. */
export function bearableStep(
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
