'use client';

import { useEffect, useRef, useState } from 'react';
import type { GearShape, SideView } from '@/core/drawing';
import { readTeeth, setTeeth } from '@/core/train';
import { useBench, useBenchStore } from '../store';

const WIDTH = 236;
const HEIGHT = 112;

/**
 * Types a tooth count at the gear. Each good count is worked out at once and the whole visit is one step of undo;
 * a bad one gets its message here, nothing is taken over, and the last good state stands.
 */
export function TeethEditor({ shape, view }: { shape: GearShape; view: SideView }) {
  const store = useBenchStore();
  const gear = useBench((state) => state.train.gears.find((candidate) => candidate.id === shape.gear));
  const [typed, setTyped] = useState(String(gear?.teeth ?? ''));
  const [message, setMessage] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const [before] = useState(() => store.getState().train);

  useEffect(() => {
    field.current?.select();
    const history = store.temporal;
    return () => history.getState().resume();
  }, [store]);

  const type = (text: string) => {
    setTyped(text);
    const read = readTeeth(text);
    const edit = read.ok ? setTeeth(store.getState().train, shape.gear, read.teeth) : read;
    setMessage(edit.ok ? null : edit.message);
    if (!edit.ok) return;
    store.getState().set({ train: edit.train });
    store.temporal.getState().pause();
  };
  const close = () => store.getState().set({ editing: null });
  const giveUp = () => {
    if (store.getState().train !== before) {
      store.temporal.getState().resume();
      store.temporal.getState().undo();
    }
    close();
  };
  const right = shape.x + shape.halfWidth + 14 + WIDTH <= view.width;
  const x = right ? shape.x + shape.halfWidth + 14 : shape.x - shape.halfWidth - 14 - WIDTH;
  const y = Math.min(Math.max(2, shape.y - HEIGHT / 2), view.height - HEIGHT - 2);
  return (
    <foreignObject x={x} y={y} width={WIDTH} height={HEIGHT} className="overflow-visible">
      <form
        className="flex flex-col gap-1 border border-base-content bg-base-100 p-2.5 shadow-md"
        onSubmit={(event) => {
          event.preventDefault();
          if (!message) close();
        }}
        onKeyDown={(event) => {
          if (event.key !== 'Escape') return;
          event.stopPropagation();
          giveUp();
        }}
        onBlur={(event) => {
          if (!event.currentTarget.contains(event.relatedTarget) && !message) close();
        }}
      >
        <label className="flex items-center justify-between gap-2 text-sm">
          <span>Teeth</span>
          <input
            ref={field}
            autoFocus
            inputMode="numeric"
            className="input input-sm figure w-28 aria-invalid:border-error"
            value={typed}
            aria-invalid={message !== null}
            aria-describedby="teeth-message"
            onChange={(event) => type(event.target.value)}
          />
        </label>
        <p id="teeth-message" role={message ? 'alert' : undefined} className={message ? 'text-xs text-error' : 'muted text-xs'}>
          {message ?? 'Enter keeps it, Esc goes back.'}
        </p>
      </form>
    </foreignObject>
  );
}
