'use client';

import { useEffect } from 'react';
import { onDemand, whenIdle } from '@/ui/on-demand';
import { partKey } from '../drawing/pointed';
import { useTrain } from '@/features/train/use-train';
import { useOpenCard } from '../use-bench';
import { useReturnedFocus } from './use-returned-focus';

const PartCard = onDemand(async () => (await import('./part-card')).PartCard);

/** The card of whichever part is being changed. */
export function OpenCard() {
  const editing = useOpenCard();
  useReturnedFocus(
    editing,
    useTrain((state) => state.train),
  );
  useEffect(() => whenIdle([PartCard.load]), []);
  return editing && <PartCard.Shown key={partKey(editing)} editing={editing} />;
}
