'use client';

export default function ErrorPage({ reset }: { error: Error; reset: () => void }) {
  return (
    <main className="mx-auto flex max-w-xl flex-col gap-3 p-10">
      <h1 className="text-2xl font-semibold">This page could not be shown</h1>
      <p>What was saved is still there. Try again; if it keeps happening, the server’s log says why.</p>
      <button type="button" className="btn btn-neutral btn-sm self-start" onClick={reset}>
        Try again
      </button>
    </main>
  );
}
