import type { Chart, IdealSteps } from '@/core/gear-chart';
import type { Coupler } from '@/core/train';
import type { RatioConvention } from '@/core/units';
import type { TypedInput } from '@/features/train/input/typed-input';
import { decidesForItself } from '@/features/train/words';
import type { Table } from '@/ui/table-text';
import { couplerColumns } from './columns';
import { rowFigures } from './row-figures';

/** The chart as a table for a spreadsheet, in a form that can be pasted back: x where something is engaged. */
export function chartText(
  chart: Chart,
  couplers: readonly Coupler[],
  ideals: IdealSteps,
  convention: RatioConvention,
  typed: TypedInput,
): Table {
  const columns = couplerColumns(couplers);
  return {
    head: [
      'Position',
      ...columns.map(({ name, id }) => name || id),
      `Ratio, ${convention}`,
      'Direction',
      'Step',
      `Off ${ideals.school}, %`,
      `Output, ${typed.speed.unit}`,
      `Output, ${typed.torque.unit}`,
      'Efficiency, %',
    ],
    rows: chart.rows.map((row) => {
      const told = rowFigures(row, chart, ideals, convention, typed);
      const figures = [told.ratio, told.does, told.step, told.off, told.speed, told.torque, told.efficiency];
      return [
        row.name,
        ...columns.map((coupler) =>
          decidesForItself(coupler)
            ? (row.solved.state.oneWays.get(coupler.id) ?? '')
            : row.engaged.includes(coupler.id)
              ? 'x'
              : '',
        ),
        ...figures.map(plain),
      ];
    }),
  };
}

/** A figure as a spreadsheet reads it: no dash for nothing, no thin spaces, a plain minus. */
const plain = (text: string): string => (text === '—' ? '' : text.replace(/\u202f/g, '').replace('−', '-'));
