import { useMemo } from 'react';
import type { SideView } from '@/core/drawing';
import type { Train } from '@/core/train';
import { PowerFlowLines } from '@/features/train/power-flow';
import { useSideView } from '@/features/train/use-side-view';
import { SideViewLabels } from '@/figures/side-view/side-view-labels';
import { SmallSideView } from '@/figures/side-view/small-side-view';
import { TurnMarks } from '@/figures/side-view/turn-marks';

/** What is pressed on the drawing. */
export type Part = { readonly kind: 'members' | 'couplers'; readonly id: string };

interface Props {
  readonly train: Train;
  /** What is drawn as engaged; nothing where that would give the answer away. */
  readonly engaged: readonly string[] | null;
  /** Where power goes is shown once the answer is given. */
  readonly power?: boolean;
  readonly picked?: readonly string[];
  /** How far everything has been turned. */
  readonly turns?: ((member: string) => number) | null;
  readonly onTap?: (part: Part) => void;
  readonly className?: string;
}

/** The side view with its names and counts, as it is shown beside a question. Members and couplers can be pressed. */
export function TrainFigure({ train, engaged, power = false, picked = [], turns = null, onTap, className }: Props) {
  const drawn = useSideView(train);
  const closed = useMemo(() => new Set(engaged ?? []), [engaged]);
  if (!drawn.ok) return <p className="muted p-4 text-sm">{drawn.why}</p>;
  const { view } = drawn;
  return (
    <SmallSideView view={view} train={train} closed={closed} className={className}>
      {power && engaged && <PowerFlowLines view={view} train={train} engaged={engaged} losses={false} />}
      <Picked view={view} picked={picked} />
      <SideViewLabels
        labels={view.labels}
        count="figure fill-base-content text-[13.5px]"
        name="fill-base-content text-[15px] font-semibold"
      />
      {turns && <TurnMarks view={view} turns={turns} />}
      {onTap && <Taps view={view} onTap={onTap} />}
    </SmallSideView>
  );
}

/** What was picked, ringed. */
function Picked({ view, picked }: { view: SideView; picked: readonly string[] }) {
  return (
    <g className="fill-none stroke-accent" strokeWidth={3}>
      {view.lines
        .filter(({ member }) => picked.includes(member))
        .map(({ member, segments }) => (
          <path key={member} d={pathOf(segments)} strokeWidth={9} strokeOpacity={0.45} strokeLinecap="round" />
        ))}
      {view.couplers
        .filter(({ coupler }) => picked.includes(coupler))
        .map(({ coupler, x, y }) => (
          <circle key={coupler} cx={x} cy={y} r={16} />
        ))}
    </g>
  );
}

/** Wide, unseen strokes over members and their gears, and discs over couplers. */
function Taps({ view, onTap }: { view: SideView; onTap: (part: Part) => void }) {
  return (
    <g className="cursor-pointer fill-transparent stroke-transparent">
      {view.lines.map(({ member, segments }) => (
        <path
          key={member}
          d={pathOf(segments)}
          fill="none"
          strokeWidth={16}
          pointerEvents="stroke"
          data-member={member}
          onClick={() => onTap({ kind: 'members', id: member })}
        />
      ))}
      {view.gears.map(({ member, x, y, radius, halfWidth }, i) => (
        <rect
          key={i}
          x={x - halfWidth - 3}
          y={y - radius - 2}
          width={2 * halfWidth + 6}
          height={2 * radius + 4}
          pointerEvents="all"
          onClick={() => onTap({ kind: 'members', id: member })}
        />
      ))}
      {view.couplers.map(({ coupler, x, y }) => (
        <circle
          key={coupler}
          cx={x}
          cy={y}
          r={17}
          pointerEvents="all"
          data-coupler={coupler}
          onClick={() => onTap({ kind: 'couplers', id: coupler })}
        />
      ))}
    </g>
  );
}

const pathOf = (segments: SideView['lines'][number]['segments']): string =>
  segments.map(({ x1, y1, x2, y2 }) => `M ${x1} ${y1} L ${x2} ${y2}`).join(' ');
