import { toNumber, type Rational } from '@/core/rational';
import { ratioFigure, wayText, type RatioConvention } from '@/core/units';
import { exact } from '@/core/words';
import type { Column } from '@/ui/column';

/** A column of ratios: sizes in the convention, the exact one on hover, and the way where it is reverse. */
export const ratioColumn = <Row,>(
  head: string,
  convention: RatioConvention,
  of: (row: Row) => Rational | null,
): Column<Row> => ({
  head,
  numeric: true,
  value: (row) => {
    const ratio = of(row);
    return ratio && toNumber(ratio);
  },
  cell: (row) => {
    const ratio = of(row);
    return ratio ? (
      <span title={`exactly ${exact(ratio)} in/out`}>
        {ratioFigure(ratio, convention)}
        {wayText(ratio) === 'reverse' && ' reverse'}
      </span>
    ) : (
      '—'
    );
  },
});
