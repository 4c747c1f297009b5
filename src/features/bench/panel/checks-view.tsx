'use client';

import clsx from 'clsx';
import { CircleAlert, Info } from 'lucide-react';
import type { Finding } from '@/core/checks';
import { checksOf } from '../analysis';
import { choosePosition, highlightOf, useBench, useBenchStore } from '../store';

/** What is wrong with the train or worth knowing: what, why it matters, what would mend it. Pointing lights the parts. */
export function ChecksView() {
  const findings = useBench((state) => checksOf(state.train));
  if (findings.length === 0) return <p className="mt-2.5">Nothing was found: counts, distances, planets and positions agree.</p>;
  return (
    <ul className="mt-2.5 flex flex-col" aria-label="Checks">
      {findings.map((found, i) => (
        <CheckLine key={i} found={found} />
      ))}
    </ul>
  );
}

function CheckLine({ found: { weight, what, why, mend, gears, members, positions } }: { found: Finding }) {
  const store = useBenchStore();
  const set = useBench((state) => state.set);
  const [on, off] = [() => set({ highlight: highlightOf({ gears, members }) }), () => set({ highlight: null })];
  const Icon = weight === 'wrong' ? CircleAlert : Info;
  return (
    <li tabIndex={0} className="flex gap-2.5 border-t border-base-300 py-1.5 leading-snug hover:bg-base-200 focus-visible:bg-base-200" onPointerEnter={on} onPointerLeave={off} onFocus={on} onBlur={off}>
      <Icon className={clsx('mt-0.5 size-4 shrink-0', weight === 'wrong' ? 'text-error' : 'muted')} aria-label={weight === 'wrong' ? 'Wrong' : 'Worth knowing'} />
      <div className="min-w-0 text-sm">
        <p className="font-semibold">{what}</p>
        <p>{why}</p>
        <p className="muted">{mend}</p>
        {gears.length === 1 && (
          <button type="button" className="btn btn-xs mt-1" onClick={() => set({ editing: { kind: 'gear', id: gears[0]! } })}>
            Change this gear
          </button>
        )}
        {positions.map((id) => (
          <button key={id} type="button" className="btn btn-xs mt-1" onClick={() => choosePosition(store, id)}>
            Show this position
          </button>
        ))}
      </div>
    </li>
  );
}
