import { samplesOf, type Sample } from '@/core/shifting';
import { figure } from '@/core/units';
import type { Column } from '@/ui/column';
import { DataTable } from '@/ui/data-table';
import { csvText } from '@/ui/table-text';
import { fileName, saveFile } from '@/ui/save-file';
import type { FinishedRun } from '../store';
import { useNameOf } from '../use-shifting';

/** Rows that are shown; the file has every sample. */
const SHOWN = 120;

const FIGURES = {
  timeS: 'Time, s',
  inputRpm: 'Input, rpm',
  outputRpm: 'Output, rpm',
  inputTorqueNm: 'Input, N·m',
  outputTorqueNm: 'Output, N·m',
  powerShare: 'Power, of peak',
  read: 'Detector',
} as const;
const COLUMNS = Object.keys(FIGURES) as (keyof typeof FIGURES)[];

/** The samples of a run as a table, some of them to look at, all of them to take along. */
export function RunTable({ made: { run, scenario, name } }: { made: FinishedRun }) {
  const nameOf = useNameOf();
  const samples = samplesOf(run.traces, scenario.order);
  const every = Math.ceil(samples.length / SHOWN);
  const positionOf = ({ position }: Sample) => (position === null ? '' : nameOf(position));
  const columns: readonly Column<Sample>[] = [
    ...COLUMNS.map((key) => ({
      head: FIGURES[key],
      numeric: true,
      value: (row: Sample) => row[key],
      cell: (row: Sample) => figure(row[key]),
    })),
    { head: 'Position', value: positionOf },
  ];
  const save = () =>
    saveFile(
      fileName(`${name} run`, '.csv'),
      'text/csv;charset=utf-8',
      csvText({
        head: [...COLUMNS, 'position'],
        rows: samples.map((row) => [...COLUMNS.map((key) => String(row[key])), row.position ?? '']),
      }),
    );
  return (
    <DataTable
      label="Samples of the run"
      oneLine
      rows={samples.filter((_, i) => i % every === 0)}
      keyOf={({ timeS }) => String(timeS)}
      columns={columns}
      beside={
        <button type="button" className="btn btn-xs" onClick={save}>
          All {samples.length} samples as CSV
        </button>
      }
    />
  );
}
