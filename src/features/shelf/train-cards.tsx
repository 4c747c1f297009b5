'use client';

import { useEffect, useRef, useState } from 'react';
import { type ShelfEntry, type UnreadableEntry } from '@/wire';
import { isReadable } from './entry';
import { TrainCard } from './train-card';
import { UnreadableCard } from './unreadable-card';

interface Acts {
  readonly rename: (entry: ShelfEntry, name: string) => Promise<void>;
  readonly duplicate: (entry: ShelfEntry) => Promise<void>;
  readonly save: (entry: ShelfEntry) => Promise<void>;
  readonly remove: (entry: ShelfEntry) => Promise<void>;
  readonly replace: (entry: UnreadableEntry, file: File) => Promise<void>;
}

/**
 * So many cards at first, and as many more whenever their end comes near: a shelf of hundreds opens as fast as one of
 * ten.
 */
const AT_ONCE = 24;

export function TrainCards({ entries, act }: { entries: readonly ShelfEntry[]; act: Acts }) {
  const [count, setCount] = useState(AT_ONCE);
  const end = useRef<HTMLButtonElement>(null);
  const left = entries.length - count;
  const more = () => setCount((now) => now + AT_ONCE);
  useEffect(() => {
    if (!end.current) return;
    const watch = new IntersectionObserver(([seen]) => seen?.isIntersecting && more(), { rootMargin: '600px' });
    watch.observe(end.current);
    return () => watch.disconnect();
  }, [count, left]);
  return (
    <>
      <ul className="mt-3 grid gap-5 sm:grid-cols-2 lg:grid-cols-3">
        {entries.slice(0, count).map((entry) => (
          <li key={entry.id}>
            {isReadable(entry) ? (
              <TrainCard
                entry={entry}
                onRename={(name) => void act.rename(entry, name)}
                onDuplicate={() => void act.duplicate(entry)}
                onSaveFile={() => void act.save(entry)}
                onDelete={() => void act.remove(entry)}
              />
            ) : (
              <UnreadableCard
                entry={entry}
                onPutAside={() => void act.remove(entry)}
                onReplace={(file) => void act.replace(entry, file)}
              />
            )}
          </li>
        ))}
      </ul>
      {left > 0 && (
        <button ref={end} type="button" className="btn btn-sm mx-auto my-5 block" onClick={more}>
          Show more: {left} {left === 1 ? 'train' : 'trains'}
        </button>
      )}
    </>
  );
}
