import { useEffect, useRef, useState, type ReactNode } from 'react';
import { required } from '@/core/required';

interface Props {
  /** What is pressed. */
  readonly word: ReactNode;
  readonly title?: string;
  /** How the pressed word looks. */
  readonly className: string;
  /** The panel's edge that lies under the word's. */
  readonly side?: 'left' | 'right';
  readonly children: ReactNode;
}

/** A word that opens a panel under it; a press elsewhere or Escape closes it. */
export function DropDown({ word, title, className, side = 'right', children }: Props) {
  const place = useRef<HTMLDetailsElement>(null);
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const details = required(place.current);
    const close = (event: Event) => {
      const elsewhere =
        event instanceof KeyboardEvent ? event.key === 'Escape' : !details.contains(event.target as Node);
      if (!details.open || !elsewhere) return;
      details.open = false;
      if (event instanceof KeyboardEvent) required(details.querySelector('summary')).focus();
    };
    addEventListener('pointerdown', close);
    details.addEventListener('keydown', close);
    return () => {
      removeEventListener('pointerdown', close);
      details.removeEventListener('keydown', close);
    };
  }, []);
  return (
    <details ref={place} className="relative" onToggle={({ currentTarget }) => setOpen(currentTarget.open)}>
      <summary className={`cursor-pointer list-none ${className}`} title={title}>
        {word}
      </summary>
      <div
        className={
          `absolute ${side === 'right' ? 'right-0' : 'left-0'} z-30 mt-1 flex w-max flex-col gap-2 border ` +
          'border-base-content bg-base-100 p-3 shadow-md'
        }
      >
        {open && children}
      </div>
    </details>
  );
}
