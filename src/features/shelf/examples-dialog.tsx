'use client';

import { useEffect, useState } from 'react';
import { Dialog, DialogActions } from '@/ui/dialog';
import { fetchExamples, type ExampleState } from '@/wire';

/** The trains that ship with Tin Wheel: make one what it was, or bring it back. */
export function ExamplesDialog({
  onRestore,
  onClose,
}: {
  onRestore: (example: ExampleState) => void;
  onClose: () => void;
}) {
  const [examples, setExamples] = useState<readonly ExampleState[] | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  useEffect(() => {
    void fetchExamples().then((answer) =>
      answer.ok ? setExamples(answer.value.examples) : setMessage(answer.message),
    );
  }, []);
  return (
    <Dialog title="Examples" onClose={onClose}>
      <p className="mt-1 text-sm">
        Make an example what it was, or bring it back to the shelf. What you changed in it stays among its revisions.
      </p>
      {message && (
        <p role="alert" className="mt-2 text-sm text-error">
          {message}
        </p>
      )}
      {!examples && !message && <p className="muted mt-2 text-sm">Looking…</p>}
      <ul className="mt-3 text-sm">
        {examples?.map((example) => (
          <li key={example.id} className="flex min-h-9 items-center gap-3 border-t border-base-300 py-1">
            <span className="flex-1 font-semibold">{example.name}</span>
            <span className="muted">{example.state}</span>
            <span className="w-32 text-right">
              {example.state !== 'as it was' && (
                <button
                  type="button"
                  className="btn btn-xs"
                  aria-label={`Restore ${example.name}`}
                  onClick={() => onRestore(example)}
                >
                  {example.state === 'changed' ? 'Reset' : 'Restore'}
                </button>
              )}
            </span>
          </li>
        ))}
      </ul>
      <DialogActions>
        <button type="button" className="btn btn-neutral btn-sm" autoFocus onClick={onClose}>
          Close
        </button>
      </DialogActions>
    </Dialog>
  );
}
