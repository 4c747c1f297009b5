'use client';

import type { MemberLines } from '@/core/drawing';
import { useLight } from '@/features/train/use-train';
import { useCard } from '../use-bench';
import { partKey, usePointed } from './pointed';

/** A wide, unseen stroke along a member's lines: pointing at a shaft tells about it, pressing it opens its card. */
export function MemberHandle({ lines: { member, segments } }: { lines: MemberLines }) {
  const light = useLight();
  const openCard = useCard();
  const { point, leave } = usePointed();
  const part = { kind: 'member' as const, id: member };
  return (
    <path
      d={segments.map(({ x1, y1, x2, y2 }) => `M ${x1} ${y1} L ${x2} ${y2}`).join(' ')}
      data-part={partKey(part)}
      className="cursor-pointer"
      fill="none"
      stroke="transparent"
      strokeWidth={12}
      onPointerEnter={({ clientX, clientY }) => {
        light({ members: [member] });
        point({ part, at: new DOMRect(clientX, clientY, 0, 0) });
      }}
      onPointerLeave={() => {
        light(null);
        leave();
      }}
      onClick={() => openCard(part)}
    />
  );
}
