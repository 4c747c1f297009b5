'use client';

import { Copy, Download, Trash2 } from 'lucide-react';
import Link from 'next/link';
import { figure, ratioText } from '@/core/units';
import { equals, toNumber } from '@/core/rational';
import { serialiseTrain } from '@/core/train';
import { usePreferences } from '@/ui/preferences';
import { fileName, saveFile } from '@/ui/save-file';
import { SmallSideView } from '@/ui/side-view/small-side-view';
import type { ShelfEntry } from './entry';

interface Props {
  readonly entry: ShelfEntry;
  readonly onDuplicate: () => void;
  readonly onDelete: () => void;
}

/** One train on the shelf: its drawing, what it does, and what can be done with it. */
export function TrainCard({ entry, onDuplicate, onDelete }: Props) {
  const convention = usePreferences((state) => state.convention);
  const { ratios, spread } = entry;
  const [low, high] = ratios && convention === 'out/in' ? [ratios.most, ratios.least] : [ratios?.least, ratios?.most];
  return (
    <div className="flex h-full flex-col border border-base-300 hover:border-base-content">
      <Link href={`/trains/${encodeURIComponent(entry.id)}`} className="block flex-1 hover:bg-base-200">
        {entry.view ? <SmallSideView view={entry.view} train={entry.train} className="h-44 w-full" /> : <div className="muted grid h-44 place-items-center text-sm">Too large to draw</div>}
        <div className="border-t border-base-300 px-3 py-2">
          <h3 className="font-semibold">{entry.name}</h3>
          <p className="muted text-sm">
            {entry.positions} {entry.positions === 1 ? 'position' : 'positions'}
            {low && high && ` · ${equals(low, high) ? ratioText(low, convention) : `${ratioText(low, convention)} to ${ratioText(high, convention)}`}`}
            {spread && ` · spread ${figure(toNumber(spread))}`}
          </p>
          <p className="mt-1 text-sm">{entry.notes}</p>
        </div>
      </Link>
      <div className="flex items-center gap-1 border-t border-base-300 px-2 py-1">
        <time className="muted flex-1 pl-1 text-xs" dateTime={entry.updatedAt}>
          changed {entry.updatedAt.slice(0, 10)}
        </time>
        <CardButton label={`Duplicate ${entry.name}`} onPress={onDuplicate} icon={<Copy className="size-4" aria-hidden />} />
        <CardButton label={`Save ${entry.name} as a file`} onPress={() => saveFile(fileName(entry.name, '.train.json'), 'application/json', serialiseTrain(entry.train))} icon={<Download className="size-4" aria-hidden />} />
        <CardButton label={`Delete ${entry.name}`} onPress={onDelete} icon={<Trash2 className="size-4" aria-hidden />} />
      </div>
    </div>
  );
}

function CardButton({ label, onPress, icon }: { label: string; onPress: () => void; icon: React.ReactNode }) {
  return (
    <button type="button" className="btn btn-ghost btn-xs btn-square" aria-label={label} title={label} onClick={onPress}>
      {icon}
    </button>
  );
}
