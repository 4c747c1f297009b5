'use client';

import { useEffect, useRef, useState } from 'react';
import type { DrawnTrain } from '@/core/drawing';
import type { Train } from '@/core/train';
import { SmallSideView } from '@/figures/side-view/small-side-view';
import { type ReadableEntry } from '@/wire';
import { readShelfDrawing } from '@/wire';
import { required } from '@/core/required';

type Shown =
  | { readonly kind: 'waiting' }
  | { readonly kind: 'drawn'; readonly train: Train; readonly drawn: DrawnTrain }
  | { readonly kind: 'failed'; readonly message: string };

/** A train's small side view; asked for when the card comes near the window, so that a long shelf opens at once. */
export function CardDrawing({ entry: { id, version } }: { entry: ReadableEntry }) {
  const place = useRef<HTMLDivElement>(null);
  const [shown, setShown] = useState<Shown>({ kind: 'waiting' });
  useEffect(() => {
    let asked = false;
    const watch = new IntersectionObserver(
      async ([seen]) => {
        if (!seen?.isIntersecting || asked) return;
        asked = true;
        watch.disconnect();
        const answer = await readShelfDrawing(id, version);
        setShown(answer.ok ? { kind: 'drawn', ...answer.value } : { kind: 'failed', message: answer.message });
      },
      { rootMargin: '200px' },
    );
    watch.observe(required(place.current));
    return () => watch.disconnect();
  }, [id, version]);
  return (
    <div ref={place} className="h-44">
      {shown.kind === 'drawn' && shown.drawn.ok ? (
        <SmallSideView view={shown.drawn.view} train={shown.train} className="h-full w-full" />
      ) : (
        <p className="muted grid h-full place-items-center px-4 text-center text-sm">
          {shown.kind === 'waiting'
            ? 'Drawing…'
            : shown.kind === 'failed'
              ? shown.message
              : shown.drawn.ok
                ? ''
                : shown.drawn.why}
        </p>
      )}
    </div>
  );
}
