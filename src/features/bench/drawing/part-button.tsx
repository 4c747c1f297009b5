'use client';

import type { ReactNode } from 'react';
import type { Box } from '@/core/drawing';
import { type Highlight } from '@/features/train/highlight';
import { useLight } from '@/features/train/use-train';
import { copy } from '../editing/clip';
import { removeNow } from '../editing/remove-now';
import { useCard, useBenchItself } from '../use-bench';
import { partKey, usePointed, type Pointed } from './pointed';

interface Props {
  readonly label: string;
  readonly pressed: boolean;
  readonly disabled?: boolean;
  readonly box: Box;
  readonly part: Pointed['part'];
  readonly highlight: Highlight;
  readonly onPress: () => void;
  /** Shift and an arrow: one place to the right, or to the left. */
  readonly onNudge?: (by: number) => void;
  readonly children: ReactNode;
}

/** A part of the drawing that can be pointed at, focused and pressed, with the pointer or the keyboard. */
export function PartButton({
  label,
  pressed,
  disabled = false,
  box,
  part,
  highlight,
  onPress,
  onNudge,
  children,
}: Props) {
  const bench = useBenchItself();
  const light = useLight();
  const openCard = useCard();
  const { point, leave } = usePointed();
  const enter = (element: Element) => {
    light(highlight);
    point({ part, at: element.getBoundingClientRect() });
  };
  const exit = () => {
    light(null);
    leave();
  };
  return (
    <g
      role="button"
      data-part={partKey(part)}
      aria-keyshortcuts="E Delete"
      tabIndex={0}
      aria-label={label}
      aria-pressed={pressed}
      aria-disabled={disabled || undefined}
      className={`group outline-none ${disabled ? 'cursor-help' : 'cursor-pointer'}`}
      onClick={() => !disabled && onPress()}
      onContextMenu={(event) => {
        event.preventDefault();
        openCard(part);
      }}
      onKeyDown={(event) => {
        if (event.key === 'e') {
          // Else the letter lands in the card's first field.
          event.preventDefault();
          openCard(part);
        }
        if (event.key.toLowerCase() === 'c' && (event.ctrlKey || event.metaKey)) {
          event.preventDefault();
          void copy(bench.train, part);
        }
        if (event.key === 'Delete' || event.key === 'Backspace') {
          event.preventDefault();
          void removeNow(bench, part);
        }
        if (onNudge && event.shiftKey && (event.key === 'ArrowRight' || event.key === 'ArrowLeft')) {
          event.preventDefault();
          event.stopPropagation();
          onNudge(event.key === 'ArrowRight' ? 1 : -1);
        }
        if (event.key !== 'Enter' && event.key !== ' ') return;
        event.preventDefault();
        event.stopPropagation();
        if (!disabled) onPress();
      }}
      onPointerEnter={(event) => enter(event.currentTarget)}
      onPointerLeave={exit}
      onFocus={(event) => enter(event.currentTarget)}
      onBlur={exit}
    >
      <rect
        x={box.left - 4}
        y={box.top - 4}
        width={box.right - box.left + 8}
        height={box.bottom - box.top + 8}
        rx={4}
        className="fill-transparent stroke-accent [stroke-opacity:0] group-focus-visible:[stroke-opacity:1]"
        strokeWidth={2}
      />
      {children}
    </g>
  );
}
