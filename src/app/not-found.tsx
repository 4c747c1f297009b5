import Link from 'next/link';

export default function NotFound() {
  return (
    <main className="mx-auto flex max-w-xl flex-col gap-3 p-10">
      <h1 className="text-2xl font-semibold">Not on the shelf</h1>
      <p>There is no train at this address. It may have been removed.</p>
      <Link className="link" href="/">
        Go to the shelf
      </Link>
    </main>
  );
}
