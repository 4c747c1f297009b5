import { equals, sign } from '../rational';
import { type Solved } from '../solve';
import type { Train } from '../train';
import { ratioFigure, type RatioConvention } from '../units';
import { modelOf } from '../model';

/** What the changes do to the positions that both documents have: "2nd: 2.837 → 2.567", "R: 3.200 reverse → locked". */
export function ratioChanges(before: Train, after: Train, convention: RatioConvention): string[] {
  const [was, is] = [before, after].map((train) => modelOf(train).positions()) as [
    ReadonlyMap<string, Solved>,
    ReadonlyMap<string, Solved>,
  ];
  return after.positions.flatMap(({ id, name }) => {
    const [old, now] = [was.get(id), is.get(id)];
    if (!old || !now || alike(old, now)) return [];
    return [`${name}: ${outcome(old, convention)} → ${outcome(now, convention)}`];
  });
}

const alike = (a: Solved, b: Solved): boolean =>
  a.status === b.status && (a.ratio && b.ratio ? equals(a.ratio, b.ratio) : a.ratio === b.ratio);

/** The ratio with its way as a word, or the status where there is none. */
function outcome({ status, ratio }: Solved, convention: RatioConvention): string {
  if (ratio === null) return status;
  return `${ratioFigure(ratio, convention)}${sign(ratio) < 0 ? ' reverse' : ''}`;
}
