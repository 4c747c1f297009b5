import { itemAt, required } from '@/core/required';
/** The cells of a row that the focus can go to, from the left. */
export const cellsOf = (row: HTMLTableRowElement): readonly HTMLElement[] => [
  ...row.querySelectorAll<HTMLElement>('[data-cell]'),
];

/**
 * Arrow keys go from cell to cell, as in a spreadsheet; Home and End to the ends of the row. @returns whether the key
 * was one of these.
 */
export function moveFocus(key: string, from: Element, table: HTMLTableElement): boolean {
  if (!key.startsWith('Arrow') && key !== 'Home' && key !== 'End') return false;
  const rows = [...required(table.tBodies[0]).rows].map(cellsOf);
  const y = rows.findIndex((cells) => cells.some((cell) => cell === from));
  const x = rows[y]?.findIndex((cell) => cell === from) ?? -1;
  if (x < 0) return false;
  const to = {
    ArrowUp: rows[y - 1]?.[x],
    ArrowDown: rows[y + 1]?.[x],
    ArrowLeft: itemAt(rows, y)[x - 1],
    ArrowRight: itemAt(rows, y)[x + 1],
    Home: itemAt(rows, y)[0],
    End: itemAt(rows, y).at(-1),
  }[key];
  to?.focus();
  to?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  return true;
}
