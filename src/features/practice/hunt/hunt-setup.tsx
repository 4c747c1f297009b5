import { Search } from 'lucide-react';
import { useEffect, useState } from 'react';
import { faultWords, type Fault } from '@/core/faults';
import { randomTrain, RANDOM_KINDS, showingFaults } from '@/core/practice';
import type { Train } from '@/core/train';
import { Group, Pick } from '@/ui/form/inputs';
import { readShelf, fetchTrain } from '@/wire';
import { useJobState } from '@/workers/use-job';
import { SeedField } from '../asked/number-fields';
import { readNumbers } from '../asked/numbers';
import { useHere, usePractice, usePracticeItself } from '../use-practice';
import { beginHunt } from './begin';

const CHANCE = 'chance ';

/** In which train the fault hides, and who chooses it. */
export function HuntSetup() {
  const itself = usePracticeItself();
  const here = useHere();
  const isBusy = useJobState(itself.hunts).kind === 'running';
  const wanted = usePractice((state) => state.wanted);
  const [shelf, setShelf] = useState<readonly { readonly id: string; readonly name: string }[]>([]);
  const [where, setWhere] = useState(here ? 'here' : '');
  const [chosen, setChosen] = useState('');
  useEffect(() => {
    let left = false;
    void readShelf().then(
      (answer) => !left && answer.ok && setShelf(answer.value.trains.filter((one) => !('unreadable' in one))),
    );
    return () => void (left = true);
  }, []);
  const numbers = readNumbers({ count: '1', seed: wanted.seed }, 1);
  const refuse = (text: string) => itself.store.getState().refuse(text);
  const trainOf = async (): Promise<Train | null> => {
    if (where === 'here' && here) return here.train;
    if (where.startsWith(CHANCE)) return randomTrain(where.slice(CHANCE.length), numbers.ok ? numbers.value.seed : 0);
    if (where === '') return (refuse('Choose a train first.'), null);
    const answer = await fetchTrain(where);
    if (!answer.ok) refuse(answer.message);
    return answer.ok ? answer.value.train : null;
  };
  const begin = async (fault: Fault | null) => {
    if (!numbers.ok) return;
    const train = await trainOf();
    if (train) await beginHunt(itself, train, numbers.value.seed, fault);
  };
  const faults =
    here && where === 'here' ? <TeacherChoice train={here.train} chosen={chosen} onChoose={setChosen} /> : null;
  return (
    <form
      aria-label="Fault hunt"
      onSubmit={(event) => {
        event.preventDefault();
        void begin(faults && chosen !== '' ? (JSON.parse(chosen) as Fault) : null);
      }}
    >
      <Group name="Hide a fault">
        <Pick
          label="In"
          value={where}
          choices={{
            ...(here ? { here: here.train.name } : { '': 'choose a train' }),
            ...Object.fromEntries(shelf.filter(({ id }) => id !== here?.id).map(({ id, name }) => [id, name])),
            ...Object.fromEntries(RANDOM_KINDS.map(({ key, title }) => [`${CHANCE}${key}`, `Random: ${title}`])),
          }}
          onChange={setWhere}
        />
        <SeedField
          seed={wanted.seed}
          message={numbers.ok ? null : numbers.problems[0].message}
          onChange={(seed) => itself.store.getState().want({ seed })}
        />
        {faults}
        <button type="submit" className="btn btn-sm btn-accent mt-1 self-start" disabled={isBusy || !numbers.ok}>
          <Search className="size-4" aria-hidden /> {isBusy ? 'Hiding it …' : 'Hide it'}
        </button>
        <p className="muted">
          One part is bad. Engage couplers, turn the crank, and name the part with as few tests as you can. On a real
          box, listen and feel by hand first, and leave springs and pressures to those who know them.
        </p>
      </Group>
    </form>
  );
}

/** The teacher may choose the fault instead of the seed. */
function TeacherChoice({
  train,
  chosen,
  onChoose,
}: {
  train: Train;
  chosen: string;
  onChoose: (fault: string) => void;
}) {
  const [open, setOpen] = useState(false);
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="cursor-pointer">A teacher chooses the fault</summary>
      {open && (
        <select
          className="select select-xs mt-1 w-full"
          aria-label="The fault"
          value={chosen}
          onChange={(event) => onChoose(event.target.value)}
        >
          <option value="">by the seed</option>
          {showingFaults(train).map((fault) => (
            <option key={JSON.stringify(fault)} value={JSON.stringify(fault)}>
              {faultWords(train, fault)}
            </option>
          ))}
        </select>
      )}
    </details>
  );
}
