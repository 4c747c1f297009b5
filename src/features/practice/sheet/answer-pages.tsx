import type { Worksheet } from '@/core/practice';
import { RightAnswer, WorkingList } from '../question/verdict';
import { RolesAnswers } from './roles-table';
import { itemAt, lookUp } from '@/core/required';
import { InWords } from '@/ui/part-words';

/** The answers with their working, for paper only. */
export function AnswerPages({ sheet }: { sheet: Worksheet }) {
  const { trains, tables, questions } = sheet;
  return (
    <section aria-label="Answers" className="hidden break-before-page flex-col gap-2 print:flex">
      <h3 className="text-lg font-semibold">{sheet.name}: answers</h3>
      {tables.map(({ train, rows }, i) => (
        <RolesAnswers key={i} train={itemAt(trains, train).train} rows={rows} />
      ))}
      <ol className="columns-2 gap-6 text-xs">
        {workingOnce(sheet).map(({ before, lines }, i) => {
          const question = itemAt(questions, i);
          const { train } = itemAt(trains, question.train);
          return (
            <li key={question.id} className="mb-2 break-inside-avoid">
              <p>
                <span className="font-semibold">{i + 1}.</span> <InWords train={train} text={question.text} />
              </p>
              <p className="font-semibold">
                <RightAnswer train={train} question={question} />
              </p>
              {before !== null && (
                <p className="muted">
                  Working as at {before}
                  {lines.length > 0 && ', and'}
                </p>
              )}
              <WorkingList train={train} lines={lines} />
            </li>
          );
        })}
      </ol>
    </section>
  );
}

/** The working of each question; what stands at an earlier one of the same position is not printed again. */
function workingOnce({
  questions,
}: Worksheet): readonly { readonly before: number | null; readonly lines: readonly string[] }[] {
  const first = new Map<string, number>();
  return questions.map(({ train, position, working }, i) => {
    const key = (line: string) => JSON.stringify([train, position, line]);
    const known = working.filter((line) => first.has(key(line)));
    // A line or two in common is not worth a look back.
    const again = position !== null && known.length > 2;
    const before = again ? lookUp(first, key(itemAt(known, 0))) : null;
    const lines = again ? working.filter((line) => !first.has(key(line))) : working;
    for (const line of working) if (!first.has(key(line))) first.set(key(line), i + 1);
    return { before, lines };
  });
}
