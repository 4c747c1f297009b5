import type { SearchAnswer, SearchQuestion } from '@/core/tooth-search';
import { isSameKey } from '@/workers/job-runner';
import type { ShownAnswer } from '../store';
import { useQuestion, type Searching } from '../use-teeth';
import { errorText, superscript } from './error-text';
import { refusalSentence } from '@/core/result';

interface Props {
  readonly searching: Searching;
  readonly shown: ShownAnswer | null;
}

/** How far the search is, what it covered, and whether anything better can exist. */
export function SearchProgress({ searching: { state, stop, again }, shown }: Props) {
  const read = useQuestion();
  const wrong = state === null ? !read.ok && refusalSentence(read) : state.kind === 'failed' && state.message;
  if (wrong)
    return (
      <p role="alert" className="px-4 py-2 text-sm text-error">
        {wrong}
      </p>
    );
  if (state === null || state.kind === 'idle' || state.kind === 'failed') return null;
  // What stands there still may be the answer to the question before.
  const own = shown && isSameKey(shown.key, state.key) ? shown : null;
  const best = own?.answer.findings[0];
  return (
    <div
      role="status"
      aria-label="The search"
      className="flex min-h-9 flex-wrap items-center gap-x-3 gap-y-1 px-4 py-1.5 text-sm"
    >
      {state.kind === 'done' && own && <Outcome shown={own} tookMs={state.tookMs} />}
      {state.kind === 'running' && (
        <>
          <span>
            Searching…{best && ` Best so far: ${best.error === 0 ? 'exact' : `${errorText(best.error)} off`}.`}
          </span>
          <progress
            className="progress w-40"
            value={own?.answer.part ?? 0}
            max={1}
            aria-label="How much of the search is behind"
          />
          <button type="button" className="btn btn-xs" onClick={stop}>
            Stop
          </button>
        </>
      )}
      {state.kind === 'stopped' && (
        <>
          <span>
            <strong>Stopped</strong>
            {best ? ': these are the best so far, not proven.' : ' before anything was found.'}
          </span>
          <button type="button" className="btn btn-xs" onClick={again}>
            Search again
          </button>
        </>
      )}
    </div>
  );
}

function Outcome({ shown: { question, answer }, tookMs }: { shown: ShownAnswer; tookMs: number }) {
  const { proven, examined, cut, why } = answer;
  return (
    <>
      {(examined > 0 || cut) && (
        <span>
          <strong>{proven ? 'Proven best' : 'Best found, not proven'}</strong>
          {proven ? `: all ${counted(examined)} ${things(question)} were covered` : `. ${covered(question, answer)}`}
          <span className="muted"> in {seconds(tookMs)}</span>.{cut && <strong> Cut short by the time limit.</strong>}
        </span>
      )}
      {why && (
        <span role="alert" className="basis-full border-l-3 border-warning pl-2">
          {why}
        </span>
      )}
    </>
  );
}

const things = ({ kind }: SearchQuestion): string =>
  ({
    chains: 'chains',
    planetary: 'sets',
    ladder: 'centre distances',
    ranges: 'centre distances',
    outputs: 'chains',
    fit: 'choices of counts that hold what has to hold',
  })[kind];

/** What of the whole was looked at, where not everything was. */
function covered({ kind }: SearchQuestion, { examined, cut }: SearchAnswer): string {
  if (cut) return examined > 0 ? `${counted(examined)} were covered` : 'Only a first look was taken';
  if (kind === 'outputs')
    return (
      `Every tap’s own search was complete (${counted(examined)} chains); only ` +
      'the best chains to each tap were gone on from'
    );
  if (kind === 'fit') return `${counted(examined)} choices of counts were tried, by small changes from many starts`;
  return `${counted(examined)} chains, those nearest to an even share of the ratio, were covered`;
}

const counted = (count: number): string =>
  count < 1e7
    ? Math.round(count).toLocaleString('en').replaceAll(',', ' ')
    : count.toExponential(1).replace(/e\+(\d+)/, (_, power: string) => ` × 10${superscript(power)}`);

const seconds = (ms: number): string => (ms < 1000 ? `${Math.round(ms)} ms` : `${(ms / 1000).toFixed(1)} s`);
