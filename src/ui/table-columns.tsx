import { Columns3 } from 'lucide-react';
import type { Column } from './column';
import { DropDown } from './drop-down';
import { usePreferences } from './preferences';

/** Which columns of a table stand in it; the others are folded into the rows. Remembered by the table's kind. */
export function useColumns<Row>(kind: string, columns: readonly Column<Row>[]) {
  const chosen = usePreferences((state) => state.columns[kind]) ?? NONE;
  const stands = ({ head, less = false }: Column<Row>, i: number) => i === 0 || (chosen[head] ?? !less);
  return { shown: columns.filter(stands), folded: columns.filter((column, i) => !stands(column, i)) };
}

const NONE: Readonly<Record<string, boolean>> = {};

interface Props {
  readonly kind: string;
  readonly heads: readonly string[];
  /** Of those the ones that stand in the table. */
  readonly shown: ReadonlySet<string>;
}

/** Chooses the columns of a table. */
export function ColumnChoice({ kind, heads, shown }: Props) {
  const { columns, set } = usePreferences();
  const choose = (head: string, stands: boolean) =>
    set({ columns: { ...columns, [kind]: { ...columns[kind], [head]: stands } } });
  return (
    <DropDown
      className="btn btn-ghost btn-xs"
      title="Which columns stand in the table; the others are opened in each row"
      word={
        <>
          <Columns3 className="size-3.5" aria-hidden /> Columns
        </>
      }
    >
      <fieldset className="flex max-h-72 flex-col gap-1 overflow-auto text-sm">
        <legend className="sr-only">Columns of the table</legend>
        {heads.map((head) => (
          <label key={head} className="flex cursor-pointer items-center gap-2">
            <input
              type="checkbox"
              className="checkbox checkbox-xs"
              checked={shown.has(head)}
              onChange={({ target }) => choose(head, target.checked)}
            />
            {head}
          </label>
        ))}
      </fieldset>
    </DropDown>
  );
}
