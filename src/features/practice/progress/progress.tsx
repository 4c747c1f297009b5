import { SKILL_NAMES, SLIPS, type Skill, type SlipName } from '@/core/practice';
import type { PracticeAnswer } from '@/wire';
import { beginDrill } from '../drill/begin';
import { useHere, usePractice, usePracticeItself } from '../use-practice';
import { BOX_DAYS, dueWords, isDue, standingsOf, type Standing } from './repeats';

/** How someone stands: each skill with how sure it is, when it comes back, and the slips that were made. */
export function LearnerProgress() {
  const { store } = usePracticeItself();
  const here = useHere();
  const person = usePractice((state) => state.person);
  const people = usePractice((state) => state.people);
  const answers = usePractice((state) => state.answers);
  const now = new Date();
  const standings = standingsOf(answers);
  const due = standings.filter((one) => isDue(one, now));
  const name = people?.find(({ id }) => id === person)?.name;
  if (name === undefined)
    return <p className="muted m-auto p-6">Choose who practises, or add a name: then progress is kept here.</p>;
  const drillDue = () => {
    const { open, want } = store.getState();
    open('drill');
    want({ skills: due.map(({ skill }) => skill) });
    void beginDrill(store, here);
  };
  return (
    <article aria-label={`Progress of ${name}`} className="flex min-h-0 flex-1 flex-col gap-3 overflow-auto px-5 py-3">
      <header className="flex flex-wrap items-center gap-3">
        <h3 className="text-lg font-semibold">{name}</h3>
        <span className="muted">
          {answers.length} {answers.length === 1 ? 'answer' : 'answers'}, {answers.filter(({ right }) => right).length}{' '}
          right
        </span>
        <span className="flex-1" />
        <button type="button" className="btn btn-sm" disabled={due.length === 0} onClick={drillDue}>
          {due.length === 0 ? 'Nothing is due' : `Drill what is due (${due.length})`}
        </button>
      </header>
      <table className="w-full max-w-4xl text-sm">
        <thead>
          <tr className="border-b border-base-content text-left">
            <th scope="col">Skill</th>
            <th
              scope="col"
              title={
                'Right on its day goes up one step: it comes back after ' +
                `${BOX_DAYS.join(', ')} days. Wrong goes back to the first.`
              }
            >
              How sure
            </th>
            <th scope="col">Right of asked</th>
            <th scope="col">Comes back</th>
            <th scope="col">Slips</th>
          </tr>
        </thead>
        <tbody>
          {standings.map((one) => (
            <Row key={one.skill} standing={one} now={now} />
          ))}
          <HuntRow answers={answers} />
        </tbody>
      </table>
    </article>
  );
}

/** Fault hunts do not come back by themselves: how often the part that was named was the bad one. */
function HuntRow({ answers }: { answers: readonly PracticeAnswer[] }) {
  const hunts = answers.filter(({ skill }) => skill === 'fault-hunt');
  return (
    <tr className={hunts.length === 0 ? 'muted' : ''}>
      <th scope="row" className="py-0.5 text-left font-normal">
        Fault hunts: parts named
      </th>
      <td />
      <td className="figure">
        {hunts.length === 0 ? '–' : `${hunts.filter(({ right }) => right).length} of ${hunts.length}`}
      </td>
      <td />
      <td />
    </tr>
  );
}

function Row({ standing, now }: { standing: Standing; now: Date }) {
  const { skill, asked, right, sure, slips } = standing;
  return (
    <tr className={asked === 0 ? 'muted border-b border-base-300' : 'border-b border-base-300'}>
      <th scope="row" className="py-0.5 text-left font-normal">
        {SKILL_NAMES[skill satisfies Skill]}
      </th>
      <td>
        <span role="img" aria-label={`step ${sure} of ${BOX_DAYS.length}`} className="inline-flex gap-0.5 align-middle">
          {BOX_DAYS.map((days, i) => (
            <span
              key={days}
              className={`inline-block h-3 w-5 border border-base-content ${i < sure ? 'bg-accent' : ''}`}
            />
          ))}
        </span>
      </td>
      <td className="figure">{asked === 0 ? '–' : `${right} of ${asked}`}</td>
      <td className={isDue(standing, now) ? 'font-semibold' : ''}>{dueWords(standing, now)}</td>
      <td>
        {slips
          .slice(0, 3)
          .map(({ slip, times }) => `${SLIPS[slip as SlipName]?.name ?? slip}${times > 1 ? ` ×${times}` : ''}`)
          .join(', ')}
      </td>
    </tr>
  );
}
