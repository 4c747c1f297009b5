'use client';

import Link from 'next/link';
import { useEffect, useState } from 'react';
import { FigureChoices } from '@/features/train/frame/figure-choices';
import { useKeptPreferences } from '@/ui/preferences';
import { ThemeSwitch } from '@/ui/theme-switch';
import { teethFor } from './store';
import { Teeth } from './teeth';
import { TeethContext } from './use-teeth';

/** Tooth counts for a wanted ratio, without a train. */
export function Alone() {
  useKeptPreferences();
  const [teeth] = useState(() => ({ itself: teethFor(null, null), train: null }));
  useEffect(() => teeth.itself.leave, [teeth]);
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh lg:overflow-hidden">
      <header className="flex items-center gap-4 border-b border-base-content px-4 py-1.5">
        <Link href="/" className="link-hover muted text-sm">
          Shelf
        </Link>
        <h1 className="font-semibold">Tooth counts</h1>
        <span className="flex-1" />
        <FigureChoices />
        <ThemeSwitch />
      </header>
      <TeethContext value={teeth}>
        <Teeth />
      </TeethContext>
    </div>
  );
}
