import type { KeyboardEvent, PointerEvent, ReactNode } from 'react';
import { required } from '@/core/required';

interface Props {
  readonly label: string;
  readonly value: number;
  /** The value in words. */
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly cursor: 'ew-resize' | 'ns-resize';
  /** Dragged to a place of the drawing. */
  readonly onMove: (x: number, y: number) => void;
  /** An arrow key: up or right 1, down or left −1; with Shift ten times as much. */
  readonly onStep: (by: number) => void;
  readonly children: ReactNode;
}

const STEPS: Readonly<Record<string, number>> = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 };

/** Something in a drawing that is dragged with the mouse, or moved with the arrow keys. */
export function DragHandle({ label, value, text, x, y, cursor, onMove, onStep, children }: Props) {
  const follow = (event: PointerEvent<SVGGElement>) => {
    if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
    const box = required(event.currentTarget.ownerSVGElement).getBoundingClientRect();
    onMove(event.clientX - box.left, event.clientY - box.top);
  };
  const press = (event: KeyboardEvent) => {
    const step = STEPS[event.key];
    if (step === undefined) return;
    event.preventDefault();
    onStep(step * (event.shiftKey ? 10 : 1));
  };
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={value}
      aria-valuetext={text}
      transform={`translate(${x} ${y})`}
      style={{ cursor, touchAction: 'none' }}
      className="outline-offset-2"
      onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
      onPointerMove={follow}
      onKeyDown={press}
    >
      <title>{`${label}: ${text}`}</title>
      <circle r={12} fill="transparent" />
      {children}
    </g>
  );
}
