import { FileDown } from 'lucide-react';
import { useId } from 'react';
import { OpenFile } from '@/ui/open-file';
import { fileName, saveFile } from '@/ui/save-file';
import { csvText } from '@/ui/table-text';
import { scheduleLines } from '../form';

interface Props {
  readonly label: string;
  readonly heads: readonly [string, string];
  readonly value: string;
  readonly message: string | null;
  readonly onChange: (text: string) => void;
}

/** A line as pairs of figures, one to a row; out of a CSV file and into one. */
export function LinesField({ label, heads, value, message, onChange }: Props) {
  const id = useId();
  const rows = scheduleLines(value);
  const open = async (file: File) => {
    // A first row of words is the table's head.
    const lines = scheduleLines(await file.text());
    const figures = lines.filter((cells, i) => i > 0 || cells.every((cell) => !Number.isNaN(Number(cell))));
    onChange(figures.map((cells) => cells.join(', ')).join('\n'));
  };
  return (
    <div className="flex flex-col gap-0.5">
      <div className="flex items-center justify-between">
        <label htmlFor={id} className="muted">
          {label} <span className="whitespace-nowrap">({heads.join(', ')})</span>
        </label>
        <span className="flex">
          <OpenFile
            label={`${label}: open a CSV file`}
            accept=".csv,text/csv,text/plain"
            onOpen={(file) => void open(file)}
          />
          <button
            type="button"
            className="btn btn-ghost btn-xs btn-square"
            title="Save as a CSV file"
            aria-label={`${label}: save as a CSV file`}
            disabled={rows.length === 0}
            onClick={() => saveFile(fileName(label, '.csv'), 'text/csv', csvText({ head: heads, rows }))}
          >
            <FileDown className="size-3.5" aria-hidden />
          </button>
        </span>
      </div>
      <textarea
        id={id}
        className="textarea textarea-xs figure h-14 w-full aria-invalid:border-error"
        placeholder={`0, 0.5\n10, 0.5`}
        value={value}
        aria-invalid={message !== null}
        onChange={(event) => onChange(event.target.value)}
      />
      {message !== null && (
        <p role="alert" className="text-error">
          {message}
        </p>
      )}
    </div>
  );
}
