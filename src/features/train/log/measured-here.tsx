'use client';

import Link from 'next/link';
import { engagementIn } from '@/features/train/engagement';
import { useLight, useSession, useTrain } from '@/features/train/use-train';
import { useMeasured } from './use-measured';
import { VERDICTS } from './verdict-words';

/**
 * Measured beside computed: the last readings of this position, and what happened to parts. Nothing where nothing was
 * read.
 */
export function MeasuredHere() {
  const measured = useMeasured();
  const { id } = useSession();
  const { positionId } = useTrain(engagementIn);
  const light = useLight();
  const here = (positionId === null ? undefined : measured?.positions.get(positionId)) ?? [];
  const events = measured?.events ?? [];
  if (here.length === 0 && events.length === 0) return null;
  return (
    <section aria-label="Measured" className="mt-3 border-t border-base-300 pt-2 text-sm">
      <h3 className="flex justify-between">
        <span className="font-semibold">Measured here</span>
        <Link href={`/trains/${encodeURIComponent(id)}/log`} className="link-hover muted">
          Log
        </Link>
      </h3>
      <ul>
        {here.map((one) => (
          <li key={one.id} onMouseEnter={() => light({ members: [one.member] })} onMouseLeave={() => light(null)}>
            {one.name}: <span className="figure">{one.quantity === 'ratio' ? `${one.text} in/out` : one.text}</span>{' '}
            <span className={one.verdict === 'does-not-agree' ? 'font-semibold text-error' : 'muted'}>
              {VERDICTS[one.verdict]}
            </span>
          </li>
        ))}
        {events.map(({ id: key, part, what }) => (
          <li
            key={key}
            className="border-l-3 border-warning pl-2"
            onMouseEnter={() => light({ members: [part], couplers: [part] })}
            onMouseLeave={() => light(null)}
          >
            {part}: {what}
          </li>
        ))}
      </ul>
    </section>
  );
}
