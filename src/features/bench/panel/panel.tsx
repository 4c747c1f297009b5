'use client';

import { useState } from 'react';
import { inverse, toFraction } from '@/core/rational';
import { ratioFigure, ratioIn, wayText } from '@/core/units';
import { usePreferences } from '@/ui/preferences';
import { usePosition } from '../analysis';
import { Trace } from './trace';
import { WorkingView } from './working-view';

const TABS = { trace: 'Trace', working: 'Working' } as const;
type Tab = keyof typeof TABS;

/** The panel that explains the position: its ratio, the story of the power, and the sums. */
export function Panel() {
  const [tab, setTab] = useState<Tab>('trace');
  return (
    <aside className="flex min-h-0 flex-col border-t border-base-content bg-base-100 lg:border-l lg:border-t-0 lg:border-base-300">
      <div role="tablist" aria-label="Explanation" className="flex gap-5 border-b border-base-300 px-4">
        {(Object.keys(TABS) as Tab[]).map((key) => (
          <button
            key={key}
            type="button"
            role="tab"
            id={`tab-${key}`}
            aria-selected={tab === key}
            aria-controls="panel-body"
            tabIndex={tab === key ? 0 : -1}
            onClick={() => setTab(key)}
            onKeyDown={(event) => {
              if (event.key !== 'ArrowRight' && event.key !== 'ArrowLeft') return;
              const next = key === 'trace' ? 'working' : 'trace';
              setTab(next);
              document.getElementById(`tab-${next}`)?.focus();
            }}
            className="-mb-px border-b-3 border-transparent py-2 aria-selected:border-primary aria-selected:font-semibold"
          >
            {TABS[key]}
          </button>
        ))}
      </div>
      <div id="panel-body" role="tabpanel" aria-labelledby={`tab-${tab}`} tabIndex={0} className="min-h-0 flex-1 overflow-auto px-4 py-3">
        <RatioHeadline />
        {tab === 'trace' ? <Trace /> : <WorkingView />}
        <Cautions />
      </div>
    </aside>
  );
}

const STATUS_TEXT = {
  drive: 'drives',
  split: 'Power is split: the outputs share it and can turn at different speeds.',
  neutral: 'Neutral: the input turns and no output is driven.',
  held: 'The output is held while the input turns.',
  locked: 'Locked: the input cannot turn.',
} as const;

function RatioHeadline() {
  const { solved } = usePosition();
  const convention = usePreferences((state) => state.convention);
  if (!solved.ratio) return <p className="text-lg font-semibold">{STATUS_TEXT[solved.status]}</p>;
  const shown = ratioIn(solved.ratio, convention);
  const size = ratioFigure(ratioIn(solved.ratio, 'in/out'), 'in/out');
  const [whole, meaning] = convention === 'in/out' ? ['input turns for one turn of the output', 'in/out'] : ['output turns for one turn of the input', 'out/in'];
  return (
    <div aria-live="polite">
      <p className="flex items-baseline gap-2">
        <strong data-testid="ratio" className="figure text-4xl font-semibold text-primary" title={`exactly ${toFraction(shown)} (${size} in/out)`}>
          {ratioFigure(solved.ratio, convention)}
        </strong>
        <span className="figure">: 1 {meaning}</span>
      </p>
      <p className="muted text-sm">
        {toFraction(shown)} {whole}, {wayText(inverse(solved.ratio))}
      </p>
    </div>
  );
}

/** What the figures are not, and what can hurt. */
function Cautions() {
  return (
    <div className="muted mt-5 border-t border-base-300 pt-2 text-xs leading-snug">
      <p>Torques are ideal, without losses; teeth, shafts and housings are not rated for strength.</p>
      <p className="mt-1">Turning gears pinch and grab: guard them, no loose clothing, power off before reaching in. Local rules on machinery come first.</p>
    </div>
  );
}
