'use client';

import { useRef, useState, type PointerEvent, type RefObject } from 'react';
import { partsById, type Train } from '@/core/train';
import { memberName } from '@/core/words';
import { documents } from '@/features/train/documents';
import { editTrain } from '@/features/train/edit';
import { useTrainStore } from '@/features/train/use-train';
import type { Question } from '../editing/ask-about';

/** Pixels of the screen before a press becomes a drag. */
const SLACK = 8;

/** A line that follows the pointer from the member that is held. */
export interface Held {
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
}

/**
 * Dragging a shaft onto another joins the two into one member; with Alt held it puts a clutch between them.
 * @param ask is told what has more consequences than the joining itself
 */
export function useMemberDrag(zoomed: RefObject<SVGGElement | null>, ask: (question: Question) => void) {
  const store = useTrainStore();
  const held = useRef<{ readonly member: string; readonly at: DOMPoint; moved: boolean } | null>(null);
  const [line, setLine] = useState<Held | null>(null);
  const pointOf = ({ clientX, clientY }: PointerEvent): DOMPoint | null => {
    const matrix = zoomed.current?.getScreenCTM();
    return matrix ? new DOMPoint(clientX, clientY).matrixTransform(matrix.inverse()) : null;
  };
  const join = async (own: string, other: string, withClutch: boolean) => {
    const [{ addCoupler, joinMembers }, { isPlain }] = await Promise.all([documents(), import('../editing/is-plain')]);
    const { train, say } = store.getState();
    const edit = withClutch ? addCoupler(train, 'clutch', own, other) : joinMembers(train, other, own);
    if (!edit.ok) return say(edit.message);
    const [a, b] = [memberName(train, own), memberName(train, other)];
    if (withClutch) return editTrain(store, edit.train, { notice: `A clutch is between ${a} and ${b}.` });
    const notice = `${a} and ${b} are one member. Undo takes it back.`;
    if (isPlain(train, edit.train)) return editTrain(store, edit.train, { notice });
    ask({
      lead: `Make ${a} and ${b} one member?`,
      after: edit.train,
      answers: [{ label: 'They are one', edit: edit.train }],
    });
  };
  return {
    line,
    handlers: {
      onPointerDown: (event: PointerEvent) => {
        const member = partAt(event.target as Element, 'member');
        const at = pointOf(event);
        held.current = member !== null && at && event.button === 0 ? { member, at, moved: false } : null;
      },
      onPointerMove: (event: PointerEvent) => {
        const grip = held.current;
        const at = pointOf(event);
        if (!grip || !at) return;
        grip.moved ||= Math.hypot(at.x - grip.at.x, at.y - grip.at.y) > SLACK;
        if (grip.moved) setLine({ x1: grip.at.x, y1: grip.at.y, x2: at.x, y2: at.y });
      },
      onPointerUp: (event: PointerEvent) => {
        const grip = held.current;
        setLine(null);
        if (!grip?.moved) return;
        const target = memberAt(store.getState().train, event);
        if (target !== null && target !== grip.member) void join(grip.member, target, event.altKey);
      },
      // The click that ends a drag opens no card.
      onClickCapture: (event: React.MouseEvent) => {
        if (held.current?.moved) event.stopPropagation();
        held.current = null;
      },
    },
  };
}

const partAt = (element: Element | null, kind: string): string | null =>
  element
    ?.closest(`[data-part^="${kind}:"]`)
    ?.getAttribute('data-part')
    ?.slice(kind.length + 1) ?? null;

/** The member under the pointer: of a shaft, or of a gear. */
function memberAt(train: Train, { clientX, clientY }: PointerEvent): string | null {
  const under = document.elementFromPoint(clientX, clientY);
  const gear = partAt(under, 'gear');
  return partAt(under, 'member') ?? (gear === null ? null : (partsById(train).find.gear(gear)?.member ?? null));
}
