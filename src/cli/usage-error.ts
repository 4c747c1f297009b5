/** Wrong use or bad input: its message is the line that is printed, and below it whatever else there is to say. */
export class UsageError extends Error {
  constructor(
    message: string,
    readonly more: readonly string[] = [],
  ) {
    super(message);
  }
}
