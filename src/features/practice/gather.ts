import { accept, refuse, type Result } from '@/core/result';
import { levelOf, RANDOM_KINDS, randomTrain, subjectOf } from '@/core/practice';
import { fetchTrain } from '@/wire';
import type { AskedTrain, WantedQuestions } from './store';
import type { Here } from './use-practice';
import { required } from '@/core/required';

/** So many trains are drawn by chance for one drill. */
const RANDOM_TRAINS = 3;

/** The trains that are asked about, or why there are none. */
export async function gatherTrains(
  { source, shelf, kind, level }: WantedQuestions,
  here: Here | null,
  seed: number,
): Promise<Result<readonly AskedTrain[]>> {
  if (source === 'here') return here ? accept([asked(here)]) : refuse('Choose trains from the shelf.');
  if (source === 'random') {
    const title = required(RANDOM_KINDS.find(({ key }) => key === kind)).title;
    const trains = Array.from({ length: RANDOM_TRAINS }, (_, i) => randomTrain(kind, seed + i)).map((train, i) => ({
      ...train,
      name: `${title} ${i + 1}`,
    }));
    return accept(trains.map((train) => asked({ train })));
  }
  if (shelf.length === 0) return refuse('Tick the trains that are to be asked about.');
  const read = await Promise.all(shelf.map((id) => fetchTrain(id)));
  const lost = read.find((answer) => !answer.ok);
  if (lost && !lost.ok) return refuse(lost.message);
  const trains = read
    .flatMap((answer) => (answer.ok ? [answer.value] : []))
    .filter(({ train }) => level === '' || levelOf(train) === level);
  return trains.length > 0
    ? accept(trains.map(asked))
    : refuse('None of the ticked trains is of this level: choose another level, or tick others.');
}

const asked = ({ id, train }: Pick<AskedTrain, 'id' | 'train'>): AskedTrain => ({
  id,
  train,
  subject: subjectOf(train),
});
