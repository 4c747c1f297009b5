import { Play } from 'lucide-react';
import { Group, Tick } from '@/ui/form/inputs';
import { NumberFields } from '../asked/number-fields';
import { readNumbers } from '../asked/numbers';
import { Skills } from '../asked/skills';
import { Trains } from '../asked/trains';
import { useHere, usePractice, usePracticeItself } from '../use-practice';
import { beginDrill, MOST_IN_A_DRILL } from './begin';

/** What a drill asks: which trains, which skills, how many questions. */
export function DrillSetup({ clock, onClock }: { clock: boolean; onClock: (clock: boolean) => void }) {
  const { store } = usePracticeItself();
  const here = useHere();
  const wanted = usePractice((state) => state.wanted);
  const busy = usePractice((state) => state.busy);
  const change = (part: Partial<typeof wanted>) => store.getState().want(part);
  const numbers = readNumbers(wanted, MOST_IN_A_DRILL);
  return (
    <form
      aria-label="Drill"
      onSubmit={(event) => {
        event.preventDefault();
        void beginDrill(store, here);
      }}
    >
      <Trains wanted={wanted} onChange={change} />
      <Skills skills={wanted.skills} onChange={(skills) => change({ skills })} />
      <Group name="Questions">
        <NumberFields wanted={wanted} numbers={numbers} onChange={change} />
        <Tick label="Show a clock" checked={clock} onChange={onClock} />
        <button type="submit" className="btn btn-sm btn-accent mt-1 self-start" disabled={!numbers.ok || busy}>
          <Play className="size-4" aria-hidden /> {busy ? 'Getting ready …' : 'Begin the drill'}
        </button>
      </Group>
    </form>
  );
}
