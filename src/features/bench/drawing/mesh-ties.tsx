import type { MeshTie } from '@/core/drawing';

/** Chains as two lines between their wheels; a dashed line for gears that mesh though the flat drawing parts them. */
export function MeshTies({ ties }: { ties: readonly MeshTie[] }) {
  return (
    <g aria-hidden className="stroke-base-content">
      {ties.map(({ mesh, kind, x, y1, y2 }) =>
        kind === 'chain' ? (
          <path
            key={mesh}
            d={`M ${x - 5} ${y1} V ${y2} M ${x + 5} ${y1} V ${y2}`}
            strokeWidth={1.6}
            strokeDasharray="5 2.5"
          />
        ) : (
          <path
            key={mesh}
            d={`M ${x + 5} ${y1} H ${x} V ${y2} H ${x + 5}`}
            fill="none"
            strokeWidth={1.2}
            strokeDasharray="3 3"
          />
        ),
      )}
    </g>
  );
}
