import { toFraction, type Rational } from '@/core/rational';
import type { Train } from '@/core/train';
import { ratioByConvention, type RatioConvention } from '@/core/units';
import { couplerName, listed, memberName } from '@/core/words';
import { workingText } from '@/core/working';
import { analyseEngaged, type FlowKind, type Explained, type Loads } from '@/features/train/analysis';
import type { TypedInput } from '@/features/train/input/typed-input';
import { escapeMarkdown, markdownText, type Table } from '@/ui/table-text';
import { figureRow, figuresTable } from '../panel/figure-rows';

/** What is written into files: one position, or every position of the train. */
export interface Written {
  readonly train: Train;
  readonly positions: readonly { readonly name: string; readonly engaged: readonly string[] }[];
  readonly flow: FlowKind;
  readonly losses: boolean;
  readonly convention: RatioConvention;
  readonly typed: TypedInput;
  /** Where loads are given. */
  readonly loads: Loads | null;
}

interface WrittenPosition {
  readonly name: string;
  readonly engaged: string;
  readonly position: Explained;
}

const positionsOf = ({ train, positions, flow, losses, loads }: Written): WrittenPosition[] =>
  positions.map(({ name, engaged }) => ({
    name,
    engaged: listed(engaged.map((id) => couplerName(train, id))) || 'nothing',
    position: analyseEngaged(train, engaged, flow, losses, loads),
  }));

const rowsOf = ({ train, typed }: Written, { figures }: Explained) =>
  figures.map((row) => figureRow(row, memberName(train, row.id), typed));

const ratioCells = (ratio: Rational | null, status: string, convention: RatioConvention): [string, string] => [
  ratio ? toFraction(ratioByConvention(ratio, convention)) : '',
  ratio && ratio.n < 0 ? `${status}, reverse` : status,
];

/** Every member's figures in every position that is written, a row each. */
export function figuresFile(written: Written): Table {
  const { convention, typed } = written;
  const tables = positionsOf(written).map(({ name, position }) => ({
    lead: [name, ...ratioCells(position.solved.ratio, position.solved.status, convention)],
    table: figuresTable(rowsOf(written, position), typed),
  }));
  return {
    head: ['Position', `Ratio, ${convention}`, 'Status', ...figuresTable([], typed).head],
    rows: tables.flatMap(({ lead, table }) => table.rows.map((row) => [...lead, ...row])),
  };
}

/** The figures as a page of Markdown: a heading and a table for each position. */
export function figuresPage(written: Written): string {
  const { train, convention, typed } = written;
  const parts = positionsOf(written).map(
    ({ name, engaged, position }) =>
      '## ' +
      [
        escapeMarkdown(`Position ${name}`),
        escapeMarkdown(`${summary(position, convention)}. Engaged: ${engaged}.`),
        markdownText(figuresTable(rowsOf(written, position), typed)),
      ].join('\n\n'),
  );
  return page(train, 'figures', parts);
}

const linesOf = ({ train, convention }: Written, { working }: Explained): string[] =>
  workingText(working, { member: (id) => memberName(train, id), coupler: (id) => couplerName(train, id) }, convention);

/** The working of every position that is written, a row for each line. */
export const workingFile = (written: Written): Table => ({
  head: ['Position', 'Line', 'Working'],
  rows: positionsOf(written).flatMap(({ name, position }) =>
    linesOf(written, position).map((text, i) => [name, String(i + 1), text.trim()]),
  ),
});

/** The working as a page of Markdown, line for line as it is written by hand. */
export function workingPage(written: Written): string {
  const parts = positionsOf(written).map(
    ({ name, engaged, position }) =>
      '## ' +
      [
        escapeMarkdown(`Position ${name}`),
        escapeMarkdown(`${summary(position, written.convention)}. Engaged: ${engaged}.`),
        fenced(linesOf(written, position)),
      ].join('\n\n'),
  );
  return page(written.train, 'working', parts);
}

function summary({ solved: { ratio, status } }: Explained, convention: RatioConvention): string {
  return ratio
    ? `Ratio ${toFraction(ratioByConvention(ratio, convention))} ${convention}${ratio.n < 0 ? ', reverse' : ''}`
    : `It is ${status}`;
}

const page = (train: Train, what: string, parts: readonly string[]): string =>
  `# ${escapeMarkdown(train.name)}: ${what}\n\n${parts.join('\n')}\nComputed motion and ` +
  'ideal or estimated torque; nothing here is rated for strength.\n';

/** Lines as they are; the fence is longer than any row of backticks in a name. */
function fenced(lines: readonly string[]): string {
  const clean = lines.map((line) => line.replace(/[\r\n]+/g, ' '));
  const fence = '`'.repeat(
    Math.max(3, ...clean.map((line) => 1 + Math.max(0, ...(line.match(/`+/g) ?? []).map(({ length }) => length)))),
  );
  return `${fence}text\n${clean.join('\n')}\n${fence}\n`;
}
