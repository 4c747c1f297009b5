'use client';

import clsx from 'clsx';
import { CircleAlert, Info } from 'lucide-react';
import { useState } from 'react';
import type { Finding } from '@/core/checks';
import { setAside, takeBack } from '@/core/train';
import { useEdit } from '../editing/use-edit';
import { choosePosition, highlightOf, useBench, useBenchStore } from '../store';
import { useFindings } from './findings';
import { TimingMarks } from './timing-marks';

/** What is wrong with the train or worth knowing: what, why it matters, what would mend it. Pointing lights the parts. */
export function ChecksView() {
  const { open, aside } = useFindings(useBench((state) => state.train));
  return (
    <>
      {open.length === 0 ? (
        <p className="mt-2.5">Nothing {aside.length > 0 ? 'else ' : ''}was found: counts, distances, planets and positions agree.</p>
      ) : (
        <ul className="mt-2.5 flex flex-col" aria-label="Checks">
          {open.map((found) => (
            <CheckLine key={found.key} found={found} />
          ))}
        </ul>
      )}
      {aside.length > 0 && (
        <section aria-label="Set aside" className="mt-4">
          <h3 className="text-sm font-semibold">Set aside</h3>
          <ul className="flex flex-col">
            {aside.map(({ found, note }) => (
              <AsideLine key={found.key} found={found} note={note} />
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

function usePointing({ gears, members, couplers }: Finding) {
  const set = useBench((state) => state.set);
  const [on, off] = [() => set({ highlight: highlightOf({ gears, members, couplers }) }), () => set({ highlight: null })];
  return { onPointerEnter: on, onPointerLeave: off, onFocus: on, onBlur: off };
}

function CheckLine({ found }: { found: Finding }) {
  const { weight, what, why, mend, mends, marks, gears, positions } = found;
  const store = useBenchStore();
  const train = useBench((state) => state.train);
  const set = useBench((state) => state.set);
  const [message, setMessage] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const edit = useEdit(setMessage);
  const Icon = weight === 'wrong' ? CircleAlert : Info;
  return (
    <li tabIndex={0} className="flex gap-2.5 border-t border-base-300 py-1.5 leading-snug hover:bg-base-200 focus-visible:bg-base-200" {...usePointing(found)}>
      <Icon className={clsx('mt-0.5 size-4 shrink-0', weight === 'wrong' ? 'text-error' : 'muted')} aria-label={weight === 'wrong' ? 'Wrong' : 'Worth knowing'} />
      <div className="min-w-0 flex-1 text-sm">
        <p className="font-semibold">{what}</p>
        <p>{why}</p>
        <p className="muted">{mend}</p>
        {marks.length > 0 && <TimingMarks marks={marks} />}
        <div className="mt-1 flex flex-wrap gap-1.5">
          {mends.map(({ label, apply }) => (
            <button key={label} type="button" className="btn btn-xs" title="Mend it so" onClick={() => edit(apply(train))}>
              {label}
            </button>
          ))}
          {gears.length === 1 && (
            <button type="button" className="btn btn-xs" onClick={() => set({ editing: { kind: 'gear', id: gears[0]! } })}>
              Change this gear
            </button>
          )}
          {positions.map((id) => (
            <button key={id} type="button" className="btn btn-xs" onClick={() => choosePosition(store, id)}>
              Show this position
            </button>
          ))}
          {!asking && (
            <button type="button" className="btn btn-ghost btn-xs" onClick={() => setAsking(true)}>
              Set aside…
            </button>
          )}
        </div>
        {asking && <AsideForm onDone={(note) => edit(setAside(train, found.key, note))} onLeave={() => setAsking(false)} />}
        {message && (
          <p role="alert" className="text-error">
            {message}
          </p>
        )}
      </div>
    </li>
  );
}

function AsideForm({ onDone, onLeave }: { onDone: (note: string) => void; onLeave: () => void }) {
  const [note, setNote] = useState('');
  return (
    <form
      className="mt-1.5 flex items-center gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        onDone(note);
      }}
      onKeyDown={(event) => event.key === 'Escape' && onLeave()}
    >
      <input className="input input-xs min-w-0 flex-1" aria-label="Why it may stay" placeholder="why it may stay" autoFocus maxLength={500} value={note} onChange={(event) => setNote(event.target.value)} />
      <button type="submit" className="btn btn-neutral btn-xs">
        Set aside
      </button>
    </form>
  );
}

function AsideLine({ found, note }: { found: Finding; note: string }) {
  const train = useBench((state) => state.train);
  const set = useBench((state) => state.set);
  const edit = useEdit((notice) => set({ notice }));
  return (
    <li tabIndex={0} className="border-t border-base-300 py-1.5 text-sm leading-snug hover:bg-base-200 focus-visible:bg-base-200" {...usePointing(found)}>
      <p className="muted">{found.what}</p>
      <p className="flex items-start gap-2">
        <span className="flex-1">“{note}”</span>
        <button type="button" className="btn btn-ghost btn-xs" onClick={() => edit(takeBack(train, found.key))}>
          Take it up again
        </button>
      </p>
    </li>
  );
}
