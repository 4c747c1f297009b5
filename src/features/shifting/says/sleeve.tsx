import { useDraggable, useDroppable } from '@dnd-kit/core';
import clsx from 'clsx';
import { GripVertical, X } from 'lucide-react';
import { useState } from 'react';
import { putOnSelector, removeSelector, renameSelector, setSpan, type Edit, type Train } from '@/core/train';
import type { Selector } from '@/core/shifting';
import { readFigure } from '@/core/units';
import { couplerName } from '@/core/words';
import { editTrain, endVisit } from '@/features/train/edit';
import { useTrainStore } from '@/features/train/use-train';
import { Stretches, type StretchesProps } from './stretches';
import { TravelBar } from './travel-bar';

/** Makes an edit of the sleeves, or says why it cannot be made. */
export function useSleeveEdit(): (edit: Edit, also?: { readonly merge?: string; readonly notice?: string }) => void {
  const store = useTrainStore();
  return (edit, also) => {
    if (edit.ok) editTrain(store, edit.train, also);
    else store.getState().say(edit.message);
  };
}

/**
 * A sleeve or drum: its name, what it does along its travel, and the stretch of every coupler on it, typed or dragged;
 * a coupler of another is dropped on it.
 */
export function Sleeve({ train, selector, stretches }: StretchesProps) {
  const edit = useSleeveEdit();
  const { setNodeRef, isOver } = useDroppable({ id: selector.id });
  const name = selector.name || selector.id;
  return (
    <section
      ref={setNodeRef}
      aria-label={`Travel of ${name}`}
      className={clsx('flex flex-col gap-1', isOver && 'outline-2 outline-offset-2 outline-accent')}
    >
      <div className="flex items-center justify-between gap-2">
        <h3 className="sr-only">{name}</h3>
        <input
          className="input input-xs w-40 font-semibold"
          aria-label={`Name of ${name}`}
          defaultValue={name}
          key={name}
          maxLength={100}
          onBlur={({ target }) =>
            target.value.trim() !== name && edit(renameSelector(train, selector.id, target.value))
          }
          onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
        />
        <button
          type="button"
          className="btn btn-ghost btn-xs"
          aria-label={`Remove ${name}`}
          onClick={() =>
            edit(removeSelector(train, selector.id), {
              notice: `${name} is removed; its couplers stay. Undo restores it.`,
            })
          }
        >
          <X className="size-3.5" aria-hidden />
        </button>
      </div>
      {selector.spans.length === 0 ? (
        <p className="muted">Nothing is on it yet: drag a coupler here, or choose it at the coupler.</p>
      ) : (
        <>
          <TravelBar train={train} selector={selector} stretches={stretches} />
          <Stretches train={train} selector={selector} stretches={stretches} />
          <ul aria-label={`Couplers on ${name}`} className="mt-1 flex flex-col gap-0.5">
            {selector.spans.map((span, at) => (
              <li key={`${span.coupler} ${at}`} className="flex items-center gap-1.5">
                <CouplerHandle train={train} coupler={span.coupler} on={selector.id} />
                <SpanFields train={train} selector={selector} at={at} />
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

interface HandleProps {
  readonly train: Train;
  readonly coupler: string;
  /** What works it; null for nothing. */
  readonly on: string | null;
}

/** A coupler to be dragged onto another sleeve, or put there by the list. */
export function CouplerHandle({ train, coupler, on }: HandleProps) {
  const edit = useSleeveEdit();
  const { setNodeRef, listeners, transform } = useDraggable({ id: coupler });
  const name = couplerName(train, coupler);
  return (
    <span
      ref={setNodeRef}
      className="flex min-w-0 flex-1 items-center gap-1 bg-base-100"
      style={
        transform ? { translate: `${transform.x}px ${transform.y}px`, position: 'relative', zIndex: 20 } : undefined
      }
    >
      <span {...listeners} className="cursor-grab touch-none" title={`Drag ${name} onto another sleeve`}>
        <GripVertical className="size-3.5" aria-hidden />
      </span>
      <span className="min-w-0 flex-1 truncate" title={name}>
        {name}
      </span>
      <select
        className="select select-xs w-22"
        aria-label={`${name} is on`}
        value={on ?? ''}
        onChange={({ target }) => edit(putOnSelector(train, coupler, target.value === '' ? null : target.value))}
      >
        <option value="">none</option>
        {(train.selectors ?? []).map(({ id, name: sleeve }) => (
          <option key={id} value={id}>
            {sleeve || id}
          </option>
        ))}
      </select>
    </span>
  );
}

/** Where an engagement begins and ends, typed in mm; one visit of the fields is one step of undo. */
function SpanFields({ train, selector, at }: { train: Train; selector: Selector; at: number }) {
  const store = useTrainStore();
  const edit = useSleeveEdit();
  const span = selector.spans[at];
  const [typed, setTyped] = useState<{ readonly end: 'from' | 'to'; readonly text: string } | null>(null);
  if (!span) return null;
  const name = couplerName(train, span.coupler);
  const type = (end: 'from' | 'to', text: string) => {
    setTyped({ end, text });
    const mm = readFigure(text, 'mm');
    if (!Number.isNaN(mm)) {
      const changed = setSpan(train, selector.id, at, { ...span, [end]: mm });
      if (changed.ok) edit(changed, { merge: `span ${selector.id} ${at} ${end}` });
    }
  };
  const wrong = (end: 'from' | 'to') => typed?.end === end && readFigure(typed.text, 'mm') !== span[end];
  return (
    <span className="flex items-center gap-1 whitespace-nowrap">
      {(['from', 'to'] as const).map((end) => (
        <span key={end} className="contents">
          {end === 'to' && <span className="muted">to</span>}
          <input
            className="input input-xs figure w-13 aria-invalid:border-error"
            inputMode="decimal"
            aria-label={`${name} ${end === 'from' ? 'from' : 'to'}, mm`}
            title="Millimetres of travel; it ends behind where it begins."
            aria-invalid={wrong(end)}
            value={typed?.end === end ? typed.text : String(span[end])}
            onChange={({ target }) => type(end, target.value)}
            onBlur={() => {
              setTyped(null);
              endVisit(store);
            }}
          />
        </span>
      ))}
      <span className="muted">mm</span>
    </span>
  );
}
