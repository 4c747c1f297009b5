/** Wrong use or bad input: its message is the one line that is printed. */
export class UsageError extends Error {}
