import { FileText } from 'lucide-react';
import type { PartRow } from '@/core/parts';
import { partsTable } from '@/core/parts';
import { figure } from '@/core/units';
import { useTrain } from '@/features/train/use-train';
import type { Column } from '@/ui/column';
import { DataTable } from '@/ui/data-table';
import { fileName, saveFile } from '@/ui/save-file';
import { markdownText } from '@/ui/table-text';
import { useSheet } from '../use-sheet';
import { usePartsList } from './use-parts';

const number = (value: number | null) => (value === null ? '' : figure(value));
const byMate = (values: Readonly<Record<string, number>>) =>
  [...new Set(Object.values(values).map((value) => figure(value)))].join(', ');

const COLUMNS: readonly Column<PartRow>[] = [
  { head: 'wheel', value: ({ name }) => name },
  { head: 'kind', less: true, value: ({ type }) => type },
  { head: 'copies', less: true, value: ({ copies }) => copies, numeric: true },
  { head: 'module mm', value: ({ moduleMm }) => moduleMm, cell: ({ moduleMm }) => number(moduleMm), numeric: true },
  {
    head: 'pitch ⌀',
    title: 'Diameter of the pitch circle, mm',
    value: ({ pitchMm }) => pitchMm,
    cell: ({ pitchMm }) => number(pitchMm),
    numeric: true,
  },
  {
    head: 'tips ⌀',
    title: 'Diameter over the tips, mm; of a ring inside',
    value: ({ outsideMm }) => outsideMm,
    cell: ({ outsideMm }) => number(outsideMm),
    numeric: true,
  },
  {
    head: 'roots ⌀',
    less: true,
    title: 'Diameter at the roots, mm',
    value: ({ rootMm }) => rootMm,
    cell: ({ rootMm }) => number(rootMm),
    numeric: true,
  },
  {
    head: 'base pitch',
    less: true,
    title: 'π m cos 20°, mm',
    value: ({ basePitchMm }) => basePitchMm,
    cell: ({ basePitchMm }) => number(basePitchMm),
    numeric: true,
  },
  {
    head: 'width mm',
    value: ({ faceWidthMm }) => faceWidthMm,
    cell: ({ faceWidthMm }) => number(faceWidthMm),
    numeric: true,
  },
  {
    head: 'centres mm',
    title: 'Centre distances to its mates, mm',
    value: ({ centreDistancesMm }) => byMate(centreDistancesMm),
  },
  {
    head: 'contact',
    less: true,
    title: 'Contact ratio with its mates: pairs of teeth in contact on average',
    value: ({ contactRatio }) => byMate(contactRatio),
  },
  {
    head: 'span',
    less: true,
    title: 'Measured over so many teeth, mm',
    value: ({ span }) => span?.mm ?? null,
    cell: ({ span }) => (span ? `${span.teeth} teeth ${figure(span.mm)}` : ''),
  },
  {
    head: 'worst in',
    less: true,
    title: 'The position in which its teeth carry most',
    value: ({ worst }) => worst?.position ?? '',
  },
  {
    head: 'rpm',
    title: 'Its speed there',
    value: ({ worst }) => worst?.speedRpm ?? null,
    cell: ({ worst }) => number(worst?.speedRpm ?? null),
    numeric: true,
  },
  {
    head: 'N·m',
    title: 'The largest torque of one mesh on its teeth, there',
    value: ({ worst }) => worst?.torqueNm ?? null,
    cell: ({ worst }) => number(worst?.torqueNm ?? null),
    numeric: true,
  },
  {
    head: 'tip m/s',
    title: 'At its fastest position, and what its material is usually kept below',
    value: ({ tipMetresPerSecond }) => tipMetresPerSecond,
    cell: ({ tipMetresPerSecond, tipLimit }) => (
      <span
        className={
          tipMetresPerSecond !== null && tipLimit !== null && tipMetresPerSecond > tipLimit
            ? 'font-semibold text-error'
            : ''
        }
      >
        {number(tipMetresPerSecond)}
        {tipMetresPerSecond !== null && tipLimit !== null && ` of ${tipLimit}`}
      </span>
    ),
    numeric: true,
  },
];

/** Every wheel with its measures and what it has to bear; pressed, it is shown as a shape. */
export function PartsPane() {
  const train = useTrain((state) => state.train);
  const set = useSheet((state) => state.set);
  const { list } = usePartsList();
  const sized = COLUMNS.filter(({ value }) => list.parts.some((row) => value(row) !== null && value(row) !== ''));
  return (
    <div className="min-h-0 flex-1 overflow-auto px-4 py-2 text-sm">
      <DataTable
        label={`${train.name} parts`}
        kind="parts"
        rows={list.parts}
        columns={sized}
        keyOf={({ gear }) => gear}
        oneLine
        onChoose={({ gear }) => set({ tab: 'shapes', gear })}
        beside={
          <button
            type="button"
            className="btn btn-ghost btn-xs"
            onClick={() =>
              saveFile(fileName(`${train.name} parts`, '.md'), 'text/markdown', markdownText(partsTable(list)))
            }
          >
            <FileText className="size-3.5" aria-hidden /> Markdown
          </button>
        }
      />
    </div>
  );
}
