import type { QuestionAnswer, Mark, Slip, Worksheet } from '@/core/practice';
import { SLIPS } from '@/core/practice';
import type { Train } from '@/core/train';
import type { Table } from '@/ui/table-text';
import { answerWords } from '../question/choices';
import { itemAt } from '@/core/required';

/** Something on a worksheet that is answered: a question, or a cell of a roles table. */
export interface Item {
  readonly key: string;
  readonly number: string;
  readonly skill: string;
  readonly train: Train;
  readonly text: string;
  readonly asked: { readonly answer: QuestionAnswer; readonly slips: readonly Slip[] };
}

export const roleCellKey = (table: number, key: string): string => `t${table} ${key}`;

/** Everything on a worksheet that is answered, in its order. */
export function itemsOf({ trains, tables, questions }: Worksheet): readonly Item[] {
  const cells = tables.flatMap(({ train, rows }, t) =>
    rows.flatMap(({ name, stages, overall }) => {
      const own = itemAt(trains, train).train;
      const item = (what: string, cell: typeof overall): Item => ({
        key: roleCellKey(t, cell.key),
        number: `T${t + 1}`,
        skill: cell.answer.kind === 'choice' ? 'drives' : cell === overall ? 'ratio' : 'pair',
        train: own,
        text: `${name}, ${what}`,
        asked: cell,
      });
      return [
        ...stages.flatMap(({ driver, driven, ratio }, i) => [
          item(`driver of pair ${i + 1}`, driver),
          item(`driven of pair ${i + 1}`, driven),
          ...(ratio ? [item(`ratio of pair ${i + 1}`, ratio)] : []),
        ]),
        item('overall ratio', overall),
      ];
    }),
  );
  return [
    ...cells,
    ...questions.map((question, i): Item => ({
      key: question.id,
      number: String(i + 1),
      skill: question.skill,
      train: itemAt(trains, question.train).train,
      text: question.text,
      asked: question,
    })),
  ];
}

const VERDICTS = { right: 'right', wrong: 'wrong', unread: 'cannot be read' } as const;

/** A filled worksheet as a table: who answered what, and how it was marked. */
export function resultsTable(
  name: string,
  person: string,
  items: readonly Item[],
  given: (key: string) => string | readonly string[] | undefined,
  markOf: (item: Item) => Mark | null,
): Table {
  return {
    head: ['person', 'worksheet', 'number', 'train', 'skill', 'question', 'given', 'right answer', 'verdict', 'slip'],
    rows: items.map((item) => {
      const marked = markOf(item);
      const own = given(item.key);
      return [
        person,
        name,
        item.number,
        item.train.name,
        item.skill,
        item.text,
        own === undefined ? '' : answerWords(item.train, item.asked, own),
        answerWords(item.train, item.asked),
        marked ? VERDICTS[marked.verdict] : 'no answer',
        marked?.verdict === 'wrong' && marked.slip !== null ? SLIPS[marked.slip].name : '',
      ];
    }),
  };
}
