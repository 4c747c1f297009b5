/** Requests that are under way when the server is asked to stop may take so long; a client that hangs keeps nobody waiting. */
const GRACE_MS = 3_000;

/** Ends the process some time after it is asked to stop, whatever connections are still open. What was acknowledged is in the database by then. */
export function leaveInTime(): void {
  for (const signal of ['SIGTERM', 'SIGINT'] as const) {
    process.once(signal, () => {
      setTimeout(() => process.exit(0), GRACE_MS).unref();
    });
  }
}
