'use client';

import { useEffect, useRef } from 'react';
import type { Train } from '@/core/train';
import { DifferenceList } from '@/features/train/difference';
import { editTrain } from '@/features/train/edit';
import { useTrainStore } from '@/features/train/use-train';

/** Something with consequences that is asked about before it is done. */
export interface Question {
  readonly lead: string;
  /** The train as it would be; null where that cannot be. */
  readonly after: Train | null;
  readonly note?: string;
  readonly answers: readonly {
    readonly label: string;
    readonly edit?: Train;
    readonly apply?: () => void;
  }[];
}

/** The question, what changes, and the answers. */
export function AskAbout({ question, before, onDone }: { question: Question; before: Train; onDone: () => void }) {
  const store = useTrainStore();
  const first = useRef<HTMLButtonElement>(null);
  useEffect(() => first.current?.focus(), []);
  return (
    <div role="alertdialog" aria-label={question.lead} className="mb-3 border border-base-content px-3 py-2 text-sm">
      <p className="font-semibold">{question.lead}</p>
      {question.note && <p className="muted">As one it cannot be: {question.note}</p>}
      {question.after && <DifferenceList.Shown before={before} after={question.after} />}
      <div className="mt-1.5 flex flex-wrap gap-2">
        {question.answers.map(({ label, edit, apply }, i) => (
          <button
            key={label}
            ref={i === 0 ? first : undefined}
            type="button"
            className={`btn btn-xs ${i === 0 ? 'btn-neutral' : ''}`}
            onClick={() => {
              if (edit) editTrain(store, edit);
              apply?.();
              onDone();
            }}
          >
            {label}
          </button>
        ))}
        <button type="button" className="btn btn-ghost btn-xs" onClick={onDone}>
          Cancel
        </button>
      </div>
    </div>
  );
}
