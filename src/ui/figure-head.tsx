import { Image as ImageIcon, Table2 } from 'lucide-react';
import type { ReactNode } from 'react';

interface Props {
  readonly title: string;
  readonly beside: ReactNode;
  readonly table: boolean;
  readonly onTable: (table: boolean) => void;
  readonly onSave: () => void;
}

/** Above a picture of figures: what it is, the table behind it, and the picture to take along. */
export function FigureHead({ title, beside, table, onTable, onSave }: Props) {
  return (
    <>
      <span className="text-sm font-semibold">{title}</span>
      {beside}
      <span className="flex-1" />
      <button
        type="button"
        className="btn btn-ghost btn-xs"
        aria-pressed={table}
        title={table ? 'Show the picture' : 'Show the same figures as a table'}
        onClick={() => onTable(!table)}
      >
        <Table2 className="size-3.5" aria-hidden /> {table ? 'Picture' : 'Table'}
      </button>
      {!table && (
        <button type="button" className="btn btn-ghost btn-xs" title="Save the picture as PNG" onClick={onSave}>
          <ImageIcon className="size-3.5" aria-hidden /> PNG
        </button>
      )}
    </>
  );
}
