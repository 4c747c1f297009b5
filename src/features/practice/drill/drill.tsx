import { useEffect, useRef, useState } from 'react';
import { SKILL_NAMES, type GivenAnswer, type Skill } from '@/core/practice';
import { AnswerField, toggled } from '../question/answer-field';
import { GivenLists, showsChart } from '../question/given';
import { TrainFigure, type Part } from '../question/train-figure';
import { Counters, useTurning } from '../question/turning';
import { AnswerVerdict, WorkingList } from '../question/verdict';
import type { OpenDrill as OpenDrill } from '../store';
import { usePractice, usePracticeItself } from '../use-practice';
import { giveAnswer, nextQuestion } from './begin';
import { DrillEnd } from './drill-end';
import { useDrillKeys } from './keys';
import { timeText } from './time-text';
import { partsById } from '@/core/train';
import { itemAt } from '@/core/required';
import { InWords } from '@/ui/part-words';

/** One question at a time over the side view: predicted first, then marked, then turned. */
export function DrillPane({ clock }: { clock: boolean }) {
  const drill = usePractice((state) => state.drill);
  if (!drill) return <Nothing />;
  if (drill.at >= drill.questions.length) return <DrillEnd drill={drill} />;
  return <Asking key={`${drill.id} ${drill.at}`} drill={drill} clock={clock} />;
}

const Nothing = () => (
  <div className="m-auto max-w-prose p-6">
    <h3 className="text-lg font-semibold">Say what will happen, then turn it.</h3>
    <p className="muted mt-1">
      Choose what is to be asked and begin. Each question shows the train; answer first, then see it turn, with the
      working and, where it was a usual slip, what kind it was. All of it works by the keyboard: digits and letters
      pick, Enter answers and goes on, T turns.
    </p>
  </div>
);

function Asking({ drill, clock }: { drill: OpenDrill; clock: boolean }) {
  const { store } = usePracticeItself();
  const question = itemAt(drill.questions, drill.at);
  const { train } = itemAt(drill.trains, question.train);
  const answered = drill.answers[drill.at] ?? null;
  const [given, setGiven] = useState<GivenAnswer>(question.answer.kind === 'number' ? '' : []);
  const [message, setMessage] = useState<string | null>(null);
  const article = useRef<HTMLElement>(null);
  // From here keys belong to the question, not to the button that began the drill; a number's field takes them by
  // itself.
  useEffect(() => {
    if (question.answer.kind !== 'number') article.current?.focus({ preventScroll: true });
  }, [question]);
  const place = partsById(train).find.position(question.position) ?? null;
  const turned = useTurning(train, place?.engaged ?? null);
  const give = (own: GivenAnswer) => {
    const marked = giveAnswer(store, own);
    setMessage(marked?.verdict === 'unread' ? marked.message : null);
    if (marked?.verdict !== 'unread') setGiven(own);
  };
  const next = () => nextQuestion(store);
  const { answer } = question;
  const tap = ({ kind, id }: Part) => {
    if (answered || (answer.kind !== 'order' && answer.kind !== 'parts')) return;
    if (answer.of === kind && answer.choices.includes(id))
      setGiven((before) => toggled(before as readonly string[], id));
  };
  useDrillKeys({
    question,
    given,
    answered: answered !== null,
    setGiven,
    give,
    next,
    turn: place ? turned.start : null,
  });
  const picked = typeof given === 'string' ? [] : given;
  return (
    <article
      ref={article}
      tabIndex={-1}
      aria-label={`Question ${drill.at + 1}`}
      className="flex min-h-0 flex-1 flex-col gap-2 overflow-auto px-5 py-3 outline-none"
    >
      <header className="muted flex items-baseline gap-3 text-sm">
        <span>
          Question {drill.at + 1} of {drill.questions.length}
        </span>
        <span>{train.name}</span>
        <span>
          <InWords train={train} text={SKILL_NAMES[question.skill as Skill]} />
        </span>
        <span className="flex-1" />
        {clock && <Clock since={drill.begunAt} />}
        <RightSoFar drill={drill} />
      </header>
      <h3 className="max-w-[75ch] text-lg font-semibold">
        <InWords train={train} text={question.text} />
      </h3>
      {answered ? (
        <div className="flex flex-wrap items-start gap-x-6 gap-y-2">
          <div className="min-w-0 flex-1">
            <AnswerVerdict train={train} question={question} given={answered.given} mark={answered.mark} />
          </div>
          <button type="button" className="btn btn-sm btn-accent" autoFocus onClick={next}>
            {drill.at + 1 === drill.questions.length ? 'To the end' : 'Next question'}{' '}
            <kbd className="kbd kbd-xs text-base-content">Enter</kbd>
          </button>
        </div>
      ) : (
        <AnswerField
          train={train}
          question={question}
          given={given}
          message={message}
          onChange={setGiven}
          onGive={give}
        />
      )}
      {answered && place && <Counters train={train} turned={turned} hint="T" />}
      <TrainFigure
        train={train}
        engaged={place?.engaged ?? null}
        power={answered !== null}
        picked={picked}
        turns={turned.turns}
        onTap={tap}
        className="max-h-[44dvh] min-h-56 w-full shrink-0"
      />
      {answered ? (
        <section aria-label="How it comes about">
          <h4 className="font-semibold">How it comes about</h4>
          <WorkingList train={train} lines={question.working} />
        </section>
      ) : (
        <GivenLists train={train} chart={showsChart(question.skill)} />
      )}
    </article>
  );
}

function RightSoFar({ drill: { answers } }: { drill: OpenDrill }) {
  if (answers.length === 0) return null;
  return (
    <span>
      {answers.filter(({ mark }) => mark.verdict === 'right').length} of {answers.length} right
    </span>
  );
}

/** Minutes and seconds since the drill began. */
function Clock({ since }: { since: number }) {
  const [now, setNow] = useState(since);
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(timer);
  }, []);
  return <span className="figure">{timeText(now - since)}</span>;
}
