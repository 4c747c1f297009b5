import clsx from 'clsx';
import type { DrillQuestion, GivenAnswer, Mark } from '@/core/practice';
import { SLIPS } from '@/core/practice';
import type { Train } from '@/core/train';
import { couplerName } from '@/core/words';
import { toggled } from '../question/answer-field';
import { choiceNames } from '../question/choices';
import { RightAnswer, WorkingList } from '../question/verdict';
import type { OpenSheet } from '../store';
import { usePracticeItself } from '../use-practice';
import { fillIn, markItems, markOf } from './begin';
import { partsById } from '@/core/train';
import { InWords, usePartWords } from '@/ui/part-words';

interface Props {
  readonly open: OpenSheet;
  readonly train: Train;
  readonly question: DrillQuestion;
  readonly number: number;
}

/** A question on the sheet, where it is answered, and its mark once it has one. */
export function QuestionLine({ open, train, question, number }: Props) {
  const { store } = usePracticeItself();
  const marked = open.marked.includes(question.id);
  const mark = marked ? markOf(open, { key: question.id, asked: question }) : null;
  const place = partsById(train).find.position(question.position);
  const fill = (given: GivenAnswer) => fillIn(store, question.id, given);
  const done = () => open.atOnce && markItems(store, [question.id]);
  return (
    <li className="break-inside-avoid" aria-label={`Question ${number}`}>
      <p className="max-w-[80ch]">
        <span className="font-semibold">{number}.</span> <InWords train={train} text={question.text} />
        {place && question.answer.kind !== 'parts' && (
          <span className="muted">
            {' '}
            ({place.engaged.map((id) => couplerName(train, id)).join(' + ') || 'nothing engaged'})
          </span>
        )}
      </p>
      <div className="mt-0.5 flex flex-wrap items-center gap-2 pl-5">
        <SheetAnswer train={train} question={question} given={open.given[question.id]} onChange={fill} onDone={done} />
        {marked && <MarkWords mark={mark} />}
      </div>
      {marked && mark?.verdict !== 'unread' && (
        <div className="pl-5 print:hidden">
          {mark?.verdict !== 'right' && (
            <p>
              It is <RightAnswer train={train} question={question} />.
            </p>
          )}
          {mark?.verdict === 'wrong' && mark.slip !== null && <p>{SLIPS[mark.slip].says}</p>}
          <details>
            <summary className="muted cursor-pointer text-sm">Working</summary>
            <WorkingList train={train} lines={question.working} />
          </details>
        </div>
      )}
    </li>
  );
}

/** A mark in two or three words. */
export function MarkWords({ mark }: { mark: Mark | null }) {
  if (!mark) return <span className="muted text-sm print:hidden">no answer</span>;
  if (mark.verdict === 'unread')
    return (
      <span role="alert" className="text-sm text-error print:hidden">
        {mark.message}
      </span>
    );
  return (
    <span
      className={clsx('text-sm font-semibold print:hidden', mark.verdict === 'right' ? 'text-accent' : 'text-error')}
    >
      {mark.verdict === 'right' ? 'right' : `not so${mark.slip === null ? '' : `: ${SLIPS[mark.slip].name}`}`}
    </span>
  );
}

interface AnswerProps {
  readonly train: Train;
  readonly question: DrillQuestion;
  readonly given: GivenAnswer | undefined;
  readonly onChange: (given: GivenAnswer) => void;
  readonly onDone: () => void;
}

function SheetAnswer({ train, question: { answer }, given, onChange, onDone }: AnswerProps) {
  const told = usePartWords(train);
  if (answer.kind === 'number')
    return (
      <>
        <input
          className="input input-sm figure w-36"
          aria-label="Answer"
          value={typeof given === 'string' ? given : ''}
          onChange={(event) => onChange(event.target.value)}
          onBlur={onDone}
        />
        {answer.unit}
      </>
    );
  const names = choiceNames(train, answer);
  if (answer.kind === 'choice')
    return (
      <>
        <select
          className="select select-sm w-72 max-w-full print:hidden"
          aria-label="Answer"
          value={typeof given === 'string' ? given : ''}
          onChange={(event) => onChange(event.target.value)}
          onBlur={onDone}
        >
          <option value="">…</option>
          {names.map(({ id, name }) => (
            <option key={id} value={id}>
              {told(name)}
            </option>
          ))}
        </select>
        <span className="hidden gap-4 print:flex">
          {names.map(({ id, name }) => (
            <span key={id}>☐ {told(name)}</span>
          ))}
        </span>
      </>
    );
  const picked = Array.isArray(given) ? (given as readonly string[]) : [];
  return (
    <span
      role="group"
      aria-label="Answer"
      className="flex flex-wrap gap-1.5"
      onBlur={(event) => !event.currentTarget.contains(event.relatedTarget) && onDone()}
    >
      {names.map(({ id, name }) => {
        const at = picked.indexOf(id);
        return (
          <button
            key={id}
            type="button"
            aria-pressed={at >= 0}
            className={clsx('btn btn-xs', at >= 0 ? 'btn-accent' : 'btn-outline')}
            onClick={() => onChange(toggled(picked, id))}
          >
            {told(name)}
            {answer.kind === 'order' && <span className="figure">{at >= 0 ? at + 1 : '·'}</span>}
          </button>
        );
      })}
      {answer.kind === 'parts' && (
        <button
          type="button"
          aria-pressed={Array.isArray(given) && picked.length === 0}
          className={clsx('btn btn-xs', Array.isArray(given) && picked.length === 0 ? 'btn-accent' : 'btn-outline')}
          onClick={() => onChange([])}
        >
          none
        </button>
      )}
    </span>
  );
}
