import { involute, PRESSURE_ANGLE, toothForm } from '../shapes';
import type { Gear } from '../train';

/**
 * How many pairs of teeth of two gears are in contact on average, in modules: ε = (√(ra₁² − rb₁²) + √(ra₂² − rb₂²) − a
 * sin α) / (π cos α); of a gear in a ring ε = (√(ra₁² − rb₁²) − √(ra₂² − rb₂²) + a sin α) / (π cos α), with the tips
 * that are drawn: those of a ring are shortened where they would foul. Null for other kinds. No profile shift.
 */
export function contactRatioOf(one: Gear, other: Gear): number | null {
  const [a, b] = one.type === 'internal' ? [other, one] : [one, other];
  if (a.type !== 'external' || (b.type !== 'external' && b.type !== 'internal')) return null;
  const reach = ({ teeth, type }: Gear) => {
    const { tipRadius, baseRadius } = toothForm({ teeth, moduleMm: 1, internal: type === 'internal' });
    return Math.sqrt(Math.max(0, tipRadius ** 2 - baseRadius ** 2));
  };
  const pitch = Math.PI * Math.cos(PRESSURE_ANGLE);
  if (b.type === 'external')
    return (reach(a) + reach(b) - ((a.teeth + b.teeth) / 2) * Math.sin(PRESSURE_ANGLE)) / pitch;
  return (reach(a) - reach(b) + ((b.teeth - a.teeth) / 2) * Math.sin(PRESSURE_ANGLE)) / pitch;
}

/** A measure over several teeth, between two parallel faces that touch their flanks. */
export interface SpanMeasure {
  readonly teeth: number;
  readonly mm: number;
}

/** W = m cos α (π (k − ½) + z inv α) over k = z α / π + ½ teeth, to the nearest; of external gears. */
export function spanOf({ teeth, type }: Gear, moduleMm: number): SpanMeasure | null {
  if (type !== 'external' || teeth < 6) return null;
  const k = Math.max(2, Math.round((teeth * PRESSURE_ANGLE) / Math.PI + 0.5));
  const mm = moduleMm * Math.cos(PRESSURE_ANGLE) * (Math.PI * (k - 0.5) + teeth * involute(PRESSURE_ANGLE));
  return { teeth: k, mm: Number(mm.toFixed(6)) };
}
