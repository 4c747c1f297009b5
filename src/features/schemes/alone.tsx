'use client';

import { useEffect, useState } from 'react';
import { FigureChoices } from '@/features/train/frame/figure-choices';
import { AloneFrame } from '@/features/train/frame/alone-frame';
import { PrintLine } from '@/features/train/frame/print-head';
import type { AskedInAddress } from '@/features/train/scheme-address';
import { useKeptPreferences } from '@/ui/preferences';
import { Asked } from './asked';
import { Found } from './found';
import { createSchemes } from './store';
import { SchemesContext } from './use-schemes';

/** All ways to connect sets, and the best of them. */
export function SchemesAlone({ from }: { from: AskedInAddress | null }) {
  useKeptPreferences();
  const [{ store, draft }] = useState(() => createSchemes(from));
  useEffect(() => {
    // What a train brings is what was asked for just now.
    if (!from) draft.restore();
    return draft.flush;
  }, [draft, from]);
  return (
    <AloneFrame title="Schemes" about="Schemes" beside={<FigureChoices />}>
      <PrintLine title="Schemes" />
      <SchemesContext value={store}>
        <main className="grid min-h-0 flex-1 grid-cols-1 lg:grid-cols-[21rem_minmax(0,1fr)] print:block">
          <Asked />
          <Found />
        </main>
      </SchemesContext>
    </AloneFrame>
  );
}
