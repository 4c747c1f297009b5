import { useMemo, type ReactNode } from 'react';
import { abs, toFraction, toNumber } from '@/core/rational';
import { countsText, missWords, type SearchResult, type SearchQuestion, type WantedRatio } from '@/core/tooth-search';
import type { Train } from '@/core/train';
import { figure, ratioByConvention, type RatioConvention } from '@/core/units';
import { memberName } from '@/core/words';
import type { Column } from '@/ui/column';
import { DataTable } from '@/ui/data-table';
import { usePreferences } from '@/ui/preferences';
import { errorText } from './error-text';
import { itemAt, lookUp, required } from '@/core/required';

interface Props {
  readonly question: SearchQuestion;
  readonly train: Train | null;
  readonly findings: readonly SearchResult[];
  readonly checks: ReadonlyMap<string, readonly string[]> | undefined;
  /** What stands above the table. */
  readonly beside: ReactNode;
  readonly chosen: string | null;
  readonly onChoose: (key: string) => void;
}

/** What was found, best first. */
export function ResultsTable({ question, train, findings, checks, beside, chosen, onChoose }: Props) {
  const convention = usePreferences((state) => state.convention);
  const columns = useMemo(() => columnsOf(question, train, checks, convention), [question, train, checks, convention]);
  return (
    <DataTable
      label="What was found"
      kind={`found ${question.kind}`}
      rows={findings}
      columns={columns}
      beside={beside}
      keyOf={({ key }) => key}
      chosen={({ key }) => key === chosen}
      oneLine
      onChoose={({ key }) => onChoose(key)}
    />
  );
}

function columnsOf(
  question: SearchQuestion,
  train: Train | null,
  checks: Props['checks'],
  convention: RatioConvention,
): readonly Column<SearchResult>[] {
  const tail = [
    LARGEST,
    TEETH,
    ...(hasCentres(question) ? [centresColumn(question.module)] : []),
    less(SHARING),
    less(checksColumn(checks)),
  ];
  const wide = tail.map((column) => less(column));
  switch (question.kind) {
    case 'chains': {
      // Three pairs and more leave no room beside them.
      const drift = { ...missColumn(question.wanted), less: Math.max(...question.stages) > 2 };
      return [COUNTS, less(ratioColumn(convention)), ERROR, drift, ...tail];
    }
    case 'planetary':
      return [
        { ...COUNTS, head: 'Sun · planet · ring' },
        less(ratioColumn(convention)),
        ERROR,
        less(missColumn(question.wanted)),
        ...tail,
      ];
    case 'outputs':
      return [
        COUNTS,
        WORST,
        less(TOTAL),
        ...question.question.outputs.map(({ name }) => ({
          ...ERROR,
          head: name,
          title: `Error of ${name}, from the input`,
          value: ({ ratios }: SearchResult) => ratios.find((one) => one.name === name)?.error ?? null,
          cell: ({ ratios }: SearchResult) => errorText(ratios.find((one) => one.name === name)?.error ?? 0),
        })),
        ...wide,
      ];
    case 'ladder':
    case 'ranges':
      return [
        { head: 'Teeth of a pair', numeric: true, value: ({ centres }) => 2 * itemAt(centres, 0) },
        WORST,
        ...Array.from({ length: pairsOf(question) }, (_, i): Column<SearchResult> => ({
          head: question.kind === 'ranges' ? String.fromCharCode(65 + i) : `${i + 1}`,
          value: ({ made }) => (made.kind === 'pairs' ? itemAt(made.pairs, i).join('/') : ''),
          cell: ({ made, ratios }) =>
            made.kind === 'pairs' && (
              <span
                title={`${figure(toNumber(itemAt(ratios, i).ratio))} in/out, ${errorText(itemAt(ratios, i).error)}`}
              >
                {itemAt(made.pairs, i).join('/')}
              </span>
            ),
          less: i >= MOST_PAIRS,
        })),
        ...wide,
      ];
    case 'fit':
      return [
        WORST,
        ...[...question.question.free.keys()].map((gear, i): Column<SearchResult> => ({
          head: nameOfGear(train, gear),
          title: 'Teeth',
          numeric: true,
          value: ({ made }) => (made.kind === 'teeth' ? lookUp(made.teeth, gear) : null),
          less: i >= MOST_GEARS,
        })),
        ...[...question.question.targets].map(([id, { ratio }], i): Column<SearchResult> => ({
          head: train?.positions.find((position) => position.id === id)?.name ?? id,
          title: `Ratio, in/out; wanted ${figure(toNumber(ratio))}`,
          numeric: true,
          value: ({ ratios }) => Math.abs(toNumber(required(ratios.find((one) => one.id === id)).ratio)),
          cell: ({ ratios }) => figure(Math.abs(toNumber(required(ratios.find((one) => one.id === id)).ratio))),
          less: i >= MOST_POSITIONS,
        })),
        ...wide,
      ];
  }
}

