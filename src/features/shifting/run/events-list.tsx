import type { RunEvent } from '@/core/shifting';
import { useNameOf, useShifting } from '../use-shifting';
import { seconds } from './seconds';
import { eventWords } from './event-words';

const MOST = 200;

/** What happened, in words; pressed, the cursor goes there. */
export function EventsList({ events }: { events: readonly RunEvent[] }) {
  const nameOf = useNameOf();
  const lookAt = useShifting((state) => state.lookAt);
  if (events.length === 0)
    return <p className="muted px-4 py-1 text-sm">Nothing happens but running up: no shift, no stall.</p>;
  return (
    <ol aria-label="What happened" className="min-h-0 flex-1 overflow-auto px-4 py-1 text-sm" tabIndex={-1}>
      {events.slice(0, MOST).map((event, i) => (
        <li key={i}>
          <button
            type="button"
            className="flex w-full gap-2 text-left hover:bg-base-200"
            onClick={() => lookAt(event.timeS)}
          >
            <span className="figure muted w-20 shrink-0 whitespace-nowrap text-right">{seconds(event.timeS)}</span>
            {eventWords(event, nameOf)}
          </button>
        </li>
      ))}
      {events.length > MOST && <li className="muted">and {events.length - MOST} more, in the table.</li>}
    </ol>
  );
}
