'use client';

import type { Train } from '@/core/train';
import { SmallSideView } from '@/figures/side-view/small-side-view';
import { useSettled } from '@/ui/settled';
import { useDraftedSideView } from '@/workers/use-drafted-side-view';

const SPACE = { width: 480, height: 260 };

/** The side view of a train that is being chosen or typed. */
export function PreviewDrawing({ train }: { train: Train }) {
  const settled = useSettled(train);
  const drawn = useDraftedSideView(settled, SPACE);
  return drawn.ok ? (
    <SmallSideView view={drawn.view} train={settled} className="h-36 w-full" />
  ) : (
    <p className="muted px-4 text-sm">{drawn.why}</p>
  );
}
