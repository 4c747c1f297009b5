/** What is set against the error: teeth of all wheels together, or the largest wheel. */
export type Size = 'teeth' | 'largest';

interface Sized {
  readonly key: string;
  readonly error: number;
  readonly teeth: number;
  readonly largest: number;
}

/**
 * Those that no other beats in error without being larger, or in size without being further off (the Pareto front), by
 * key.
 */
export function undominated(findings: readonly Sized[], size: Size): ReadonlySet<string> {
  const bySize = [...findings].sort((a, b) => a[size] - b[size] || a.error - b.error);
  const front = new Set<string>();
  let least = Infinity;
  for (const finding of bySize) {
    if (finding.error >= least) continue;
    least = finding.error;
    front.add(finding.key);
  }
  return front;
}
