import { messageAt } from '@/ui/form/fields';
import { Dices } from 'lucide-react';
import { type Result } from '@/core/result';
import { TextInput } from '@/ui/form/inputs';
import type { WantedQuestions } from '../store';
import { anySeed, type Numbers } from './numbers';

interface Props {
  readonly wanted: WantedQuestions;
  readonly numbers: Result<Numbers>;
  readonly onChange: (change: Partial<WantedQuestions>) => void;
}

/** How many questions, and the seed that chooses them. */
export function NumberFields({ wanted, numbers, onChange }: Props) {
  const wrong = (field: 'count' | 'seed') => messageAt(numbers, field);
  return (
    <>
      <TextInput
        label="Questions"
        value={wanted.count}
        message={wrong('count')}
        onChange={(count) => onChange({ count })}
      />
      <SeedField seed={wanted.seed} message={wrong('seed')} onChange={(seed) => onChange({ seed })} />
    </>
  );
}

export function SeedField({
  seed,
  message,
  onChange,
}: {
  seed: string;
  message: string | null;
  onChange: (seed: string) => void;
}) {
  return (
    <div className="flex items-start gap-1">
      <div className="flex-1">
        <TextInput
          label="Seed"
          value={seed}
          message={message}
          title="The same seed asks the same again, on every machine"
          onChange={onChange}
        />
      </div>
      <button
        type="button"
        className="btn btn-ghost btn-xs btn-square"
        aria-label="Another seed"
        title="Another seed"
        onClick={() => onChange(anySeed())}
      >
        <Dices className="size-3.5" aria-hidden />
      </button>
    </div>
  );
}
