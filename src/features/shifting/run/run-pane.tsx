import { DrawnFigure } from '@/ui/drawn-figure';
import { summaryOf } from '@/core/shifting';
import { figure } from '@/core/units';
import type { Setup } from '../setup';
import type { JobStateOf } from '@/workers/use-job';
import type { FinishedRun } from '../store';
import { refusalSentence } from '@/core/result';
import { useRead, useShifting } from '../use-shifting';
import { CompareRuns } from './compare';
import { EventsList } from './events-list';
import { PlaybackPane } from './playback';
import { RunTable } from './run-table';
import { seconds } from './seconds';
import { Strip, type DrawnRun } from './strip';
import { useRunning } from './use-running';

/** The run: over time, as it turns, and in words. */
export function RunPane({ setup }: { setup: Setup }) {
  const { state: running, stop, again } = useRunning(setup);
  const made = useShifting((state) => state.made);
  const beside = useShifting((state) => state.beside);
  const shown = drawnOf(running, made, setup);
  const layers: readonly DrawnRun[] = beside.map(({ name, scenario, run }) => ({ name, scenario, traces: run.traces }));
  return (
    <section
      aria-label="The run over time"
      className="flex shrink-0 flex-col border-t border-base-content xl:h-90 xl:flex-row"
    >
      <DrawnFigure
        title="Run"
        className="max-xl:h-96 xl:flex-1"
        beside={
          <>
            <Progress running={running} duration={setup.scenario.durationS ?? 0} stop={stop} again={again} />
            <CompareRuns />
          </>
        }
        table={() => (made ? <RunTable made={made} /> : null)}
      >
        {(width, height) => shown && <Strip shown={shown} beside={layers} width={width} height={height} />}
      </DrawnFigure>
      <div className="flex min-h-0 shrink-0 flex-col border-base-content max-xl:max-h-96 max-xl:border-t xl:w-100 xl:border-l">
        {made && <PlaybackPane made={made} />}
        {beside.length > 0 && made && <SideBySide made={[...beside, made]} />}
        {made && <EventsList events={made.run.events} />}
      </div>
    </section>
  );
}

/** What goes on is drawn as far as it is; else the last run that came to its end. */
function drawnOf(running: JobStateOf<'run'>, made: FinishedRun | null, { scenario }: Setup): DrawnRun | null {
  if ((running.kind === 'running' || running.kind === 'stopped') && running.partial?.timeS.length)
    return { name: 'this run', traces: running.partial, scenario };
  return made && { name: made.name, traces: made.run.traces, scenario: made.scenario };
}

interface ProgressProps {
  readonly running: JobStateOf<'run'>;
  readonly duration: number;
  readonly stop: () => void;
  readonly again: () => void;
}

function Progress({ running, duration, stop, again }: ProgressProps) {
  const made = useShifting((state) => state.made);
  const read = useRead();
  if (!read.ok)
    return (
      <span role="status" className="text-sm text-error">
        As it was before: {refusalSentence(read)}
      </span>
    );
  switch (running.kind) {
    case 'idle':
      return null;
    case 'failed':
      return (
        <span role="alert" className="text-sm text-error">
          {running.message}
        </span>
      );
    case 'running':
      return (
        <span role="status" aria-label="Progress of the run" className="flex items-center gap-2 text-sm">
          <progress
            className="progress w-28"
            max={duration}
            value={running.partial?.timeS.at(-1) ?? 0}
            aria-label="How much of the run is behind"
          />
          <button type="button" className="btn btn-xs" onClick={stop}>
            Stop
          </button>
        </span>
      );
    case 'stopped':
      return (
        <span role="status" aria-label="Progress of the run" className="flex items-center gap-2 text-sm">
          Stopped
          <button type="button" className="btn btn-xs" onClick={again}>
            Run
          </button>
        </span>
      );
    case 'done':
      return (
        <span role="status" aria-label="Progress of the run" className="muted text-sm">
          {made?.run.cut
            ? `cut short at ${seconds(made.run.cut.cutAtS)}: ${made.run.cut.reason}`
            : `${duration} s, ${made ? counted(made.run.events.filter(({ kind }) => kind === 'shift').length) : ''}`}
        </span>
      );
  }
}

const counted = (shifts: number): string => `${shifts} ${shifts === 1 ? 'shift' : 'shifts'}`;

/** Runs that lie over one another, in figures. */
function SideBySide({ made }: { made: readonly FinishedRun[] }) {
  return (
    <table aria-label="Runs side by side" className="mx-4 my-1 text-sm">
      <thead>
        <tr className="muted text-left">
          <th className="font-normal">run</th>
          <th className="text-right font-normal">shifts</th>
          <th className="text-right font-normal">mean power</th>
          <th className="text-right font-normal">lost</th>
          <th className="pl-2 font-normal">verdict</th>
        </tr>
      </thead>
      <tbody>
        {made.map(({ name, run, scenario }, i) => {
          const { shifts, powerShare } = summaryOf(run, scenario.order);
          return (
            <tr key={i} className={i === made.length - 1 ? 'font-semibold' : undefined}>
              <th className="max-w-32 truncate text-left font-[inherit]" title={name}>
                {i === made.length - 1 ? 'this one' : name}
              </th>
              <td className="figure text-right">{shifts}</td>
              <td className="figure text-right">{figure(powerShare * 100)} %</td>
              <td className="figure text-right">{figure(run.energy.lossJ)} J</td>
              <td className="pl-2">{run.verdicts.length === 0 ? 'sound' : run.verdicts.join(', ')}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
