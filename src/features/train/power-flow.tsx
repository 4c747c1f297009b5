import { useMemo } from 'react';
import { powerLines, type SideView } from '@/core/drawing';
import type { Train } from '@/core/train';
import { PowerPathLines } from '@/figures/side-view/power-path';
import { analyseEngaged } from './analysis';

interface Props {
  readonly view: SideView;
  readonly train: Train;
  readonly engaged: readonly string[];
  readonly losses: boolean;
}

/** Where power goes while an engagement drives, over a train's side view. */
export function PowerFlowLines({ view, train, engaged, losses }: Props) {
  const { powers } = analyseEngaged(train, engaged, 'drive', losses);
  const lines = useMemo(() => powerLines(view, powers), [view, powers]);
  return <PowerPathLines lines={lines} />;
}
