/** What every page says while the database cannot be used: why, and what to do. Each visit tries again. */
export function NoDatabase({ reason }: { reason: string }) {
  return (
    <main className="mx-auto flex max-w-xl flex-col gap-3 p-10">
      <h1 className="text-2xl font-semibold">The shelf cannot be opened</h1>
      <p className="[overflow-wrap:anywhere]">{reason}</p>
      <p className="muted">Nothing was written to it. Fix the cause above, then try again.</p>
      <a className="btn btn-neutral btn-sm self-start" href="">
        Try again
      </a>
    </main>
  );
}
