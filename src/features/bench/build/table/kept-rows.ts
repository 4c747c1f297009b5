import { COLUMNS, type Section } from '@/core/parts-table';
import type { DraftRow } from './fill';

/** Rows that are not whole yet, by their sections. */
export type Drafts = Readonly<Record<Section, readonly DraftRow[]>>;

export const NO_DRAFTS: Drafts = { sets: [], pairs: [], couplers: [], members: [], positions: [] };

const keyOf = (id: string): string => `tin-wheel-rows/${id}`;

/** What was typed into rows that waited when the window was left. */
export function recallRows(id: string): Drafts {
  try {
    const kept = JSON.parse(localStorage.getItem(keyOf(id)) ?? '{}') as Partial<Record<Section, unknown>>;
    const sections = Object.keys(COLUMNS) as Section[];
    return Object.fromEntries(
      sections.map((section) => [section, Array.isArray(kept[section]) ? kept[section].filter(isRow) : []]),
    ) as unknown as Drafts;
  } catch {
    return NO_DRAFTS;
  }
}

export function keepRows(id: string, drafts: Drafts): void {
  try {
    if (Object.values(drafts).every((rows) => rows.length === 0)) localStorage.removeItem(keyOf(id));
    else localStorage.setItem(keyOf(id), JSON.stringify(drafts));
  } catch {
    // Without storage rows wait as long as the window is open.
  }
}

function isRow(row: unknown): row is DraftRow {
  const cells = (row as Partial<DraftRow> | null)?.cells;
  return typeof cells === 'object' && Object.values(cells).every((text) => typeof text === 'string');
}
