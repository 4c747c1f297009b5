'use client';

import { useMemo } from 'react';
import { isForward, type Chart } from '@/core/gear-chart';
import { toNumber } from '@/core/rational';
import { figure, ratioByConvention, type RatioConvention } from '@/core/units';
import { usePreferences } from '@/ui/preferences';
import { Diagram, inkFor } from '@/ui/diagram';
import { useTheme } from '@/ui/theme';
import { logAxis } from './axes';
import { itemAt } from '@/core/required';

/** A chart with what it is called on the ladder. */
export interface LadderRow {
  readonly name: string;
  readonly chart: Chart;
}

interface Rung {
  readonly line: string;
  readonly position: string;
  readonly size: number;
}

/** Beyond so many rungs their names would lie on each other. */
const MOST_NAMED = 28;

/**
 * Every ratio as a rung on a logarithmic axis, where even steps lie equally far apart; one line for each chart and
 * direction.
 */
export function LadderPlot({ charts }: { charts: readonly LadderRow[] }) {
  const convention = usePreferences((state) => state.convention);
  const rungs = useMemo(() => rungsOf(charts, convention), [charts, convention]);
  const theme = useTheme();
  const drawn = useMemo(() => draw(rungs, convention, theme), [rungs, convention, theme]);
  if (!drawn) return <p className="muted text-sm">No position drives, so the ladder has no rung.</p>;
  return (
    <Diagram
      title={`Ratio ladder, ${convention}, on a logarithmic scale`}
      kind="scatter"
      height={44 + 34 * drawn.lines}
      series={drawn.series}
      options={drawn.options}
      tip={drawn.tip}
      rows={rungs}
      keyOf={({ line, position }) => `${line} ${position}`}
      columns={[
        { head: 'Position', value: ({ position }) => position },
        { head: 'Line', value: ({ line }) => line },
        { head: `Ratio, ${convention}`, numeric: true, value: ({ size }) => size, cell: ({ size }) => figure(size) },
      ]}
    />
  );
}

function rungsOf(charts: readonly LadderRow[], convention: RatioConvention): readonly Rung[] {
  return charts.flatMap(({ name, chart: { rows } }) =>
    rows.flatMap(({ name: position, onLadder, solved: { ratio } }): Rung[] => {
      if (!ratio || !onLadder) return [];
      const way = isForward(ratio) ? 'same way' : 'reverse';
      return [
        {
          line: charts.length > 1 ? `${name}, ${way}` : way,
          position,
          size: toNumber(ratioByConvention(ratio, convention)),
        },
      ];
    }),
  );
}

function draw(rungs: readonly Rung[], convention: RatioConvention, theme: string) {
  if (rungs.length === 0) return null;
  const lines = [...new Set(rungs.map(({ line }) => line))];
  const axis = logAxis(rungs.map(({ size }) => size));
  const series = lines.map((line, i) => ({
    name: line,
    data: rungs
      .filter((rung) => rung.line === line)
      .map(({ size, position }) => ({ x: Math.log2(size), y: lines.length - i, position })),
  }));
  const rungAt = (seriesIndex: number, dataPointIndex: number) => itemAt(series, seriesIndex).data[dataPointIndex];
  return {
    lines: lines.length,
    theme,
    series,
    tip: (line: number, rung: number) => {
      const found = rungAt(line, rung);
      return found ? `${found.position}: ${figure(2 ** found.x)} : 1 ${convention}` : '';
    },
    options: {
      colors: lines.map(() => inkFor('var(--color-base-content)')),
      legend: { show: false },
      markers: { size: 5, strokeWidth: 0, shape: 'circle' as const },
      dataLabels: {
        enabled: rungs.length <= MOST_NAMED,
        offsetY: -6,
        style: { fontSize: '12px', fontWeight: 600, colors: lines.map(() => inkFor('var(--color-base-content)')) },
        background: { enabled: false },
        formatter: (_: unknown, at: { seriesIndex: number; dataPointIndex: number }) =>
          rungAt(at.seriesIndex, at.dataPointIndex)?.position ?? '',
      },
      xaxis: {
        type: 'numeric' as const,
        min: axis.min,
        max: axis.max,
        tickAmount: axis.ticks,
        labels: { formatter: (value: string) => figure(2 ** Number(value)) },
      },
      yaxis: {
        min: 0,
        max: lines.length + 1,
        tickAmount: lines.length + 1,
        labels: { maxWidth: 260, formatter: (value: number) => lines[lines.length - value] ?? '' },
      },
    },
  };
}
