'use client';

import { toNumber } from '@/core/rational';
import { figure } from '@/core/units';
import { exact } from '@/core/words';
import { readFactor, useChart, useIdeals, useRows } from './use-chart';
import { itemAt } from '@/core/required';

/** What the forward rows come to together, and the ideal that their steps are held against. */
export function Totals() {
  const { rows, forward } = useRows();
  const steps = rows.flatMap(({ step }) => (step ? [toNumber(step)] : []));
  return (
    <dl className="flex flex-wrap items-center gap-x-4 gap-y-1 text-sm" aria-label="What the chart comes to">
      <Total name="Forward" value={String(forward.count)} />
      {forward.distinct !== forward.count && <Total name="different" value={String(forward.distinct)} />}
      {forward.spread && forward.count > 1 && (
        <Total name="Spread" value={figure(toNumber(forward.spread))} title={`exactly ${exact(forward.spread)}`} />
      )}
      {steps.length > 0 && (
        <Total name="Steps" value={`${figure(Math.min(...steps))} to ${figure(Math.max(...steps))}`} />
      )}
      {forward.idealStep !== null && <Ideal step={forward.idealStep} distinct={forward.distinct} />}
    </dl>
  );
}

/** Two schools: all steps alike, or each smaller than the last. */
function Ideal({ step, distinct }: { step: number; distinct: number }) {
  const school = useChart((state) => state.school);
  const factorText = useChart((state) => state.factorText);
  const set = useChart((state) => state.set);
  const { factor, steps } = useIdeals();
  const bad = factorText.trim() !== '' && readFactor(factorText) === null;
  const ideal = [...steps.values()];
  return (
    <div className="flex items-center gap-1.5">
      <dt className="muted">Ideal steps</dt>
      <dd className="flex items-center gap-1.5">
        <select
          className="select select-xs w-26"
          aria-label="Ideal steps"
          title={
            'Even: every step alike. Progressive: each step smaller than the last, so ' +
            'that the drop in input speed shrinks as speed rises.'
          }
          value={school}
          onChange={(event) => set({ school: event.target.value as typeof school })}
        >
          <option value="even">even</option>
          <option value="progressive">progressive</option>
        </select>
        {school === 'even' ? (
          <span
            className="figure"
            title={`The step that leads evenly through ${distinct} ratios: the ${distinct - 1}th root of the spread`}
          >
            {figure(step)}
          </span>
        ) : (
          <>
            {ideal.length > 0 && (
              <span className="figure">
                {figure(itemAt(ideal, 0))} to {figure(itemAt(ideal, -1))}
              </span>
            )}
            <label className="flex items-center gap-1">
              <span className="muted">each</span>
              <input
                className="input input-xs figure w-16 aria-invalid:border-error"
                aria-label="Factor between steps"
                aria-invalid={bad}
                title={bad ? 'Type a factor from 1 to 3.' : 'Left empty: the factor that fits these steps best'}
                inputMode="decimal"
                placeholder={factor.toFixed(3)}
                value={factorText}
                onChange={(event) => set({ factorText: event.target.value })}
              />
              <span className="muted">× the next</span>
            </label>
          </>
        )}
      </dd>
    </div>
  );
}

function Total({ name, value, title }: { name: string; value: string; title?: string }) {
  return (
    <div className="flex gap-1.5" title={title}>
      <dt className="muted">{name}</dt>
      <dd className="figure">{value}</dd>
    </div>
  );
}
