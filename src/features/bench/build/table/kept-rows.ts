import { COLUMNS, type Section } from '@/core/parts-table';
import { keepStored, stored } from '@/ui/stored';
import type { DraftRow } from './fill';

/** Rows that are not whole yet, by their sections. */
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
  const cells = (row as Partial<DraftRow> | null)?.cells;
  return typeof cells === 'object' && Object.values(cells).every((text) => typeof text === 'string');
}
