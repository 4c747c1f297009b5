/** Gives the focus to the cell so many rows and columns on; at an end of the grid it stays. */
export function goTo(from: HTMLElement, down: number, along: number): void {
  const [rows, y, x] = placeOf(from);
  if (down === 0) rows[y]?.[x + along]?.focus();
  else rows[y + down]?.at(fromRight(rows, y, x))?.focus();
}

/** Notes that a run of cells begins here: what is gone to by Tab goes on with it. */
export function beginRun(cell: HTMLElement): void {
  const [rows, y, x] = placeOf(cell);
  const grid = cell.closest('table');
  if (grid) grid.dataset.begun = String(fromRight(rows, y, x));
}

/** Gives the focus to the cell where the run began, a row further down. */
export function goToNextRun(from: HTMLElement): void {
  const [rows, y] = placeOf(from);
  rows[y + 1]?.at(Number(from.closest('table')?.dataset.begun ?? -1))?.focus();
}

/** Columns are counted from the right, for the empty row has no number to press. */
const fromRight = (rows: readonly (readonly HTMLElement[])[], y: number, x: number): number =>
  x - (rows[y]?.length ?? 0);

/** The rows of the grid that have cells, and where this cell is among them. */
function placeOf(cell: HTMLElement): readonly [rows: readonly (readonly HTMLElement[])[], y: number, x: number] {
  const rows = [...(cell.closest('tbody')?.querySelectorAll('tr') ?? [])]
    .map((row) => [...row.querySelectorAll<HTMLElement>('[data-cell]')])
    .filter((cells) => cells.length > 0);
  const y = rows.findIndex((cells) => cells.includes(cell));
  return [rows, y, rows[y]?.indexOf(cell) ?? -1];
}
