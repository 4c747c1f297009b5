'use client';

import Link from 'next/link';
import { useEffect, useState } from 'react';
import { useKeptPreferences } from '@/ui/preferences';
import { ThemeSwitch } from '@/ui/theme-switch';
import { Practice } from './practice';
import { createPractice } from './store';
import { PracticeContext } from './use-practice';

/** Practice over the whole shelf, and over trains by chance. */
export function Alone() {
  useKeptPreferences();
  const [practice] = useState(() => ({ itself: createPractice(false), here: null }));
  useEffect(() => practice.itself.leave, [practice]);
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh lg:overflow-hidden print:h-auto print:overflow-visible">
      <header className="flex items-center gap-4 border-b border-base-content px-4 py-1.5 print:hidden">
        <Link href="/" className="link-hover muted text-sm">
          Shelf
        </Link>
        <h1 className="font-semibold">Practice</h1>
        <span className="flex-1" />
        <ThemeSwitch />
      </header>
      <PracticeContext value={practice}>
        <Practice />
      </PracticeContext>
    </div>
  );
}
