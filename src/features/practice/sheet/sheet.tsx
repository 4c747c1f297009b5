import { Printer, Table2 } from 'lucide-react';
import { Tick } from '@/ui/form/inputs';
import { fileName, saveFile } from '@/ui/save-file';
import { csvText } from '@/ui/table-text';
import { GivenLists, showsChart } from '../question/given';
import { TrainFigure } from '../question/train-figure';
import type { OpenSheet } from '../store';
import { usePractice, usePracticeItself } from '../use-practice';
import { AnswerPages } from './answer-pages';
import { markItems, markOf } from './begin';
import { itemsOf, resultsTable } from './items';
import { QuestionLine } from './question-line';
import { RolesTable } from './roles-table';
import { itemAt } from '@/core/required';

/**
 * A worksheet as it lies on the table: by train the drawing, the roles table and the questions; on paper, the answers
 * on pages of their own.
 */
export function WorksheetPane() {
  const open = usePractice((state) => state.sheet);
  if (!open)
    return (
      <p className="muted m-auto max-w-prose p-6">
        Choose trains and skills, and make a worksheet: to be filled in here, or printed. The same seed makes the same
        sheet.
      </p>
    );
  return (
    <article
      aria-label={open.file.name}
      className="paper flex min-h-0 flex-1 flex-col gap-3 overflow-auto px-5 py-3 print:overflow-visible print:px-0"
    >
      <SheetHead open={open} />
      {open.changed.length > 0 && (
        <p role="alert" className="border-l-3 border-warning pl-2 print:hidden">
          {open.changed.join(', ')} {open.changed.length === 1 ? 'has' : 'have'} changed on the shelf since. This sheet
          asks about {open.changed.length === 1 ? 'it' : 'them'} as {open.changed.length === 1 ? 'it was' : 'they were'}
          .
        </p>
      )}
      {open.sheet.trains.map((_, i) => (
        <TrainPart key={i} open={open} at={i} />
      ))}
      {open.answersOnPaper && <AnswerPages sheet={open.sheet} />}
    </article>
  );
}

function SheetHead({ open }: { open: OpenSheet }) {
  const { store } = usePracticeItself();
  const person = usePractice(({ people, person: id }) => people?.find((one) => one.id === id)?.name ?? '');
  const items = itemsOf(open.sheet);
  const marked = items.filter(({ key }) => open.marked.includes(key));
  const right = marked.filter((item) => markOf(open, item)?.verdict === 'right').length;
  const change = (part: Partial<OpenSheet>) => store.getState().putSheet({ ...open, ...part });
  const results = () => {
    const table = resultsTable(
      open.file.name,
      person,
      items,
      (key) => open.given[key],
      (item) => markOf(open, item),
    );
    saveFile(fileName(`${open.file.name} ${person} results`, '.csv'), 'text/csv', csvText(table));
  };
  return (
    <header className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-base-content pb-2">
      <h3 className="text-lg font-semibold">{open.file.name}</h3>
      <span className="hidden print:inline">
        Name: {person || '______________________'} &nbsp; Date: ______________
      </span>
      <span className="muted text-sm print:hidden" role="status">
        {marked.length === 0 ? `${items.length} to answer` : `${right} of ${items.length} right`}
      </span>
      <span className="flex-1" />
      <span className="flex flex-wrap items-center gap-3 text-sm print:hidden">
        <Tick label="Mark at once" checked={open.atOnce} onChange={(atOnce) => change({ atOnce })} />
        <Tick
          label="Print answers too"
          title="On pages of their own, with the working"
          checked={open.answersOnPaper}
          onChange={(answersOnPaper) => change({ answersOnPaper })}
        />
        <button type="button" className="btn btn-sm" onClick={() => markItems(store, 'all')}>
          Mark it
        </button>
        <button
          type="button"
          className="btn btn-ghost btn-sm"
          title="What was answered and how it was marked, as CSV"
          onClick={results}
        >
          <Table2 className="size-4" aria-hidden /> Results
        </button>
        <button type="button" className="btn btn-ghost btn-sm" onClick={() => print()}>
          <Printer className="size-4" aria-hidden /> Print
        </button>
      </span>
    </header>
  );
}

/** All that is asked about one train, under its drawing. */
function TrainPart({ open, at }: { open: OpenSheet; at: number }) {
  const { trains, tables, questions } = open.sheet;
  const { train } = itemAt(trains, at);
  const own = questions
    .map((question, i) => ({ question, number: i + 1 }))
    .filter(({ question }) => question.train === at);
  const ownTables = tables.map((table, i) => ({ ...table, i })).filter((table) => table.train === at);
  if (own.length + ownTables.length === 0) return null;
  return (
    <section aria-label={train.name} className="flex flex-col gap-2">
      <div className="break-inside-avoid">
        <h4 className="font-semibold">{train.name}</h4>
        <TrainFigure train={train} engaged={null} className="max-h-64 w-full" />
        <GivenLists
          train={train}
          chart={own.every(({ question }) => showsChart(question.skill)) || ownTables.length > 0}
        />
      </div>
      {ownTables.map(({ rows, i }) => (
        <RolesTable key={i} open={open} table={i} rows={rows} />
      ))}
      <ol className="flex flex-col gap-2">
        {own.map(({ question, number }) => (
          <QuestionLine key={question.id} open={open} train={train} question={question} number={number} />
        ))}
      </ol>
    </section>
  );
}
