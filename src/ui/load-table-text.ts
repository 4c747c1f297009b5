import { retryImport } from './on-demand';

type TableText = typeof import('./table-text');

let there: TableText | null = null;

/** What writes tables as text: loaded when the page has nothing else to do, or when a table is first taken along. */
export const loadTableText = async (): Promise<TableText> => (there = await retryImport(() => import('./table-text')));

/** The same where it has come already: some events allow no waiting. */
export const tableTextNow = (): TableText | null => there;
