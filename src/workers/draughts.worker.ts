import { expose } from 'comlink';
import { Drafts, drawSideView, type DraftsData, type Space } from '@/core/drawing';
import type { Train } from '@/core/train';

const draughtsman = {
  /** What is dear in a train's side view, found with so much effort. */
  draft(train: Train, space: Space, effort: number): DraftsData {
    const drafts = new Drafts();
    drawSideView(train, space, { drafts, effort });
    return drafts.data();
  },
};

export type Draughtsman = typeof draughtsman;

expose(draughtsman);
