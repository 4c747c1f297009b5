import { addRow, editCell, partsTable, type Cells, type Column, type Section } from '@/core/parts-table';
import { modelOf } from '@/core/model';
import type { Train } from '@/core/train';
import { memberName } from '@/core/words';
import { nearest } from '@/core/written-form';
import { HEADS, SECTIONS } from './heads';
import type { DraftRow, Drafts } from './kept-rows';

/** What cells came to: the train, what waits, and what is to be said of it. */
export interface Filled {
  readonly train: Train;
  readonly drafts: Drafts;
  /** What could not be taken anywhere. */
  readonly left: string | null;
  /** Members that came with couplers, by names that were not there. */
  readonly made: string | null;
}

interface Block {
  readonly section: Section;
  /** The first row that is filled, among those that are there and then those that wait. */
  readonly row: number;
  readonly column: Column;
  readonly texts: readonly (readonly string[])[];
}

/**
 * Fills a block of cells in, as it is typed or pasted; rows beyond those that are there are new. What cannot be taken
 * stays where it was typed, and is tried again whenever anything is filled in.
 */
export function fillIn(train: Train, drafts: Drafts, block: Block, keepSets: boolean): Filled {
  const { section } = block;
  const { texts, columns, unknown } = columnsOf(block);
  const ids = rowsIn(train, section).map(({ id }) => id);
  const rows = [...newRowsOf(drafts[section])];
  const typed = new Map(drafts[section].flatMap(({ of, cells }) => (of === undefined ? [] : [[of, cells]])));
  texts.forEach((row, i) => {
    const id = ids[block.row + i];
    const given = Object.fromEntries(row.flatMap((text, j) => (columns[j] ? [[columns[j], text]] : []))) as Cells;
    if (id !== undefined) return typed.set(id, { ...typed.get(id), ...given });
    const at = block.row + i - ids.length;
    rows[at] = { cells: { ...rows[at]?.cells, ...given } };
  });
  const waiting = [...rows, ...[...typed].map(([of, cells]) => ({ of, cells }))];
  const taken = takeWhatHolds(train, { ...drafts, [section]: waiting }, keepSets);
  return {
    ...taken,
    left: unknown.length > 0 ? `Left out, for there is no such column: ${unknown.join(', ')}.` : null,
    made: section === 'couplers' ? madeText(train, taken.train) : null,
  };
}

const rowsIn = (train: Train, section: Section) => modelOf(train).derive(partsTable)[section];

/** Rows that are not in the train, without what was typed into those that are. */
export const newRowsOf = (drafts: readonly DraftRow[]): readonly DraftRow[] =>
  drafts.filter(({ of }) => of === undefined);

/** Takes rows that are whole and cells that hold, as long as one makes room for another. */
function takeWhatHolds(train: Train, drafts: Drafts, keepSets: boolean): Pick<Filled, 'train' | 'drafts'> {
  let now = train;
  const remaining = (section: Section, draft: DraftRow): DraftRow | null => {
    if (draft.of !== undefined) {
      const { train: next, cells } = takeCells(now, section, draft.of, draft.cells, keepSets);
      now = next;
      return Object.keys(cells).length === 0 ? null : { ...draft, cells };
    }
    if (isEmpty(draft)) return null;
    const added = addRow(now, section, draft.cells);
    if (added.kind === 'whole') now = added.train;
    return added.kind === 'whole' ? null : draft;
  };
  let left = drafts;
  let before: Train;
  do {
    before = now;
    left = Object.fromEntries(
      SECTIONS.map((section) => [section, left[section].flatMap((draft) => remaining(section, draft) ?? [])]),
    ) as Record<Section, DraftRow[]>;
  } while (now !== before);
  return { train: now, drafts: left };
}

/** Types cells of a row that is there; those that cannot be so are given back. */
function takeCells(train: Train, section: Section, id: string, cells: Cells, keepSets: boolean) {
  let now = train;
  const refused = Object.entries(cells).filter(([column, text]) => {
    const row = rowsIn(now, section).find((one) => one.id === id);
    if (!row || row.cells[column as Column] === text.trim()) return false;
    const edit = editCell(now, section, id, column as Column, text, { keepSets });
    if (edit.ok) now = edit.train;
    return !edit.ok;
  });
  return { train: now, cells: Object.fromEntries(refused) as Cells };
}

/** Which members came by names that were not there, and what may have been meant by them. */
function madeText(before: Train, { members }: Train): string | null {
  const known = before.members.map(({ id }) => memberName(before, id));
  const made = members.filter(({ id }) => !before.members.some((member) => member.id === id));
  if (made.length === 0) return null;
  return made
    .map(({ name }) => {
      const near = nearest(name, known);
      return `“${name}” is a new member.${near === null ? '' : ` If “${near}” was meant, type that.`}`;
    })
    .join(' ');
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

/** What a row that waits, or cells that could not be taken, say of themselves. */
export function draftSays(train: Train, section: Section, { of, cells }: DraftRow): string {
  if (of !== undefined) return refusalOf(train, section, of, cells);
  const row = addRow(train, section, cells);
  if (row.kind === 'lacks') return `Waits for ${row.what.join(', ')}.`;
  return row.kind === 'wrong' ? row.message : '';
}

/** Why the first of these cells is not as it was typed; empty where it could be by now. */
function refusalOf(train: Train, section: Section, id: string, cells: Cells): string {
  for (const [column, text] of Object.entries(cells)) {
    const edit = editCell(train, section, id, column as Column, text);
    if (!edit.ok) return edit.message;
  }
  return '';
}
