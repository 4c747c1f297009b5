'use client';

import { useEffect, useRef } from 'react';
import type { Train } from '@/core/train';
import type { WrittenTrain } from '@/core/written-form';
import { createEditor, type TextEditor } from '@/ui/written/editor';
import { Places } from '@/ui/written/places';

interface Props {
  readonly text: string;
  readonly read: WrittenTrain;
  readonly onType: (text: string) => void;
}

const NOTHING: Pick<Train, 'members' | 'couplers'> = { members: [], couplers: [] };

/** Where a new train is pasted or written, with what does not read of it yet. */
export function WrittenField({ text, read, onType }: Props) {
  const place = useRef<HTMLDivElement>(null);
  const editor = useRef<TextEditor | null>(null);
  const now = useRef({ text, read, onType });
  useEffect(() => {
    now.current = { text, read, onType };
    editor.current?.showProblems(read);
  });
  useEffect(() => {
    if (!place.current) return;
    const own = createEditor(place.current, now.current.text, {
      onType: (typed) => now.current.onType(typed),
      onCursor: () => {},
      onPoint: () => {},
      onUndo: () => false,
      parts: () => now.current.read.shown ?? NOTHING,
    });
    editor.current = own;
    own.showProblems(now.current.read);
    own.focus();
    return () => own.leave();
  }, []);
  return (
    <>
      <p className="text-sm">One statement a line; a text or a parts list in this form can be pasted over it.</p>
      <div ref={place} className="h-56 overflow-hidden border border-base-300" />
      <div className="max-h-28 overflow-auto text-sm">
        <Places
          label="What is wrong"
          problems={read.problems}
          onGo={({ from, to }) => {
            editor.current?.goTo(from, to);
            editor.current?.focus();
          }}
        />
        <Places
          label="What may be a slip"
          problems={read.hints}
          onGo={({ from, to }) => editor.current?.goTo(from, to)}
        />
      </div>
    </>
  );
}
