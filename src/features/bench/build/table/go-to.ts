/** Gives the focus to the cell so many rows and columns on; at an end of the grid it stays. */
export function goTo(from: HTMLElement, down: number, along: number): void {
  const [rows, y, x] = placeOf(from);
  if (down === 0) rows[y]?.[x + along]?.focus();
  // The empty row has no number to press, so columns are counted from the right.
  else rows[y + down]?.at(x - (rows[y]?.length ?? 0))?.focus();
}

/** Gives the focus to the first cell that is typed in, so many rows on. */
export function goToRow(from: HTMLElement, down: number): void {
  const [rows, y] = placeOf(from);
  rows[y + down]?.find((cell) => cell.tagName === 'INPUT')?.focus();
}

/** Is it the last cell of its row? */
export function isLast(cell: HTMLElement): boolean {
  const [rows, y] = placeOf(cell);
  return rows[y]?.at(-1) === cell;
}

/** The rows of the grid that have cells, and where this cell is among them. */
function placeOf(cell: HTMLElement): readonly [rows: readonly (readonly HTMLElement[])[], y: number, x: number] {
  const rows = [...(cell.closest('tbody')?.querySelectorAll('tr') ?? [])]
    .map((row) => [...row.querySelectorAll<HTMLElement>('[data-cell]')])
    .filter((cells) => cells.length > 0);
  const y = rows.findIndex((cells) => cells.includes(cell));
  return [rows, y, rows[y]?.indexOf(cell) ?? -1];
}
