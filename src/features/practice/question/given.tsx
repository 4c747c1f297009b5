import type { Train } from '@/core/train';
import { couplerName, couplerWords, gearName, memberName } from '@/core/words';
import { partsById } from '@/core/train';
import { required } from '@/core/required';
import { InWords } from '@/ui/part-words';

/**
 * All that a question can be answered from, in words: what meshes with what, what the couplers join, and what each
 * position engages.
 */
export function GivenLists({ train, chart }: { train: Train; chart: boolean }) {
  const parts = partsById(train);
  return (
    <div className="grid gap-x-6 gap-y-1 text-sm sm:grid-cols-3">
      <ul aria-label="Meshes">
        {train.meshes.map(({ id, gears: [a, b] }) => (
          <li key={id}>
            {gearName(train, parts.gear(a))} with {gearName(train, parts.gear(b))}
            {(parts.gear(a).type === 'internal' || parts.gear(b).type === 'internal') && ', internal'}
          </li>
        ))}
      </ul>
      <ul aria-label="Couplers">
        <li>
          In: {memberName(train, train.input)}; out: {train.outputs.map((id) => memberName(train, id)).join(', ')}
        </li>
        {train.members
          .filter(({ carrier }) => carrier !== undefined)
          .map(({ id, carrier }) => (
            <li key={id}>
              {memberName(train, id)}, carried by {memberName(train, required(carrier))}
            </li>
          ))}
        {train.couplers.map((coupler) => (
          <li key={coupler.id}>
            <InWords train={train} text={couplerWords(train, coupler)} />
          </li>
        ))}
      </ul>
      {chart && train.positions.length > 0 && (
        <ul aria-label="Positions">
          {train.positions.map(({ id, name, engaged }) => (
            <li key={id}>
              <span className="font-semibold">{name || id}</span>:{' '}
              {engaged.map((one) => couplerName(train, one)).join(' + ') || 'nothing engaged'}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** Questions whose answer the list of positions would be. */
export const showsChart = (skill: string): boolean => skill !== 'elements';
