import { useMemo } from 'react';
import { largestStableStep, runFixes, ratioToMove, summaryOf, type Advice, type RunFix } from '@/core/shifting';
import { figure } from '@/core/units';
import { listed } from '@/core/words';
import { usePartWords } from '@/ui/part-words';
import { shiftingFormOf } from '../form-of';
import type { Setup } from '../setup';
import type { FinishedRun } from '../store';
import type { TriedFix } from '@/workers/beside';
import { useJobState } from '@/workers/use-job';
import { useFill, useShiftingForm, useNameOf, useShifting, useShiftingItself } from '../use-shifting';
import { itemAt, lookUp } from '@/core/required';

/** Whether it suits its motor and load, and what its shifter does: each verdict with what would mend it. */
export function VerdictPane({ setup, advice }: { setup: Setup; advice: readonly Advice[] }) {
  const made = useShifting((state) => state.made);
  return (
    <div className="flex flex-col gap-3">
      {made && made.scenario === setup.scenario && <RunVerdict made={made} setup={setup} />}
      <section aria-label="Motor and load">
        <h3 className="font-semibold">Motor and load</h3>
        {advice.length === 0 ? (
          <p>Every position moves this load, and no ratio is too small for it.</p>
        ) : (
          <ul className="flex flex-col gap-1">
            {advice.map(({ kind, says }) => (
              <li
                key={says}
                className={
                  kind === 'stalls' || kind === 'limit'
                    ? 'border-l-3 border-error pl-2'
                    : 'border-l-3 border-warning pl-2'
                }
              >
                {says}
              </li>
            ))}
          </ul>
        )}
      </section>
      <Cautions hot={advice.some(({ kind }) => kind === 'stalls' || kind === 'too tall' || kind === 'heat')} />
    </div>
  );
}

const WORDS = {
  hunting: 'It hunts: the same two positions follow each other three times or more while the load stands still.',
  chatter:
    'It chatters: it leaves a position within the time of a shift, because the gap in between fooled the detector.',
  stalls: 'It stalls: the load brings everything to a stand.',
} as const;

function RunVerdict({ made, setup }: { made: FinishedRun; setup: Setup }) {
  const { run, scenario } = made;
  const mends = useMemo(() => runFixes(setup.gearings, setup.points, scenario, run), [setup, scenario, run]);
  return (
    <section aria-label="The run">
      <h3 className="font-semibold">The run</h3>
      {run.cut && (
        <p role="alert" className="mb-1 border-l-3 border-warning pl-2">
          Cut short at {figure(run.cut.cutAtS)} s of {figure(scenario.durationS ?? run.cut.cutAtS)} s: {run.cut.reason}
        </p>
      )}
      {run.verdicts.length === 0 && !run.cut && <p>It neither hunts nor chatters nor stalls.</p>}
      {run.verdicts.map((verdict) => (
        <p key={verdict} className="mb-1 border-l-3 border-error pl-2">
          {WORDS[verdict]}
        </p>
      ))}
      {mends.length > 0 && (
        <ul aria-label="What could fix it" className="my-1 flex flex-col gap-1">
          {mends.map((mend) => (
            <TryIt key={mend.key} mend={mend} />
          ))}
        </ul>
      )}
      {run.verdicts.includes('hunting') && <AnotherStep setup={setup} />}
      {run.verdicts.includes('stalls') && <LargerRatio setup={setup} />}
      <Account made={made} />
    </section>
  );
}

/**
 * One mend: what a run with it comes to, tried beside the page; pressed, it is taken over and the runs lie over one
 * another.
 */
function TryIt({ mend }: { mend: RunFix }) {
  const tried = useTried(mend.key);
  const says = usePartWords()(mend.says);
  const made = useShifting((state) => state.made);
  const beside = useShifting((state) => state.beside);
  const compareWith = useShifting((state) => state.compareWith);
  const form = useShiftingForm();
  const fill = useFill();
  const take = () => {
    if (made) compareWith([...beside, { ...made, name: `before: ${itemAt(says.split(':'), 0).toLowerCase()}` }]);
    fill(shiftingFormOf(mend.scenario, form));
  };
  return (
    <li className="flex items-baseline gap-2">
      <button type="button" className="btn btn-xs shrink-0" aria-label={`Try it: ${says}`} onClick={take}>
        Try it
      </button>
      <span>
        {says}.{' '}
        <span className={tried?.verdicts.length === 0 ? 'font-semibold' : 'muted'}>
          {tried === undefined
            ? 'Trying…'
            : tried.verdicts.length === 0
              ? `Fixes it: ${shifts(tried.shifts)}.`
              : `Then it ${listed(tried.verdicts.map((verdict) => STILL[verdict]))}, ${shifts(tried.shifts)}.`}
        </span>
      </span>
    </li>
  );
}

