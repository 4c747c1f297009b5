import clsx from 'clsx';
import { toFraction, toNumber, type Rational } from '@/core/rational';
import { figure } from '@/core/units';

/** A figure to four significant digits whose exact fraction shows on hover. */
export function Exact({ value, className }: { value: Rational | null; className?: string }) {
  if (value === null) return <span className={clsx('muted', className)}>open</span>;
  const shown = figure(toNumber(value));
  const exact = toFraction(value);
  return (
    <span
      className={clsx('figure', className)}
      title={exact.replace('-', '−') === shown ? undefined : `exactly ${exact.replace('-', '−')}`}
    >
      {shown}
    </span>
  );
}
