import { LIMITS, type Coupler, type Train, partsById } from '../train';
import { itemAt } from '../required';

/** What a column of a pasted table is taken for. */
export type ColumnUse =
  | { readonly kind: 'name' }
  | { readonly kind: 'coupler'; readonly coupler: string }
  /** Left out: figures are worked out here, and a one-way clutch that nobody selects decides for itself. */
  | { readonly kind: 'left-out' }
  /** Not understood: to be asked. */
  | { readonly kind: 'unknown' };

export interface PastedColumn {
  readonly head: string;
  readonly use: ColumnUse;
  /** What stands there, for whoever is asked. */
  readonly sample: readonly string[];
}

export interface PastedRow {
  readonly name: string;
  readonly engaged: readonly string[];
}

/** What was understood of a pasted shift chart, and what was not. */
export interface Pasted {
  readonly columns: readonly PastedColumn[];
  readonly rows: readonly PastedRow[];
  /** What was left out or stands in doubt, each with its row. */
  readonly doubts: readonly string[];
}

const ON = new Set(['x', '1', '1.0', '●', '•', '⬤', '■', '✓', '✔', '✗', '×', 'on', 'yes', 'y', '+']);
const OFF = new Set(['', '0', '0.0', '-', '–', '—', '−', '.', '·', '○', 'off', 'no', 'n']);
const NAME_HEAD = /^(position|gear|name|speed|row)s?$/i;
/** Heads of the figures that a chart of ours has beside its couplers. */
const FIGURE_HEAD = /^(status|ratio|way|direction|step|off even|off progressive|shift|efficiency|output)\b/i;
const MOST_DOUBTS = 12;

/**
 * Reads a shift chart out of a table of cells: rows are positions, columns couplers. A head row matches columns to
 * couplers by name or id; without one the columns are couplers in the document's order where their number is right.
 * @param answers what a person said of columns, by place; they go before what is guessed.
 */
export function readPasted(
  train: Train,
  cells: readonly (readonly string[])[],
  answers: ReadonlyMap<number, ColumnUse> = new Map(),
): Pasted {
  const table = cells.map((row) => row.map((cell) => cell.trim())).filter((row) => row.some((cell) => cell !== ''));
  const headed = table.length > 0 && isHead(train, itemAt(table, 0));
  const head = headed ? itemAt(table, 0) : [];
  const body = headed ? table.slice(1) : table;
  const width = Math.max(0, head.length, ...body.slice(0, LIMITS.positions).map(({ length }) => length));
  const guessed = headed ? guessByHead(train, head, width) : guessByPlace(train, width);
  const columns = guessed.map((use, i): PastedColumn => ({
    head: head[i] ?? '',
    use: answers.get(i) ?? use,
    sample: [...new Set(body.slice(0, 20).map((row) => row[i] ?? ''))].filter((cell) => cell !== '').slice(0, 4),
  }));
  const doubts: string[] = [];
  const say = (doubt: string) => doubts.push(doubt);
  const rows = readRows(train, body, columns, headed ? head.length : width, headed ? 2 : 1, say);
  return {
    columns,
    rows,
    doubts:
      doubts.length > MOST_DOUBTS
        ? [...doubts.slice(0, MOST_DOUBTS), `And ${doubts.length - MOST_DOUBTS} more like these.`]
        : doubts,
  };
}

const called = (coupler: Coupler, text: string): boolean =>
  [coupler.id, coupler.name].some((name) => name !== '' && plain(name) === plain(text));

const plain = (text: string): string => text.trim().toLowerCase().replace(/\s+/g, ' ');

/** A head names couplers, each at most once, or says that its first column has the names. */
function isHead({ couplers }: Train, row: readonly string[]): boolean {
  const named = row.some((cell) => couplers.some((coupler) => called(coupler, cell)));
  const written = row.filter((cell) => cell !== '').map(plain);
  // A row of marks may name the couplers themselves.
  return NAME_HEAD.test(row[0] ?? '') || (named && !row.every(isMark) && new Set(written).size === written.length);
}

const isMark = (cell: string): boolean => ON.has(plain(cell)) || OFF.has(plain(cell));

function guessByHead(train: Train, head: readonly string[], width: number): readonly ColumnUse[] {
  const uses = Array.from({ length: width }, (_, i) => headUse(train, head[i] ?? ''));
  const named = uses.some(({ kind }) => kind === 'name');
  // Without a column called so, the first says the names: that is where people write them.
  return uses.map((use, i) => (i === 0 && !named && use.kind === 'unknown' ? { kind: 'name' } : use));
}

function headUse({ couplers }: Train, head: string): ColumnUse {
  const found = couplers.find((coupler) => called(coupler, head));
  if (found) return decides(found) ? { kind: 'left-out' } : { kind: 'coupler', coupler: found.id };
  if (NAME_HEAD.test(head)) return { kind: 'name' };
  return FIGURE_HEAD.test(head) ? { kind: 'left-out' } : { kind: 'unknown' };
}

function guessByPlace(train: Train, width: number): readonly ColumnUse[] {
  const own = train.couplers.filter((coupler) => !decides(coupler));
  const fits = width === own.length + 1;
  return Array.from({ length: width }, (_, i): ColumnUse => {
    if (i === 0) return { kind: 'name' };
    return fits ? { kind: 'coupler', coupler: itemAt(own, i - 1).id } : { kind: 'unknown' };
  });
}

const decides = (coupler: Coupler): boolean => coupler.type === 'one-way' && coupler.control !== 'selectable';

function readRows(
  train: Train,
  body: readonly (readonly string[])[],
  columns: readonly PastedColumn[],
  full: number,
  firstLine: number,
  say: (doubt: string) => void,
): readonly PastedRow[] {
  const nameAt = columns.findIndex(({ use }) => use.kind === 'name');
  if (body.length > LIMITS.positions)
    say(
      `${body.length} rows; a train has at most ${LIMITS.positions} ` +
        `positions, so the first ${LIMITS.positions} are read.`,
    );
  const names = new Set<string>();
  return body.slice(0, LIMITS.positions).flatMap((row, i): PastedRow[] => {
    const line = `Row ${i + firstLine}`;
    const name = row[nameAt] ?? '';
    if (name === '') {
      say(`${line} has no name and is left out.`);
      return [];
    }
    if (names.has(plain(name))) {
      say(`${line}: there is a row "${name}" already; this one is left out.`);
      return [];
    }
    names.add(plain(name));
    if (row.length < full) say(`${line} ("${name}") has ${row.length} of ${full} cells; the rest counts as off.`);
    return [{ name, engaged: readMarks(train, row, columns, `${line} ("${name}")`, say) }];
  });
}

function readMarks(
  train: Train,
  row: readonly string[],
  columns: readonly PastedColumn[],
  line: string,
  say: (doubt: string) => void,
): readonly string[] {
  return columns.flatMap(({ use }, i) => {
    if (use.kind !== 'coupler') return [];
    const cell = row[i] ?? '';
    const mark = plain(cell).replace(',', '.');
    const coupler = partsById(train).coupler(use.coupler);
    if (ON.has(mark) || called(coupler, cell)) return [coupler.id];
    if (!OFF.has(mark) && Number(mark) !== 0)
      say(`${line}: "${cell}" under ${coupler.name || coupler.id} counts as off.`);
    return [];
  });
}