/** What a run with a fix comes to; undefined while it is not known. */
function useTried(key: string): TriedFix | undefined {
  const state = useJobState(useShiftingItself().tries);
  if (state.kind === 'idle' || state.kind === 'failed') return undefined;
  const found = state.kind === 'done' ? state.value : state.partial;
  // The key is the run, and then each fix that is tried on it.
  return found?.[state.key.indexOf(key) - 1];
}

const STILL = { hunting: 'hunts', chatter: 'chatters', stalls: 'stalls' } as const;
const shifts = (count: number): string => `${count} ${count === 1 ? 'shift' : 'shifts'}`;

/** The ratio that the thresholds would bear. */
function AnotherStep({ setup }: { setup: Setup }) {
  const nameOf = useNameOf();
  return largestStableStep(setup.gearings, setup.points, setup.scenario).map(({ from, to, r, above }) => (
    <p key={`${from} ${to}`} className="mt-1">
      Or another ratio: from {nameOf(from)} to {nameOf(to)} r is {figure(r)}; these thresholds bear a step above{' '}
      {figure(above)}. Teeth finds the counts.
    </p>
  ));
}

/** What moving the load would take. */
function LargerRatio({ setup: { scenario, gearings } }: { setup: Setup }) {
  const nameOf = useNameOf();
  const slowest = itemAt(scenario.order, 0);
  const gearing = lookUp(gearings, slowest);
  const needed = ratioToMove(scenario, gearing);
  return (
    <p className="mt-1">
      Moving it at its most takes more than <span className="figure">{figure(needed)}</span> : 1 in/out from this motor;{' '}
      {nameOf(slowest)} has <span className="figure">{figure(gearing.ratio)}</span>.{' '}
      {gearing.ratio > needed
        ? 'Begin there, or let the rule go down to it.'
        : 'A larger ratio, a stronger motor or a lighter load is needed.'}
    </p>
  );
}

/** Shifts, time in each position, mean share of the peak power, and where the energy went. */
function Account({ made: { run, scenario } }: { made: FinishedRun }) {
  const nameOf = useNameOf();
  const { shifts: count, seconds, betweenS, powerShare, unexplained } = summaryOf(run, scenario.order);
  const { motorJ, loadJ, lossJ, storedJ } = run.energy;
  const times = [...seconds].filter(([, time]) => time > 0).map(([id, time]) => `${nameOf(id)}: ${spent(time)}`);
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-3">
      <dt className="muted">Shifts</dt>
      <dd className="figure">{count}</dd>
      <dt className="muted">Time in</dt>
      <dd>{[...times, ...(betweenS > 0 ? [`between: ${spent(betweenS)}`] : [])].join(' · ')}</dd>
      <dt className="muted">Mean power</dt>
      <dd>
        <span className="figure">{figure(powerShare * 100)} %</span> of the motor’s peak
      </dd>
      <dt className="muted">Energy</dt>
      <dd>
        <span className="figure">{figure(motorJ)} J</span> in = <span className="figure">{figure(loadJ)} J</span> to the
        load + <span className="figure">{figure(beside(lossJ, motorJ))} J</span> lost +{' '}
        <span className="figure">{figure(beside(storedJ, motorJ))} J</span> stored
        <span className="muted">
          ; {unexplained < 1e-6 ? 'energy balances' : `${figure(unexplained * 100)} % is not accounted for`}
        </span>
      </dd>
    </dl>
  );
}

/** A part of a whole, without what is only the rounding of a sum. */
const beside = (part: number, whole: number): number => (Math.abs(part) < 1e-9 * Math.abs(whole) ? 0 : part);

/** Seconds, a tenth where they are few. */
const spent = (time: number): string => `${time.toFixed(time < 10 ? 2 : 1)} s`;

/** The usual cautions; that of the motor first where it is held near a stand. */
function Cautions({ hot }: { hot: boolean }) {
  return (
    <section aria-label="Cautions" className="muted text-xs">
      {hot && <p className="font-semibold text-base-content">A motor held near a stall burns.</p>}
      <p>
        While testing: wheels off the ground or the machine fixed; hands off while a shifter is live; a spring-loaded
        selector snaps. Local rules and licensed practice come first.
      </p>
    </section>
  );
}
