import { useMemo } from 'react';
import { countsText, undominated, type SearchResult, type Size } from '@/core/tooth-search';
import { Diagram, inkFor } from '@/ui/diagram';
import { useTheme } from '@/ui/theme';
import { useTeeth } from '../use-teeth';
import { errorText } from './error-text';

const SIZES: Record<Size, string> = { teeth: 'all teeth', largest: 'largest wheel' };

interface Props {
  readonly findings: readonly SearchResult[];
  readonly chosen: string | null;
  readonly onChoose: (key: string) => void;
}

/** Error against size: what nothing beats in both is marked; a point pressed is selected. */
export function ErrorPicture({ findings, chosen, onChoose }: Props) {
  const size = useTeeth((state) => state.size);
  const compareBy = useTeeth((state) => state.compareBy);
  const theme = useTheme();
  const drawn = useMemo(
    () => ({ ...draw(findings, size, chosen, onChoose), theme }),
    [findings, size, chosen, onChoose, theme],
  );
  return (
    <Diagram
      title="Error and size"
      kind="scatter"
      height={190}
      series={drawn.series}
      options={drawn.options}
      tip={drawn.tip}
      rows={findings}
      keyOf={({ key }) => key}
      columns={[
        { head: 'Counts', value: (finding) => countsText(finding) },
        { head: 'Error', numeric: true, value: ({ error }) => error, cell: ({ error }) => errorText(error) },
        { head: 'Teeth', numeric: true, value: ({ teeth }) => teeth },
        { head: 'Largest wheel', numeric: true, value: ({ largest }) => largest },
        { head: 'Nothing beats it', value: ({ key }) => (drawn.front.has(key) ? 'yes' : '') },
      ]}
      beside={
        <select
          className="select select-xs w-30"
          aria-label="Size that the error is set against"
          value={size}
          onChange={(event) => compareBy(event.target.value as Size)}
        >
          {(Object.keys(SIZES) as Size[]).map((one) => (
            <option key={one} value={one}>
              {SIZES[one]}
            </option>
          ))}
        </select>
      }
    />
  );
}

/** Whole powers of ten round the errors; where they may and do lie within one, a little more than they take. */
function decades(logs: readonly number[], whole: boolean): readonly [least: number, most: number] {
  if (logs.length === 0) return [-6, -2];
  const [least, most] = [Math.min(...logs), Math.max(...logs)];
  if (whole || most - least >= 1) return [Math.floor(least), Math.max(Math.ceil(most), Math.floor(least) + 1)];
  const margin = Math.max(0.05, (most - least) / 8);
  return [least - margin, most + margin];
}

interface Point {
  readonly x: number;
  readonly y: number;
  readonly finding: SearchResult;
}

function draw(findings: readonly SearchResult[], size: Size, chosen: string | null, onChoose: (key: string) => void) {
  const front = undominated(findings, size);
  const logs = findings.filter(({ error }) => error > 0).map(({ error }) => Math.log10(error));
  // Exact findings have no logarithm: they stand on a line of their own, below.
  const exact = findings.some(({ error }) => error === 0);
  const [least, most] = decades(logs, exact);
  const bottom = exact ? least - 1 : least;
  const pointOf = (finding: SearchResult): Point => ({
    x: finding[size],
    y: finding.error > 0 ? Math.log10(finding.error) : bottom,
    finding,
  });
  const of = (test: (finding: SearchResult) => boolean) => findings.filter(test).map(pointOf);
  const series = [
    { name: 'beaten', data: of(({ key }) => !front.has(key) && key !== chosen) },
    { name: 'best for its size', data: of(({ key }) => front.has(key) && key !== chosen) },
    { name: 'selected', data: of(({ key }) => key === chosen) },
  ];
  const at = (line: number, point: number) => series[line]?.data[point]?.finding;
  const sizes = findings.map((finding) => finding[size]);
  const margin = Math.max(1, Math.round((Math.max(...sizes) - Math.min(...sizes)) * 0.05));
  return {
    front,
    series: series.map(({ name, data }) => ({ name, data: data.map(({ x, y }) => ({ x, y })) })),
    tip: (line: number, point: number) => {
      const finding = at(line, point);
      return finding ? `${countsText(finding)}: ${errorText(finding.error)}, ${finding.teeth} teeth` : '';
    },
    options: {
      colors: ['var(--muted)', 'var(--color-base-content)', 'var(--color-primary)'].map(inkFor),
      markers: { size: [3, 5, 7], strokeWidth: 0 },
      chart: {
        events: {
          dataPointSelection: (_: unknown, __: unknown, where: { seriesIndex: number; dataPointIndex: number }) => {
            const finding = at(where.seriesIndex, where.dataPointIndex);
            if (finding) onChoose(finding.key);
          },
        },
      },
      xaxis: {
        type: 'numeric' as const,
        min: Math.min(...sizes) - margin,
        max: Math.max(...sizes) + margin,
        tickAmount: 4,
        title: { text: size === 'teeth' ? 'Teeth of all wheels' : 'Teeth of the largest wheel' },
        labels: { formatter: (value: string) => String(Math.round(Number(value))) },
      },
      yaxis: {
        min: bottom,
        max: most,
        tickAmount: most - bottom >= 1 ? Math.min(8, Math.round(most - bottom)) : 3,
        title: { text: 'Error' },
        labels: {
          formatter: (value: number) => (exact && value < bottom + 0.5 ? 'exact' : errorText(10 ** value)),
        },
      },
    },
  };
}
