import { addRow, editCell, partsTable, type Cells, type Column, type Section } from '@/core/parts-table';
import { modelOf } from '@/core/model';
import type { Train } from '@/core/train';
import { HEADS } from './heads';

/** A row that is not whole yet, and what is wrong with it where that is not only what it lacks. */
export interface DraftRow {
  readonly cells: Cells;
}

/** What cells came to: the train, the rows that wait, and what could not be taken. */
export interface Filled {
  readonly train: Train;
  readonly drafts: readonly DraftRow[];
  readonly messages: readonly string[];
}

interface Block {
  readonly section: Section;
  /** The first row that is filled, among those that are there and then those that wait. */
  readonly row: number;
  readonly column: Column;
  readonly texts: readonly (readonly string[])[];
}

/** Fills a block of cells in, as it is typed or pasted; rows beyond those that are there are new. */
export function fillIn(train: Train, drafts: readonly DraftRow[], block: Block, keepSets: boolean): Filled {
  const { section } = block;
  const { texts, columns, unknown } = columnsOf(block);
  const messages = unknown.length > 0 ? [`Left out, for there is no such column: ${unknown.join(', ')}.`] : [];
  const rowsIn = (of: Train) => modelOf(of).derive(partsTable)[section];
  const ids = rowsIn(train).map(({ id }) => id);
  let now = train;
  const waiting = [...drafts];
  texts.forEach((row, i) => {
    const id = ids[block.row + i];
    if (id !== undefined) {
      row.forEach((text, j) => {
        const column = columns[j];
        if (!column || rowsIn(now).find((one) => one.id === id)?.cells[column] === text.trim()) return;
        const edit = editCell(now, section, id, column, text, { keepSets });
        if (edit.ok) now = edit.train;
        else messages.push(edit.message);
      });
      return;
    }
    const at = block.row + i - ids.length;
    const given = Object.fromEntries(row.flatMap((text, j) => (columns[j] ? [[columns[j], text]] : []))) as Cells;
    waiting[at] = { cells: { ...waiting[at]?.cells, ...given } };
  });
  const left = waiting.filter((draft) => {
    if (!draft || isEmpty(draft)) return false;
    const added = addRow(now, section, draft.cells);
    if (added.kind !== 'whole') return true;
    now = added.train;
    return false;
  });
  return { train: now, drafts: left, messages };
}

/** Which columns a block fills: from its own on, or by its heads where its first row has them. */
function columnsOf({ section, column, texts }: Block) {
  const heads = HEADS[section];
  const from = heads.findIndex((head) => head.column === column);
  const [first = [], ...rest] = texts;
  const byHead = first.map(
    (text) => heads.find(({ head }) => head.toLowerCase() === text.trim().toLowerCase())?.column,
  );
  const hasHeads = rest.length > 0 && byHead.filter((one) => one !== undefined).length >= 2;
  const columns = hasHeads ? byHead : heads.slice(from).map((head) => head.column);
  const widest = Math.max(...texts.map(({ length }) => length));
  const unknown = hasHeads
    ? first.filter((text, i) => byHead[i] === undefined && text.trim() !== '')
    : widest > columns.length
      ? [`${widest - columns.length} beyond the last`]
      : [];
  return { texts: hasHeads ? rest : texts, columns, unknown };
}

const isEmpty = ({ cells }: DraftRow): boolean => Object.values(cells).every((text) => text.trim() === '');

/** Rows and cells of a block that was copied from a spreadsheet; null of a text that goes into one cell. */
export function blockOf(text: string): readonly (readonly string[])[] | null {
  const lines = text.replace(/\r?\n$/, '').split(/\r?\n/);
  if (lines.length === 1 && !text.includes('\t')) return null;
  return lines.map((line) => line.split('\t').map((cell) => cell.replace(/^"(.*)"$/s, '$1').replaceAll('""', '"')));
}

/** What a waiting row says of itself. */
export function draftSays(train: Train, section: Section, { cells }: DraftRow): string {
  const row = addRow(train, section, cells);
  if (row.kind === 'lacks') return `Waits for ${row.what.join(', ')}.`;
  return row.kind === 'wrong' ? row.message : '';
}
