import { FileText } from 'lucide-react';
import { useState } from 'react';
import { TextInput, Group, Tick } from '@/ui/form/inputs';
import { NumberFields } from '../asked/number-fields';
import { readNumbers } from '../asked/numbers';
import { Skills } from '../asked/skills';
import { Trains } from '../asked/trains';
import { useHere, usePractice, usePracticeItself } from '../use-practice';
import { makeSheet, MOST_ON_A_SHEET } from './begin';
import { KeptSheets } from './kept-sheets';

/** What is on a worksheet: trains, skills, how many questions; and the worksheets that are kept. */
export function SheetSetup() {
  const { store } = usePracticeItself();
  const here = useHere();
  const wanted = usePractice((state) => state.wanted);
  const busy = usePractice((state) => state.busy);
  const [name, setName] = useState('');
  const [tables, setTables] = useState(true);
  const change = (part: Partial<typeof wanted>) => store.getState().want(part);
  const numbers = readNumbers(wanted, MOST_ON_A_SHEET);
  return (
    <>
      <form
        aria-label="Worksheet"
        onSubmit={(event) => {
          event.preventDefault();
          void makeSheet(store, here, name, tables);
        }}
      >
        <Trains wanted={wanted} onChange={change} />
        <Skills skills={wanted.skills} onChange={(skills) => change({ skills })} />
        <Group name="Worksheet">
          <TextInput label="Name" wide value={name} placeholder="Worksheet" onChange={setName} />
          <NumberFields wanted={wanted} numbers={numbers} onChange={change} />
          <Tick
            label="Roles table first"
            title="Driver, driven, ratio and overall of every position, for trains on fixed axes"
            checked={tables}
            onChange={setTables}
          />
          <button type="submit" className="btn btn-sm btn-accent mt-1 self-start" disabled={!numbers.ok || busy}>
            <FileText className="size-4" aria-hidden /> {busy ? 'Getting ready …' : 'Make the worksheet'}
          </button>
        </Group>
      </form>
      <KeptSheets />
    </>
  );
}
