import Link from 'next/link';

/** What is shown of a train whose document does not read: why, and how it can still be had. */
export function UnreadableTrain({ id, name, why }: { id: string; name: string; why: string }) {
  return (
    <main className="mx-auto flex max-w-xl flex-col gap-3 p-10">
      <h1 className="text-2xl font-semibold">{name}</h1>
      <p>This train is saved, but it cannot be read: {why}</p>
      <p>
        Nothing of it is lost. Save it as it is and repair the file, or go back to the shelf, where it can be put aside
        or replaced by a file that reads.
      </p>
      <a className="btn btn-neutral btn-sm self-start" href={`/api/trains/${encodeURIComponent(id)}/document`} download>
        Save it as it is
      </a>
      <Link className="link" href="/">
        Go to the shelf
      </Link>
    </main>
  );
}
