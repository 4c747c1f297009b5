'use client';

import clsx from 'clsx';
import { useLayoutEffect, useRef, useState } from 'react';

interface Props {
  readonly name: string;
  readonly chosen: boolean;
  /** May be reached by Tab. */
  readonly reachable: boolean;
  readonly onRename: (name: string) => void;
  readonly onOpen: () => void;
  readonly onRemove: () => void;
}

/** A position's name: typing changes it, as in a spreadsheet; Enter takes it over, Esc leaves it. */
export function NameCell({ name, chosen, reachable, onRename, onOpen, onRemove }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const button = useRef<HTMLButtonElement>(null);
  const stays = useRef(false);
  // At once, not in a moment: the next key is meant for this cell.
  useLayoutEffect(() => {
    if (typed !== null || !stays.current) return;
    stays.current = false;
    button.current?.focus();
  }, [typed]);
  const finish = (take: boolean, stay: boolean) => {
    stays.current = stay;
    if (take && typed !== null && typed.trim() !== name) onRename(typed);
    setTyped(null);
  };
  if (typed !== null)
    return (
      <input
        autoFocus
        aria-label={`New name of ${name}`}
        className="input input-xs w-24"
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => !stays.current && finish(true, false)}
        onClick={(event) => event.stopPropagation()}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === 'Enter') event.preventDefault();
          if (event.key === 'Enter' || event.key === 'Tab') finish(true, event.key === 'Enter');
          if (event.key === 'Escape') finish(false, true);
        }}
      />
    );
  return (
    <button
      ref={button}
      type="button"
      data-cell
      tabIndex={reachable ? 0 : -1}
      className={clsx(
        'min-w-14 border-l-3 px-2 text-left font-semibold',
        chosen ? 'border-primary' : 'border-transparent',
      )}
      title="Type a new name, Enter looks at it on the Bench, Alt ↑ ↓ moves it, Delete removes it"
      onDoubleClick={() => setTyped(name)}
      onKeyDown={(event) => {
        if (event.ctrlKey || event.metaKey || event.altKey) return;
        const takes = { Enter: onOpen, Delete: onRemove, F2: () => setTyped(name) }[event.key];
        if (!takes && (event.key.length > 1 || event.key === ' ' || event.key === '?')) return;
        event.preventDefault();
        event.stopPropagation();
        if (takes) takes();
        else setTyped(event.key);
      }}
    >
      {name}
    </button>
  );
}
