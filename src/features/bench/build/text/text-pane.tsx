'use client';

import { useEffect, useRef, useState } from 'react';
import { drawSideView, FIRST_SIGHT, SPACES } from '@/core/drawing';
import type { PartRef, Train } from '@/core/train';
import type { WrittenProblem, WrittenTrain } from '@/core/written-form';
import { redo, undo } from '@/features/train/edit';
import { highlightOf, isSameHighlight } from '@/features/train/highlight';
import { useTrainStore } from '@/features/train/use-train';
import { createEditor, type TextEditor } from '@/ui/written/editor';
import { Places } from '@/ui/written/places';
import { SmallSideView } from '@/figures/side-view/small-side-view';
import { usePointed } from '../../drawing/pointed';
import { useBenchItself } from '../../use-bench';
import { followText, type Read, type Writing } from './writing';

/** The train in writing: what is typed is read at once; what does not read stays, with what is wrong and where. */
export function TextPane() {
  const place = useRef<HTMLDivElement>(null);
  const editor = useRef<TextEditor | null>(null);
  const writing = useRef<Writing | null>(null);
  const store = useTrainStore();
  const bench = useBenchItself();
  const [now, setNow] = useState<Read | null>(null);
  useEffect(() => {
    if (!place.current) return;
    const text = followText(store, (read, outside) => {
      if (outside) editor.current?.setText(read.text);
      editor.current?.showProblems(read.read);
      setNow(read);
    });
    const partAt = (at: number): PartRef | null =>
      text.now().read.parts.findLast(({ place: { from, to } }) => from <= at && at <= to)?.part ?? null;
    const own = createEditor(place.current, text.now().text, {
      onType: text.type,
      onCursor: (at) => lightPart(store, partAt(at)),
      onPoint: (at) => {
        const part = at === null ? null : partAt(at);
        const rect = at === null ? null : own.rectAt(at);
        if (part && part.kind !== 'mesh' && rect)
          usePointed.getState().point({ part: { ...part, kind: part.kind }, at: rect });
        else usePointed.getState().leave();
      },
      onUndo: (again) => {
        if (text.now().read.train === null) return false;
        (again ? redo : undo)(store);
        return true;
      },
      parts: () => store.getState().train,
    });
    editor.current = own;
    writing.current = text;
    own.showProblems(text.now().read);
    setNow(text.now());
    own.focus();
    // A part that is pressed on the drawing is found in the text.
    const stop = bench.store.subscribe(({ editing }, before) => {
      if (!editing || editing === before.editing) return;
      const found = text.now().read.parts.find(({ part }) => part.kind === editing.kind && part.id === editing.id);
      if (found) own.goTo(found.place.from, found.place.to);
    });
    return () => {
      stop();
      usePointed.getState().leave();
      store.getState().light(null);
      own.leave();
      text.leave();
    };
  }, [store, bench]);
  return (
    <div className="grid min-h-0 flex-1 md:grid-cols-[minmax(0,1fr)_16rem]">
      <div ref={place} className="min-h-60 min-w-0 overflow-hidden" />
      {now && (
        <Told
          now={now}
          onGo={({ from, to }) => {
            editor.current?.goTo(from, to);
            editor.current?.focus();
          }}
          onBeginAnew={() => writing.current?.beginAnew()}
        />
      )}
    </div>
  );
}

/** Lights the part in the drawing; a key within the same part draws nothing anew. */
function lightPart(store: ReturnType<typeof useTrainStore>, part: PartRef | null): void {
  const lists = { gear: 'gears', member: 'members', coupler: 'couplers', mesh: null } as const;
  const list = part && lists[part.kind];
  const { highlight, light } = store.getState();
  const next = list ? highlightOf({ [list]: [part.id] }) : null;
  if (!isSameHighlight(highlight, next)) light(next);
}

/** How the text stands: read as it is, or what is wrong, and what there is of it meanwhile. */
function Told({
  now: { read, outdated },
  onGo,
  onBeginAnew,
}: {
  now: Read;
  onGo: (place: WrittenProblem['place']) => void;
  onBeginAnew: () => void;
}) {
  const { problems, hints, train, shown } = read;
  return (
    <div className="min-h-0 overflow-auto border-base-300 px-3 py-2 text-sm max-md:border-t md:border-l">
      {train ? (
        <p role="status">
          <span className="font-semibold">Read.</span> The drawing follows.
        </p>
      ) : (
        <p role="status">
          <span className="font-semibold">
            {problems.length === 1 ? 'One thing does' : `${problems.length} things do`} not read yet.
          </span>{' '}
          The train stays as it was; the text is kept.
        </p>
      )}
      {outdated && (
        <p role="alert" className="mt-1 border-l-3 border-warning pl-2">
          The train has changed since this was typed: once it reads, it takes the place of those changes.
        </p>
      )}
      <Places label="What is wrong" problems={problems} onGo={onGo} />
      <Places label="What may be a slip" problems={hints} onGo={onGo} />
      {!train && shown && <Meanwhile train={shown} />}
      {!train && (
        <button type="button" className="btn btn-xs mt-2" onClick={onBeginAnew}>
          Write the train anew
        </button>
      )}
      <p className="muted mt-2 text-xs leading-snug">
        One statement a line, in any order: train, input, output, set, pair, bevel, worm, chain, belt, brake, clutch,
        one-way, slide, sleeve, position, note. <Key name="Ctrl Space" /> offers words and names,
        <Key name="Tab" /> takes one; <Key name="#" /> begins a remark.
      </p>
    </div>
  );
}

const Key = ({ name }: { name: string }) => <kbd className="kbd kbd-xs">{name}</kbd>;

/** What reads already, drawn small. */
function Meanwhile({ train }: { train: WrittenTrain['shown'] & Train }) {
  const drawn = drawSideView(train, SPACES.shelf, { effort: FIRST_SIGHT });
  if (!drawn.ok) return null;
  return (
    <figure className="mt-2">
      <SmallSideView view={drawn.view} train={train} className="h-28 w-full border border-base-300" />
      <figcaption className="muted text-xs">What reads so far</figcaption>
    </figure>
  );
}
