'use client';

import { Copy } from 'lucide-react';
import type { PartRef } from '@/core/train';
import { useBenchStore } from '../store';
import { copy } from './clip';

/** Copies a part with its connections. */
export function CopyButton({ part }: { part: PartRef }) {
  const store = useBenchStore();
  return (
    <button
      type="button"
      className="btn btn-ghost btn-xs btn-square"
      aria-label="Copy"
      title="Copy with its connections (Ctrl C)"
      onClick={() => copy(store, part)}
    >
      <Copy className="size-4" aria-hidden />
    </button>
  );
}
