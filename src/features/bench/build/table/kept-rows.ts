import { COLUMNS, type Cells, type Section } from '@/core/parts-table';
import { keepStored, stored } from '@/ui/stored';

/** What is typed and not in the train: a row that is not whole yet, or cells of a row that is there. */
export interface DraftRow {
  /** The id of the row whose cells could not be taken as they stand. */
  readonly of?: string;
  readonly cells: Cells;
}

/** What is typed and not in the train, by its sections. */
export type Drafts = Readonly<Record<Section, readonly DraftRow[]>>;

export const NO_DRAFTS: Drafts = { sets: [], pairs: [], wheels: [], couplers: [], members: [], positions: [] };

const keyOf = (id: string): string => `tin-wheel-rows/${id}`;

/** What was typed into rows that waited when the window was left. */
export function recallRows(id: string): Drafts {
  const kept = (stored(keyOf(id)) ?? {}) as Partial<Record<Section, unknown>>;
  const rows = (section: Section) => (Array.isArray(kept[section]) ? kept[section].filter(isRow) : []);
  return Object.fromEntries((Object.keys(COLUMNS) as Section[]).map((section) => [section, rows(section)])) as Record<
    Section,
    DraftRow[]
  >;
}

export const keepRows = (id: string, drafts: Drafts): void =>
  keepStored(keyOf(id), Object.values(drafts).every((rows) => rows.length === 0) ? null : drafts);

function isRow(row: unknown): row is DraftRow {
  const { of, cells } = (row ?? {}) as Partial<DraftRow>;
  return (
    (of === undefined || typeof of === 'string') &&
    typeof cells === 'object' &&
    Object.values(cells).every((text) => typeof text === 'string')
  );
}
