import { markdownTable } from 'markdown-table';
import Papa from 'papaparse';

/** A table of plain text, for a file or the clipboard. */
export interface Table {
  readonly head: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/**
 * A cell that a spreadsheet would take for a formula, full-width signs and blanks before it included; plain numbers and
 * fractions with a sign are none.
 */
const FORMULA = /^[\t\r]|^[\s\u3000]*[=@＝＠]|^[\s\u3000]*[+\-＋－](?![\d.,/]*$)/;

const FRACTION = /^(\d{1,2})\/(\d{1,2}|\d{4})$/;

/** May these be read as a month and a day, a day and a month, or a month and a year? */
const dateLike = (a: number, b: number): boolean => a > 0 && b > 0 && (a <= 12 || (a <= 31 && b <= 12));

/** The same fraction with the fraction slash (U+2044): it says the same, and no spreadsheet takes it for a date. */
const undated = (cell: string): string =>
  cell.replace(FRACTION, (whole, a: string, b: string) => (dateLike(Number(a), Number(b)) ? `${a}\u2044${b}` : whole));

const separated = ({ head, rows }: Table, delimiter: string): string =>
  Papa.unparse([[...head], ...rows.map((row) => row.map(undated))], { delimiter, escapeFormulae: FORMULA });

/** Comma-separated; cells that begin like a formula are neutralised with an apostrophe. */
export const csvText = (table: Table): string => `${separated(table, ',')}\r\n`;

/** Tab-separated, as spreadsheets take it from the clipboard. */
export const tabText = (table: Table): string =>
  separated(
    { head: table.head, rows: table.rows.map((row) => row.map((cell) => cell.replace(/[\t\r\n]/g, ' '))) },
    '\t',
  );

/** A Markdown table; whatever Markdown or HTML would read in a cell is escaped. */
export const markdownText = ({ head, rows }: Table): string =>
  `${markdownTable([head, ...rows].map((row) => row.map(escapeMarkdown)))}\n`;

/** A text that Markdown shows as it is. */
export const escapeMarkdown = (text: string): string =>
  text.replace(/[\r\n]+/g, ' ').replace(/[\\`*_[\]<>|~&#]/g, '\\$&');
