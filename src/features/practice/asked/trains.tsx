import { useEffect, useState } from 'react';
import { LEVEL_NAMES, LEVELS, RANDOM_KINDS, type Level } from '@/core/practice';
import { Group, Pick, Tick } from '@/ui/form/inputs';
import { readShelf } from '@/wire';
import type { TrainSource, WantedQuestions } from '../store';
import { useHere } from '../use-practice';

interface Props {
  readonly wanted: WantedQuestions;
  readonly onChange: (change: Partial<WantedQuestions>) => void;
}

const KINDS = Object.fromEntries(RANDOM_KINDS.map(({ key, title }) => [key, title]));
const ANY_LEVEL = { '': 'any level', ...LEVEL_NAMES } as Record<Level | '', string>;

/** Which trains are asked about: the open one, ticked ones of the shelf, or ones by chance. */
export function Trains({ wanted, onChange }: Props) {
  const here = useHere();
  const sources = { ...(here && { here: here.train.name }), shelf: 'Trains of the shelf', random: 'Random trains' };
  return (
    <Group name="Trains">
      <Pick
        label="Ask about"
        value={wanted.source}
        choices={sources as Record<TrainSource, string>}
        onChange={(source) => onChange({ source })}
      />
      {wanted.source === 'random' && (
        <Pick
          label="Kind"
          value={wanted.kind}
          choices={KINDS}
          title="Counts are drawn by the seed; the same seed gives the same trains"
          onChange={(kind) => onChange({ kind })}
        />
      )}
      {wanted.source === 'shelf' && (
        <>
          <Pick
            label="Level"
            value={wanted.level}
            choices={ANY_LEVEL}
            title={
              `From ${LEVEL_NAMES[LEVELS[0]]} to ${LEVEL_NAMES.coupled}: ticked ` +
              'trains of another level are left out'
            }
            onChange={(level) => onChange({ level })}
          />
          <ShelfTicks ticked={wanted.shelf} onChange={(shelf) => onChange({ shelf })} />
        </>
      )}
    </Group>
  );
}

function ShelfTicks({ ticked, onChange }: { ticked: readonly string[]; onChange: (ids: readonly string[]) => void }) {
  const [shelf, setShelf] = useState<readonly { readonly id: string; readonly name: string }[] | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  useEffect(() => {
    let left = false;
    void readShelf().then((answer) => {
      if (left) return;
      if (answer.ok) setShelf(answer.value.trains.filter((one) => !('unreadable' in one)));
      else setMessage(answer.message);
    });
    return () => void (left = true);
  }, []);
  if (message !== null)
    return (
      <p role="alert" className="text-error">
        {message}
      </p>
    );
  if (!shelf) return <p className="muted">Reading the shelf …</p>;
  const all = shelf.map(({ id }) => id);
  return (
    <fieldset className="max-h-52 overflow-auto" tabIndex={0}>
      <legend className="sr-only">Trains of the shelf</legend>
      <Tick
        label={`All ${shelf.length}`}
        checked={shelf.length > 0 && ticked.length === all.length}
        onChange={(checked) => onChange(checked ? all : [])}
      />
      {shelf.map(({ id, name }) => (
        <Tick
          key={id}
          label={name}
          checked={ticked.includes(id)}
          onChange={(checked) => onChange(checked ? [...ticked, id] : ticked.filter((one) => one !== id))}
        />
      ))}
    </fieldset>
  );
}
