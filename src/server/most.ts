/** How much is kept of each kind. What comes in a bundle is held to the same. */
export const MOST = {
  /** Searches beside one train; scenarios beside one train. */
  beside: 200,
  /** Entries of one train's log. */
  entries: 50_000,
  /** Pictures of one train's log. */
  pictures: 500,
  /** Names of who practises, and answers under one of them. */
  people: 500,
  answers: 50_000,
  worksheets: 500,
} as const;
