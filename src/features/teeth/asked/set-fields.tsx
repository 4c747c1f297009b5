import { setBehind, type SetText } from '../form';
import { useAsk, useTeethForm } from '../use-teeth';
import { Group, Pick, Tick } from '@/ui/form/inputs';
import { SpanField } from './span-field';
import { required } from '@/core/required';
import { usePartWords } from '@/ui/part-words';

const SHAPES: Record<SetText['shape'], string> = {
  simple: 'simple',
  stepped: 'stepped planets',
  'double-pinion': 'two planets in a row',
};
type Role = 'input' | 'output' | 'held';
const MEMBERS: Record<SetText[Role], string> = { sun: 'sun', carrier: 'carrier', ring: 'ring' };

/** Which set, what each member does, and how large it may be. */
export function SetFields() {
  const { set, behind, uneven } = useTeethForm();
  const ask = useAsk();
  return (
    <>
      <OneSet name={behind ? 'First set' : 'Set'} set={set} onChange={(changed) => ask({ set: changed })} />
      {behind && <OneSet name="Set behind it" set={behind} onChange={(changed) => ask({ behind: changed })} />}
      <Group name="Together">
        <Tick
          label="Another set behind it"
          checked={behind !== null}
          onChange={(two) => ask({ behind: two ? setBehind : null })}
        />
        {!behind && (
          <Tick
            label="Planets may stand unevenly"
            title="Where they do not go in evenly spaced, the angles nearest to that are given."
            checked={uneven}
            onChange={(anyhow) => ask({ uneven: anyhow })}
          />
        )}
      </Group>
    </>
  );
}

function OneSet({ name, set, onChange }: { name: string; set: SetText; onChange: (set: SetText) => void }) {
  const change = (part: Partial<SetText>) => onChange({ ...set, ...part });
  const told = usePartWords();
  const members = { ...MEMBERS, ring: told(MEMBERS.ring) };
  /** A member that is given another part takes the place of the one that had it. */
  const giveRole = (role: Role, member: SetText[Role]) => {
    const other = required((['input', 'output', 'held'] as const).find((one) => set[one] === member));
    change({ [role]: member, [other]: set[role] });
  };
  return (
    <Group name={name}>
      <Pick label="Kind" value={set.shape} choices={SHAPES} onChange={(shape) => change({ shape })} />
      <Pick label="Input" value={set.input} choices={members} onChange={(member) => giveRole('input', member)} />
      <Pick label="Output" value={set.output} choices={members} onChange={(member) => giveRole('output', member)} />
      <Pick label="Held" value={set.held} choices={members} onChange={(member) => giveRole('held', member)} />
      <SpanField label="Sun teeth" value={set.sun} onChange={(sun) => change({ sun })} />
      <SpanField
        label={set.shape === 'simple' ? 'Planet teeth' : 'Planet at the sun'}
        value={set.planet}
        onChange={(planet) => change({ planet })}
      />
      {set.shape !== 'simple' && (
        <SpanField label={told('Planet at the ring')} value={set.second} onChange={(second) => change({ second })} />
      )}
      <SpanField
        label={told('Ring teeth')}
        title="With one module the ring follows from sun and planets; these are its limits."
        value={set.ring}
        onChange={(ring) => change({ ring })}
      />
      <SpanField
        label="Planets"
        title="They have to go in evenly and clear each other."
        value={set.copies}
        onChange={(copies) => change({ copies })}
      />
    </Group>
  );
}
