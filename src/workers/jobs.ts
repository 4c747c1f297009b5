import { Drafts, drawSideView, type DraftsData, type Space } from '@/core/drawing';
import type { Train } from '@/core/train';

/** What is worked out beside the page: from plain data to plain data. */
export const JOBS = {
  /** What is dear in a train's side view, found with so much effort. */
  draft({
    train,
    space,
    effort,
  }: {
    readonly train: Train;
    readonly space: Space;
    readonly effort: number;
  }): DraftsData {
    const drafts = new Drafts();
    drawSideView(train, space, { drafts, effort });
    return drafts.data();
  },
};

export type Jobs = typeof JOBS;
