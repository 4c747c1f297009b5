import { SKILL_NAMES, SLIPS, type Skill } from '@/core/practice';
import { answerWords } from '../question/choices';
import { RightAnswer } from '../question/verdict';
import type { OpenDrill } from '../store';
import { useHere, usePractice, usePracticeItself } from '../use-practice';
import { anySeed } from '../asked/numbers';
import { beginDrill } from './begin';
import { timeText } from './time-text';
import { itemAt } from '@/core/required';
import { InWords } from '@/ui/part-words';

/** What a drill came to: what was wrong, and which slips. */
export function DrillEnd({ drill }: { drill: OpenDrill }) {
  const { store } = usePracticeItself();
  const here = useHere();
  const nobody = usePractice((state) => state.person === null);
  const { questions, answers, begunAt, endedAt } = drill;
  const wrong = questions.flatMap((question, i) =>
    answers[i]?.mark.verdict === 'wrong' ? [{ question, answer: answers[i] }] : [],
  );
  const again = (skills: readonly Skill[]) => {
    store.getState().want({ seed: anySeed(), skills });
    void beginDrill(store, here);
  };
  return (
    <article aria-label="What the drill came to" className="flex flex-col gap-3 overflow-auto px-5 py-4">
      <h3 className="text-lg font-semibold">
        {answers.length - wrong.length} of {questions.length} right
        {endedAt !== null && <span className="muted font-normal">, in {timeText(endedAt - begunAt)}</span>}
      </h3>
      {nobody && <p className="muted">Nobody’s name was chosen, so this was not kept.</p>}
      {wrong.length > 0 && (
        <ol aria-label="What was wrong" className="flex flex-col gap-2">
          {wrong.map(({ question, answer }) => {
            const { train } = itemAt(drill.trains, question.train);
            const { slip } = answer.mark.verdict === 'wrong' ? answer.mark : { slip: null };
            return (
              <li key={question.id} className="border-l-3 border-base-300 pl-2">
                <p>
                  <InWords train={train} text={question.text} />
                </p>
                <p className="muted text-sm">
                  {train.name}. You said{' '}
                  <InWords train={train} text={answerWords(train, question, answer.given) || 'nothing'} />; it is{' '}
                  <span className="text-base-content">
                    <RightAnswer train={train} question={question} />
                  </span>
                  {slip !== null && `. ${SLIPS[slip].name}`}
                </p>
              </li>
            );
          })}
        </ol>
      )}
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="btn btn-sm btn-accent"
          autoFocus
          onClick={() => again(store.getState().wanted.skills)}
        >
          Another drill
        </button>
        {wrong.length > 0 && (
          <button
            type="button"
            className="btn btn-sm"
            title={[...new Set(wrong.map(({ question }) => SKILL_NAMES[question.skill as Skill]))].join(', ')}
            onClick={() => again([...new Set(wrong.map(({ question }) => question.skill as Skill))])}
          >
            Only what was wrong
          </button>
        )}
      </div>
    </article>
  );
}
