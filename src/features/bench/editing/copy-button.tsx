'use client';

import { Copy } from 'lucide-react';
import type { PartRef } from '@/core/train';
import { useTrainStore } from '@/features/train/use-train';
import { copy } from './clip';

/** Copies a part with its connections. */
export function CopyButton({ part }: { part: PartRef }) {
  const store = useTrainStore();
  return (
    <button
      type="button"
      className="btn btn-ghost btn-xs btn-square"
      aria-label="Copy"
      title="Copy with its connections (Ctrl C)"
      onClick={() => void copy(store, part)}
    >
      <Copy className="size-4" aria-hidden />
    </button>
  );
}
