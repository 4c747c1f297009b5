'use client';

import { Copy, Download, Pencil, Trash2 } from 'lucide-react';
import { Day } from '@/ui/when';
import Link from 'next/link';
import { useState } from 'react';
import { equals, parseRational, toNumber } from '@/core/rational';
import { figure, ratioFigure, ratioText, type RatioConvention } from '@/core/units';
import { usePreferences } from '@/ui/preferences';
import { type ReadableEntry } from '@/wire';
import { CardDrawing } from './train-drawing';
import { required } from '@/core/required';

interface Props {
  readonly entry: ReadableEntry;
  readonly onDuplicate: () => void;
  readonly onSaveFile: () => void;
  readonly onRename: (name: string) => void;
  readonly onDelete: () => void;
}

/** One train on the shelf: its drawing, what it does, and what can be done with it. */
export function TrainCard({ entry, onDuplicate, onSaveFile, onRename, onDelete }: Props) {
  const convention = usePreferences((state) => state.convention);
  const [renaming, setRenaming] = useState(false);
  return (
    <div
      className={
        'flex h-full flex-col border border-base-300 [contain-intrinsic-size:auto_20rem] ' +
        '[content-visibility:auto] hover:border-base-content'
      }
    >
      {/* Pressed is the link itself: a drawing that arrives before the release would take the press along. */}
      <Link
        href={`/trains/${encodeURIComponent(entry.id)}`}
        prefetch={false}
        className="block flex-1 *:pointer-events-none hover:bg-base-200"
      >
        <CardDrawing key={entry.version} entry={entry} />
        <div className="border-t border-base-300 px-3 py-2">
          <h3 className="font-semibold">{entry.name}</h3>
          <p className="muted text-sm">{whatItDoes(entry, convention)}</p>
          <p className="mt-1 line-clamp-6 text-sm wrap-anywhere">{entry.notes}</p>
        </div>
      </Link>
      <div className="relative flex items-center gap-1 border-t border-base-300 px-2 py-1">
        {renaming ? (
          <RenameField
            name={entry.name}
            onDone={(name) => {
              setRenaming(false);
              if (name !== null) onRename(name);
            }}
          />
        ) : (
          <>
            <span className="muted flex-1 pl-1 text-xs">
              changed <Day at={entry.updatedAt} />
            </span>
            <CardButton
              label={`Rename ${entry.name}`}
              onPress={() => setRenaming(true)}
              icon={<Pencil className="size-4" aria-hidden />}
            />
            <CardButton
              label={`Duplicate ${entry.name}`}
              onPress={onDuplicate}
              icon={<Copy className="size-4" aria-hidden />}
            />
            <CardButton
              label={`Save ${entry.name} as a file`}
              onPress={onSaveFile}
              icon={<Download className="size-4" aria-hidden />}
            />
            <CardButton
              label={`Delete ${entry.name}`}
              onPress={onDelete}
              icon={<Trash2 className="size-4" aria-hidden />}
            />
          </>
        )}
      </div>
    </div>
  );
}

function whatItDoes({ positions, ratios, spread }: ReadableEntry, convention: RatioConvention): string {
  const parts = [`${positions} ${positions === 1 ? 'position' : 'positions'}`];
  if (ratios) {
    const [least, most] = [required(parseRational(ratios.least)), required(parseRational(ratios.most))];
    const [low, high] = convention === 'out/in' ? [most, least] : [least, most];
    parts.push(
      equals(low, high)
        ? ratioText(low, convention)
        : `${ratioFigure(low, convention)} to ${ratioText(high, convention)}`,
    );
  }
  if (spread) parts.push(`spread ${figure(toNumber(required(parseRational(spread))))}`);
  return parts.join(' · ');
}

/** The name while it is being changed: Enter keeps it, Esc leaves it as it was. */
function RenameField({ name, onDone }: { name: string; onDone: (name: string | null) => void }) {
  const [typed, setTyped] = useState(name);
  const trimmed = typed.trim();
  return (
    <form
      className="flex flex-1 items-center gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        if (trimmed !== '') onDone(trimmed === name ? null : trimmed);
      }}
      onKeyDown={(event) => event.key === 'Escape' && onDone(null)}
    >
      <input
        className="input input-xs min-w-0 flex-1"
        aria-label={`New name of ${name}`}
        autoFocus
        maxLength={120}
        value={typed}
        onFocus={(event) => event.target.select()}
        onChange={(event) => setTyped(event.target.value)}
      />
      <button type="submit" className="btn btn-neutral btn-xs" disabled={trimmed === ''}>
        Rename
      </button>
      <button type="button" className="btn btn-ghost btn-xs" onClick={() => onDone(null)}>
        Cancel
      </button>
    </form>
  );
}

function CardButton({ label, onPress, icon }: { label: string; onPress: () => void; icon: React.ReactNode }) {
  return (
    <button
      type="button"
      className="btn btn-ghost btn-xs btn-square"
      aria-label={label}
      title={label}
      onClick={onPress}
    >
      {icon}
    </button>
  );
}
