'use client';

import type { ApexOptions } from 'apexcharts';
import { useEffect, useId, useMemo, useState, type ReactNode } from 'react';
import type { Column } from './column';
import { DataTable } from './data-table';
import { FigureHead } from './figure-head';
import { fileName, saveFile } from './save-file';
import { onDemand, whenIdle } from './on-demand';
import { useTheme } from './theme';
import { required } from '@/core/required';

interface Props<Row> {
  readonly title: string;
  readonly kind: 'line' | 'bar' | 'scatter';
  readonly series: ApexAxisChartSeries;
  readonly options: ApexOptions;
  /** The same figures. */
  readonly rows: readonly Row[];
  readonly columns: readonly Column<Row>[];
  readonly keyOf: (row: Row) => string;
  readonly height: number;
  /** What is said of a point when it is pointed at. */
  readonly tip: (series: number, point: number) => string;
  /** What stands beside the title. */
  readonly beside?: ReactNode;
}

/** What draws comes when the page has nothing else to do: a table beside it is worked with before. */
const Plot = onDemand(async () => (await import('./plot')).Plot);

/** Has what draws come? */
function usePlot(): boolean {
  const [isThere, setThere] = useState(false);
  useEffect(() => whenIdle([async () => Plot.load().then(() => setThere(true))]), []);
  return isThere;
}

/** A chart of figures, quiet: no animation, no gradient; the table behind it at a press, and both to take along. */
export function Diagram<Row>({ title, kind, series, options, rows, columns, keyOf, height, tip, beside }: Props<Row>) {
  const [table, setTable] = useState(false);
  const isThere = usePlot();
  const theme = useTheme();
  const id = useId().replace(/[^\w-]/g, '');
  const drawn = useMemo(() => ({ options: quiet(options, theme, id, tip), series }), [options, series, theme, id, tip]);
  const save = async () => {
    const bytes = await (await import('./plot')).pngOf(id);
    saveFile(fileName(title, '.png'), 'image/png', new Blob([bytes]));
  };
  return (
    <figure aria-label={title} className="min-w-0">
      <figcaption className="flex items-center gap-2">
        <FigureHead title={title} beside={beside} table={table} onTable={setTable} onSave={() => void save()} />
      </figcaption>
      {table ? (
        <div className="overflow-auto" style={{ maxHeight: height }}>
          <DataTable label={title} rows={rows} columns={columns} keyOf={keyOf} />
        </div>
      ) : (
        // Its place is kept until it is drawn, so that nothing below it moves.
        <div style={{ minHeight: height }}>{isThere && <Plot.Shown type={kind} height={height} {...drawn} />}</div>
      )}
    </figure>
  );
}

/** A colour of the theme, as it is now: the charts take no variables. */
const inkOf = (name: string): string =>
  getComputedStyle(document.documentElement)
    .getPropertyValue(name.replace(/^var\((.*)\)$/, '$1'))
    .trim();

/** A colour that may be a variable of the theme, as the charts need it. */
export const inkFor = (color: string): string => (color.startsWith('var(') ? inkOf(color) : color);

/** The charts take legends and tooltips as HTML, and names come from documents. */
function escaped(text: string): string {
  const box = document.createElement('div');
  box.textContent = text;
  return box.innerHTML;
}

function quiet(options: ApexOptions, theme: string, id: string, tip: Props<unknown>['tip']): ApexOptions {
  const [ink, muted, line, paper] = ['--color-base-content', '--muted', '--color-base-300', '--color-base-100'].map(
    inkOf,
  );
  const text = { colors: required(muted), fontSize: '12px', fontFamily: 'Source Sans 3' };
  const axisTitle = (title: ApexXAxis['title'] = {}) => ({
    ...title,
    style: { color: required(muted), fontSize: '12px', fontWeight: 400, fontFamily: 'Source Sans 3' },
  });
  const yaxes = [options.yaxis ?? {}].flat();
  return {
    ...options,
    theme: { mode: theme === 'soot' ? 'dark' : 'light' },
    chart: {
      id,
      background: 'transparent',
      foreColor: required(ink),
      fontFamily: 'Source Sans 3',
      animations: { enabled: false },
      toolbar: { show: false },
      zoom: { enabled: false },
      parentHeightOffset: 0,
      ...options.chart,
    },
    grid: { borderColor: required(line), padding: { left: 12, right: 16, top: -12, bottom: 0 }, ...options.grid },
    dataLabels: { enabled: false, ...options.dataLabels },
    states: { hover: { filter: { type: 'none' } }, active: { filter: { type: 'none' } } },
    legend: {
      fontSize: '12px',
      labels: { colors: required(ink) },
      markers: { size: 5 },
      formatter: escaped,
      ...options.legend,
    },
    tooltip: {
      theme: theme === 'soot' ? 'dark' : 'light',
      shared: false,
      intersect: true,
      ...options.tooltip,
      custom: ({ seriesIndex, dataPointIndex }: { seriesIndex: number; dataPointIndex: number }) =>
        `<div class="px-2 py-1 text-sm">${escaped(tip(seriesIndex, dataPointIndex))}</div>`,
    },
    xaxis: {
      ...options.xaxis,
      title: axisTitle(options.xaxis?.title),
      labels: { style: text, ...options.xaxis?.labels },
      axisBorder: { color: required(ink) },
      axisTicks: { color: required(ink) },
      crosshairs: { show: false },
      tooltip: { enabled: false },
    },
    yaxis: yaxes.map((axis) => ({
      ...axis,
      title: axisTitle(axis.title as ApexXAxis['title']) as ApexYAxis['title'],
      labels: { ...axis.labels, style: { ...text, ...axis.labels?.style } },
    })),
    markers: { strokeColors: required(paper), ...options.markers },
  };
}
