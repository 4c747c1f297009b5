'use client';

import type { Chart } from '@/core/gear-chart';
import { toNumber } from '@/core/rational';
import { figure } from '@/core/units';
import { exact, listed } from '@/core/words';

/** What the forward rows come to together, and which rows do one job. */
export function Totals({ chart: { rows, forward, duplicates } }: { chart: Chart }) {
  const steps = rows.flatMap(({ step }) => (step ? [toNumber(step)] : []));
  const names = (ids: readonly string[]) => listed(ids.map((id) => rows.find((row) => row.id === id)!.name));
  return (
    <div className="text-sm">
      <dl className="flex flex-wrap gap-x-6 gap-y-1" aria-label="What the chart comes to">
        <Total name="Forward" value={String(forward.count)} />
        <Total name="Different ratios" value={String(forward.distinct)} />
        {forward.spread && (
          <Total name="Spread" value={figure(toNumber(forward.spread))} title={`exactly ${exact(forward.spread)}`} />
        )}
        {steps.length > 0 && <Total name="Smallest step" value={figure(Math.min(...steps))} />}
        {steps.length > 0 && <Total name="Largest step" value={figure(Math.max(...steps))} />}
        {forward.idealStep !== null && (
          <Total
            name="Even step"
            value={figure(forward.idealStep)}
            title={`The step that leads evenly through ${forward.distinct} ratios: the spread’s root`}
          />
        )}
      </dl>
      {duplicates.map((ids) => (
        <p key={ids.join()} className="mt-1">
          One ratio, and so one job: {names(ids)}.
        </p>
      ))}
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