const less = (column: Column<SearchResult>): Column<SearchResult> => ({ ...column, less: true });
/** So many columns of a kind have room at 1280 px; the others are folded into the row. */
const [MOST_PAIRS, MOST_GEARS, MOST_POSITIONS] = [6, 3, 3];

const hasCentres = ({ kind }: SearchQuestion): boolean => kind === 'chains' || kind === 'outputs';
const pairsOf = (question: Extract<SearchQuestion, { kind: 'ladder' | 'ranges' }>): number =>
  question.kind === 'ladder' ? question.question.positions : question.question.ranges;

/** By its member; of two on one member with its count too. */
function nameOfGear(train: Train | null, id: string): string {
  const gear = train?.gears.find((one) => one.id === id);
  if (!train || !gear) return id;
  const isOnlyOne = train.gears.filter(({ member }) => member === gear.member).length === 1;
  return isOnlyOne ? memberName(train, gear.member) : `${gear.teeth} on ${memberName(train, gear.member)}`;
}

const COUNTS: Column<SearchResult> = { head: 'Driver → driven', value: (finding) => countsText(finding) };
const ERROR: Column<SearchResult> = {
  head: 'Error',
  numeric: true,
  value: ({ error }) => error,
  cell: ({ error }) => errorText(error),
};
const WORST: Column<SearchResult> = { ...ERROR, head: 'Worst error' };
const totalError = ({ ratios }: SearchResult): number => ratios.reduce((sum, { error }) => sum + error, 0);
const TOTAL: Column<SearchResult> = {
  head: 'Total error',
  numeric: true,
  value: totalError,
  cell: (finding) => errorText(totalError(finding)),
};
const LARGEST: Column<SearchResult> = { head: 'Largest wheel', numeric: true, value: ({ largest }) => largest };
const TEETH: Column<SearchResult> = {
  head: 'Teeth',
  title: 'Of all wheels together, each planet counted',
  numeric: true,
  value: ({ teeth }) => teeth,
};
const SHARING: Column<SearchResult> = {
  head: 'Common factors',
  title: 'Pairs whose counts have a factor in common',
  numeric: true,
  value: ({ sharing }) => sharing,
  cell: ({ sharing }) => (sharing === 0 ? 'none' : `${sharing} ${sharing === 1 ? 'pair' : 'pairs'}`),
};

const ratioColumn = (convention: RatioConvention): Column<SearchResult> => ({
  head: `Ratio, ${convention}`,
  numeric: true,
  value: ({ ratios: [one] }) => toNumber(ratioByConvention(required(one).ratio, convention)),
  cell: ({ ratios: [one] }) => {
    const ratio = ratioByConvention(required(one).ratio, convention);
    return <span title={figure(toNumber(ratio))}>{longest(toFraction(ratio))}</span>;
  },
});

const missColumn = (wanted: WantedRatio): Column<SearchResult> => ({
  head: 'Drift',
  value: ({ ratios: [one] }) => missWords(wanted, abs(required(one).ratio)),
});

const checksColumn = (checks: Props['checks']): Column<SearchResult> => ({
  head: 'Checks',
  value: ({ key }) => checks?.get(key)?.join(' ') ?? '',
  cell: ({ key }) => {
    const told = checks?.get(key);
    if (!told) return '';
    return told.length === 0 ? (
      'nothing'
    ) : (
      <span title={told.join('\n')}>
        {told.length} {told.length === 1 ? 'note' : 'notes'}
      </span>
    );
  },
});

function centresColumn(module: number | undefined): Column<SearchResult> {
  const apart = ({ centres }: SearchResult) =>
    [...new Set(centres)].map((centre) => (module === undefined ? centre : centre * module));
  return {
    less: true,
    head: module === undefined ? 'Centres, modules' : 'Centres, mm',
    value: (finding) =>
      apart(finding)
        .map((centre) => Number(centre.toPrecision(6)))
        .join(' · '),
  };
}

/** Digits that a cell has room for. */
const MOST_LETTERS = 22;
const longest = (text: string): string => (text.length <= MOST_LETTERS ? text : `${text.slice(0, MOST_LETTERS)}…`);
