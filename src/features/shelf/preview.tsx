'use client';

import { useMemo } from 'react';
import { checkDesign } from '@/core/checks';
import { inverse } from '@/core/rational';
import type { Train } from '@/core/train';
import { ratioFigure, wayText } from '@/core/units';
import { usePreferences } from '@/ui/preferences';
import { modelOf } from '@/core/model';
import { lookUp } from '@/core/required';

/** Findings told here; the rest waits on the Bench. */
const MAX_TOLD = 3;

/** What a train would give before it is made: each position's ratio, and what the checks would say. */
export function TrainPreview({ train }: { train: Train }) {
  const convention = usePreferences((state) => state.convention);
  const { rows, findings } = useMemo(() => {
    const solved = modelOf(train).positions();
    return {
      rows: train.positions.map(({ id, name }) => ({ id, name, solved: lookUp(solved, id) })),
      findings: checkDesign(train),
    };
  }, [train]);
  return (
    <div className="text-sm">
      {rows.length > 0 && (
        <div className="max-h-36 overflow-auto" tabIndex={0} role="group" aria-label="Positions">
          <table className="w-full" aria-label="What the positions give">
            <thead className="muted">
              <tr>
                <th className="text-left font-normal">Position</th>
                <th className="text-right font-normal">Ratio, {convention}</th>
                <th className="pl-3 text-left font-normal">Direction</th>
              </tr>
            </thead>
            <tbody>
              {rows.map(({ id, name, solved: { ratio, status } }) => (
                <tr key={id} className="border-t border-base-300">
                  <td>{name}</td>
                  <td className="figure text-right">{ratio ? ratioFigure(ratio, convention) : '—'}</td>
                  <td className="pl-3">{ratio ? wayText(inverse(ratio)) : status}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <p className="muted mt-1.5">{findings.length === 0 ? 'The checks find nothing.' : 'The checks would say:'}</p>
      <ul aria-label="What the checks would say">
        {findings.slice(0, MAX_TOLD).map(({ key, what, weight }) => (
          <li key={key} className={weight === 'wrong' ? 'text-error' : undefined}>
            {what}
          </li>
        ))}
      </ul>
      {findings.length > MAX_TOLD && (
        <p className="muted">and {findings.length - MAX_TOLD} more, on the Bench under Checks.</p>
      )}
    </div>
  );
}
