import type { Gear } from '../train';

const ALPHA = (20 * Math.PI) / 180;
const INVOLUTE = Math.tan(ALPHA) - ALPHA;

/**
 * How many pairs of teeth of two gears are in contact on average, in modules: ε = (√(ra₁² − rb₁²) + √(ra₂² − rb₂²) − a sin α) / (π cos α); of a gear in a ring
 * ε = (√(ra₁² − rb₁²) − √(ra₂² − rb₂²) + a sin α) / (π cos α). Null for other kinds. Full teeth, no profile shift.
 */
export function contactRatioOf(one: Gear, other: Gear): number | null {
  const [a, b] = one.type === 'internal' ? [other, one] : [one, other];
  if (a.type !== 'external' || (b.type !== 'external' && b.type !== 'internal')) return null;
  const reach = ({ teeth }: Gear, addendum: number) =>
    Math.sqrt(Math.max(0, (teeth / 2 + addendum) ** 2 - ((teeth / 2) * Math.cos(ALPHA)) ** 2));
  const pitch = Math.PI * Math.cos(ALPHA);
  if (b.type === 'external') return (reach(a, 1) + reach(b, 1) - ((a.teeth + b.teeth) / 2) * Math.sin(ALPHA)) / pitch;
  return (reach(a, 1) - reach(b, -1) + ((b.teeth - a.teeth) / 2) * Math.sin(ALPHA)) / pitch;
}

/** A measure over several teeth, between two parallel faces that touch their flanks. */
export interface Span {
  readonly teeth: number;
  readonly mm: number;
}

/** W = m cos α (π (k − ½) + z inv α) over k = z α / π + ½ teeth, to the nearest; of external gears. */
export function spanOf({ teeth, type }: Gear, moduleMm: number): Span | null {
  if (type !== 'external' || teeth < 6) return null;
  const k = Math.max(2, Math.round((teeth * ALPHA) / Math.PI + 0.5));
  const mm = moduleMm * Math.cos(ALPHA) * (Math.PI * (k - 0.5) + teeth * INVOLUTE);
  return { teeth: k, mm: Number(mm.toFixed(6)) };
}
