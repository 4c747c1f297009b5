/** What was thrown, as a sentence for people. */
export const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));
