import clsx from 'clsx';
import type { PracticeQuestion } from '@/core/practice';
import type { Train } from '@/core/train';
import { memberColor } from '@/figures/member-colors';
import { InWords } from '@/ui/part-words';
import { keyFor, choiceNames } from './choices';

interface Props {
  readonly train: Train;
  readonly question: PracticeQuestion;
  /** What is picked, or typed. */
  readonly given: string | readonly string[];
  /** Why it cannot be marked. */
  readonly message: string | null;
  readonly onChange: (given: string | readonly string[]) => void;
  /** It is the answer. */
  readonly onGive: (given: string | readonly string[]) => void;
}

/** Where an answer is given: a number is typed, words are pressed, parts are picked in the list or on the drawing. */
export function AnswerField({ train, question, given, message, onChange, onGive }: Props) {
  const { answer } = question;
  return (
    <form
      aria-label="Your answer"
      className="flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        onGive(given);
      }}
    >
      {answer.kind === 'number' ? (
        <div className="flex items-center gap-2">
          <input
            key={question.id}
            autoFocus
            className="input figure w-48 aria-invalid:border-error"
            aria-label="Your answer as a number"
            placeholder="4.92 or 64/13"
            value={typeof given === 'string' ? given : ''}
            aria-invalid={message !== null}
            onChange={(event) => onChange(event.target.value)}
          />
          {answer.unit && <span>{answer.unit}</span>}
          <button type="submit" className="btn btn-sm">
            Answer
          </button>
        </div>
      ) : answer.kind === 'choice' ? (
        <div className="flex flex-wrap gap-2">
          {choiceNames(train, answer).map(({ id, name }, i) => (
            <button key={id} type="button" className="btn btn-sm h-auto min-h-8 py-1" onClick={() => onGive(id)}>
              <kbd className="kbd kbd-xs">{keyFor(answer, i)}</kbd> <InWords train={train} text={name} />
            </button>
          ))}
        </div>
      ) : (
        <Picks train={train} question={question} picked={typeof given === 'string' ? [] : given} onChange={onChange} />
      )}
      {message && (
        <p role="alert" className="text-error">
          {message}
        </p>
      )}
    </form>
  );
}

function Picks({
  train,
  question,
  picked,
  onChange,
}: Pick<Props, 'train' | 'question' | 'onChange'> & { picked: readonly string[] }) {
  const { answer } = question;
  if (answer.kind !== 'order' && answer.kind !== 'parts') return null;
  return (
    <>
      <div className="flex flex-wrap gap-2" role="group" aria-label="Pick from these">
        {choiceNames(train, answer).map(({ id, name }, i) => {
          const at = picked.indexOf(id);
          return (
            <button
              key={id}
              type="button"
              aria-pressed={at >= 0}
              className={clsx('btn btn-sm', at >= 0 ? 'btn-accent' : 'btn-outline')}
              onClick={() => onChange(toggled(picked, id))}
            >
              <kbd className="kbd kbd-xs text-base-content">{keyFor(answer, i)}</kbd>
              {answer.of === 'members' && (
                <span
                  aria-hidden
                  className="inline-block size-2.5 rounded-full border border-base-100"
                  style={{ background: memberColor(train, id) }}
                />
              )}
              <InWords train={train} text={name} />
              {answer.kind === 'order' && at >= 0 && <span className="figure">{at + 1}</span>}
            </button>
          );
        })}
      </div>
      <div>
        <button type="submit" className="btn btn-sm">
          {answer.kind === 'parts' && picked.length === 0 ? 'None of them' : 'Answer'}{' '}
          <kbd className="kbd kbd-xs">Enter</kbd>
        </button>
      </div>
    </>
  );
}

/** One more picked, at the end; or one that was picked taken back. */
export const toggled = (picked: readonly string[], id: string): readonly string[] =>
  picked.includes(id) ? picked.filter((one) => one !== id) : [...picked, id];
