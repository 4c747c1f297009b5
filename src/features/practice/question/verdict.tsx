import { Check, X } from 'lucide-react';
import { SLIPS, type GivenAnswer, type Mark, type PracticeQuestion } from '@/core/practice';
import { parseRational, toNumber } from '@/core/rational';
import type { Train } from '@/core/train';
import { figure } from '@/core/units';
import { answerWords } from './choices';
import { required } from '@/core/required';
import { InWords, usePartWords } from '@/ui/part-words';

interface Props {
  readonly train: Train;
  readonly question: Pick<PracticeQuestion, 'answer'>;
  readonly given: GivenAnswer;
  readonly mark: Mark;
}

/** Whether it was right, what the answer is, and what kind of slip it was. */
export function AnswerVerdict({ train, question, given, mark }: Props) {
  if (mark.verdict === 'unread') return null;
  const right = mark.verdict === 'right';
  return (
    <section aria-label="Verdict" className="flex flex-col gap-1.5" role="status">
      <p className="flex items-center gap-2 text-lg font-semibold">
        {right ? <Check className="size-5 text-accent" aria-hidden /> : <X className="size-5 text-error" aria-hidden />}
        {right ? 'Right' : 'Not so'}: <RightAnswer train={train} question={question} />
      </p>
      {!right && (
        <p className="muted">
          You said: <InWords train={train} text={answerWords(train, question, given) || 'nothing'} />
        </p>
      )}
      {mark.verdict === 'wrong' && mark.slip !== null && (
        <p className="border-l-3 border-error pl-2">
          <span className="font-semibold">
            A usual slip, <InWords train={train} text={SLIPS[mark.slip].name} />.
          </span>{' '}
          <InWords train={train} text={SLIPS[mark.slip].says} />
        </p>
      )}
    </section>
  );
}

/** The exact figure, and what it comes to. */
export function RightAnswer({ train, question }: Pick<Props, 'train' | 'question'>) {
  const { answer } = question;
  const words = usePartWords(train)(answerWords(train, question));
  if (answer.kind !== 'number') return <span>{words}</span>;
  const decimal = figure(toNumber(required(parseRational(answer.value))));
  return (
    <span className="figure">
      {words}
      {answer.value.includes('/') && ` = ${decimal}`}
    </span>
  );
}

export const WorkingList = ({ train, lines }: { train: Train; lines: readonly string[] }) => (
  <ol aria-label="Working" className="figure text-sm print:text-[10px] print:leading-snug">
    {lines.map((line, i) => (
      <li key={i}>
        <InWords train={train} text={line} />
      </li>
    ))}
  </ol>
);
