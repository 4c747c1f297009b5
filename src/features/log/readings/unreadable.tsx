import { useStore } from 'zustand';
import { useSession } from '@/features/train/use-train';
import { asKeptAddress } from '@/wire';
import { useLogItself } from '../use-log';

/** Entries that are kept and do not read: what is wrong with each, and the way to what there is of it. */
export function UnreadableReadings() {
  const { id } = useSession();
  const { log } = useLogItself();
  const unreadable = useStore(log.store, (state) => state.unreadable);
  if (unreadable.length === 0) return null;
  return (
    <details className="border-b border-base-300 px-4 py-2 text-sm">
      <summary role="alert" className="text-error">
        {unreadable.length === 1 ? '1 entry of this log' : `${unreadable.length} entries of this log`} cannot be read.
      </summary>
      <ul>
        {unreadable.map((entry) => (
          <li key={entry.id}>
            {entry.id}: {entry.unreadable}{' '}
            <a className="link" href={asKeptAddress('log', id, entry.id)} download>
              Save it as it is
            </a>{' '}
            <button type="button" className="link" onClick={() => void log.putAside(entry.id)}>
              Put it aside
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}
