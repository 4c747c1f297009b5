import type { ReadingVerdict } from '@/core/measurement';

/** What a reading proves, as it is said; nothing where there is nothing to compare. */
export const VERDICTS: Readonly<Record<ReadingVerdict, string>> = {
  agrees: 'agrees',
  'cannot-tell': 'cannot tell',
  'does-not-agree': 'does not agree',
  'no-verdict': '',
};
