'use client';

import { X } from 'lucide-react';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import type { PartRef } from '@/core/train';
import { couplerWords, gearWords, memberName } from '@/core/words';
import { useTrain } from '@/features/train/use-train';
import { partKey } from '../drawing/pointed';
import { useCard } from '../use-bench';
import { CouplerFields } from './coupler-fields';
import { GearFields } from './gear-fields';
import { MemberFields } from './member-fields';
import { partsById } from '@/core/train';
import { required } from '@/core/required';
import { useTrainWords } from '@/features/train/use-train-words';

const WIDTH = 300;

/** The card of the part that is being changed, beside it on the drawing. Esc closes it, and so does going elsewhere. */
export function PartCard({ editing }: { editing: PartRef }) {
  const openCard = useCard();
  const train = useTrain((state) => state.train);
  const card = useRef<HTMLDivElement>(null);
  const [message, setMessage] = useState<string | null>(null);
  const [place, setPlace] = useState({ left: 0, top: 0 });
  useLayoutEffect(() => {
    const part = document.querySelector(`[data-part="${CSS.escape(partKey(editing))}"]`)?.getBoundingClientRect();
    const height = required(card.current).offsetHeight;
    // A member without a line of its own, or one that was found in the table, has its card in the middle.
    if (!part)
      return setPlace({ left: Math.max(8, (innerWidth - WIDTH) / 2), top: Math.max(8, (innerHeight - height) / 3) });
    const left = part.right + 14 + WIDTH > innerWidth ? Math.max(8, part.left - WIDTH - 14) : part.right + 14;
    setPlace({ left, top: Math.max(8, Math.min(part.top, innerHeight - height - 8)) });
    // Not again for each tooth count: a card that stands still is typed into more easily, and is drawn sooner.
  }, [editing, message]);
  useEffect(() => {
    // Where no field asks for it, the card itself takes the focus, so that Esc closes it wherever it was opened from.
    if (!required(card.current).contains(document.activeElement)) required(card.current).focus();
  }, []);
  const close = () => openCard(null);
  const told = useTrainWords();
  const gear = editing.kind === 'gear' ? partsById(train).find.gear(editing.id) : undefined;
  const coupler = editing.kind === 'coupler' ? partsById(train).find.coupler(editing.id) : undefined;
  const title = gear
    ? gearWords(train, gear)
    : coupler
      ? told(couplerWords(train, coupler))
      : memberName(train, editing.id);
  return (
    <div
      ref={card}
      role="dialog"
      data-card
      aria-label={title}
      tabIndex={-1}
      style={{ ...place, width: WIDTH, maxHeight: `calc(100dvh - ${place.top + 8}px)` }}
      className={
        'fixed z-30 flex outline-none max-h-[calc(100dvh-1rem)] flex-col gap-2 overflow-auto ' +
        'border border-base-content bg-base-100 p-2.5 text-sm shadow-md'
      }
      onKeyDown={(event) => {
        if (event.key === 'Escape' && !event.defaultPrevented) close();
      }}
      onBlur={(event) => {
        if (!event.currentTarget.contains(event.relatedTarget) && !message) close();
      }}
    >
      <div className="flex items-start justify-between gap-2">
        <h3 className="font-semibold">{title}</h3>
        <button type="button" className="btn btn-ghost btn-xs btn-square" aria-label="Close" onClick={close}>
          <X className="size-4" aria-hidden />
        </button>
      </div>
      {gear && <GearFields gear={gear} say={setMessage} />}
      {coupler && <CouplerFields coupler={coupler} say={setMessage} />}
      {editing.kind === 'member' && <MemberFields id={editing.id} say={setMessage} />}
      {message && (
        <p role="alert" className="text-xs text-error">
          {message}
        </p>
      )}
    </div>
  );
}
