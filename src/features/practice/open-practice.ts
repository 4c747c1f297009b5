import { keepDraft, type Draft } from '@/ui/drafts';
import { jobRunner, type Runner } from '@/workers/beside';
import { KEPT_FIELDS, readPractice, writePractice } from './kept-practice';
import { createPracticeStore, type PracticeStore } from './store';

/** What Practice keeps while it is open, and what works beside the page for it. */
export interface PracticeItself {
  readonly store: PracticeStore;
  readonly draft: Draft;
  readonly hunts: Runner<'hunt'>;
  readonly huntTests: Runner<'huntTests'>;
  readonly leave: () => void;
}

/** @param trainId the train that is open beside it; null where there is none */
export function createPractice(trainId: string | null): PracticeItself {
  const store = createPracticeStore(trainId !== null);
  const draft = keepDraft(store, `practice/${trainId ?? 'alone'}`, KEPT_FIELDS, {
    write: writePractice,
    read: readPractice,
  });
  const [hunts, huntTests] = [jobRunner('hunt'), jobRunner('huntTests')];
  const leave = () => {
    draft.flush();
    hunts.leave();
    huntTests.leave();
  };
  return { store, draft, hunts, huntTests, leave };
}
