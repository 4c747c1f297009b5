import clsx from 'clsx';
import { toNumber, type Rational } from '@/core/rational';
import { figure } from '@/core/units';
import { exact } from '@/core/words';

/** A figure to four significant digits whose exact fraction shows on hover. */
export function Exact({ value, className }: { value: Rational | null; className?: string }) {
  if (value === null) return <span className={clsx('muted', className)}>open</span>;
  const shown = figure(toNumber(value));
  const whole = exact(value);
  return (
    <span className={clsx('figure', className)} title={whole === shown ? undefined : `exactly ${whole}`}>
      {shown}
    </span>
  );
}
