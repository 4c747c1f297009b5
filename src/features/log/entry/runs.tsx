import { useState } from 'react';
import { ChangedSince } from './changed-since';
import { useJudgement, useLog, useLogItself } from '../use-log';

/** Readings of one session belong together: what was built, and what is to be done next. */
export function Runs() {
  const { log: kept } = useJudgement();
  const { log } = useLogItself();
  const run = useLog((state) => state.run);
  const set = useLog((state) => state.set);
  const [open, setOpen] = useState(false);
  const [text, setText] = useState({ name: '', built: '', next: '' });
  const [message, setMessage] = useState<string | null>(null);
  const runs = kept.runs ?? [];
  const begin = async () => {
    const id = crypto.randomUUID();
    const given = Object.fromEntries(
      Object.entries(text).filter(([key, value]) => key === 'name' || value.trim() !== ''),
    );
    const name = text.name.trim() || `Run ${runs.length + 1}`;
    const answer = await log.add([{ id, kind: 'run', document: { ...given, id, name, at: new Date().toISOString() } }]);
    if (!answer.ok) return setMessage(answer.message);
    set({ run: id });
    setOpen(false);
    setText({ name: '', built: '', next: '' });
  };
  const chosen = runs.find(({ id }) => id === run);
  return (
    <section aria-label="Run" className="flex flex-col gap-1 border-t border-base-300 px-4 py-2">
      <div className="flex items-center justify-between gap-2">
        <h3 className="font-semibold">Run</h3>
        <select
          className="select select-xs w-36"
          aria-label="Run that readings belong to"
          value={run ?? ''}
          onChange={(event) => set({ run: event.target.value || null })}
        >
          <option value="">none</option>
          {runs.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
        <button type="button" className="btn btn-xs" aria-expanded={open} onClick={() => setOpen(!open)}>
          New…
        </button>
      </div>
      {chosen?.built && <p className="muted">Built: {chosen.built}</p>}
      {chosen?.next && <p className="muted">Next: {chosen.next}</p>}
      {run !== null && <ChangedSince key={run} log={kept} run={run} />}
      {open && (
        <div className="flex flex-col gap-1">
          {(['name', 'built', 'next'] as const).map((key) => (
            <input
              key={key}
              className="input input-xs w-full"
              aria-label={LABELS[key]}
              placeholder={LABELS[key]}
              maxLength={key === 'name' ? 120 : 2000}
              value={text[key]}
              onChange={(event) => setText({ ...text, [key]: event.target.value })}
            />
          ))}
          <button type="button" className="btn btn-xs self-start" onClick={() => void begin()}>
            Begin this run
          </button>
        </div>
      )}
      {message && (
        <p role="alert" className="text-error">
          {message}
        </p>
      )}
    </section>
  );
}

const LABELS = {
  name: 'Name of the run',
  built: 'What was built or changed',
  next: 'What is to be done next',
} as const;
