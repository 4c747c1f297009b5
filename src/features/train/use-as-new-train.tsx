'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Train } from '@/core/train';
import { postTrain } from '@/wire';

/** Puts a train that was made on the shelf under a name that can be typed, and opens it. */
export function UseAsNewTrain({ made }: { made: Train }) {
  const router = useRouter();
  const [name, setName] = useState<string | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const put = async () => {
    const answer = await postTrain({ ...made, name: (name ?? made.name).trim() || made.name });
    if (answer.ok) router.push(`/trains/${answer.value.id}`);
    else setMessage(answer.message);
  };
  return (
    <form
      className="flex items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void put();
      }}
    >
      <input
        className="input input-sm min-w-0 flex-1"
        aria-label="Name of the new train"
        maxLength={120}
        value={name ?? made.name}
        onChange={(event) => setName(event.target.value)}
      />
      <button type="submit" className="btn btn-neutral btn-sm">
        Use it as a new train
      </button>
      {message && (
        <p role="alert" className="text-error">
          {message}
        </p>
      )}
    </form>
  );
}
