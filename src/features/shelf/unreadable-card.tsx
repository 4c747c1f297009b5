'use client';

import { CircleAlert } from 'lucide-react';
import { useRef } from 'react';
import { type UnreadableEntry } from '@/wire';

interface Props {
  readonly entry: UnreadableEntry;
  readonly onPutAside: () => void;
  readonly onReplace: (file: File) => void;
}

/** A train that is kept but does not read: why, and how it can be had, put aside or replaced. */
export function UnreadableCard({ entry: { id, name, unreadable }, onPutAside, onReplace }: Props) {
  const field = useRef<HTMLInputElement>(null);
  return (
    <div className="flex h-full flex-col border border-error">
      <div className="flex-1 px-3 py-2">
        <h3 className="flex items-center gap-2 font-semibold">
          <CircleAlert className="size-4 text-error" aria-hidden /> {name}
        </h3>
        <p className="mt-1 text-sm">This train is saved, but it cannot be read.</p>
        <p className="muted mt-1 text-sm [overflow-wrap:anywhere]">{unreadable}</p>
      </div>
      <div className="flex flex-wrap gap-1.5 border-t border-base-300 px-2 py-1.5">
        <a className="btn btn-xs" href={`/api/trains/${encodeURIComponent(id)}/document`} download>
          Save it as it is
        </a>
        <input
          ref={field}
          type="file"
          accept=".json,application/json"
          className="sr-only"
          aria-label={`File to replace ${name}`}
          tabIndex={-1}
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            if (file) onReplace(file);
            event.target.value = '';
          }}
        />
        <button type="button" className="btn btn-xs" onClick={() => field.current?.click()}>
          Replace it by a file…
        </button>
        <button type="button" className="btn btn-ghost btn-xs" onClick={onPutAside}>
          Put it aside
        </button>
      </div>
    </div>
  );
}
