import type { ReactNode } from 'react';
import type { SideView } from '@/core/drawing';
import type { Train } from '@/core/train';
import { memberColor } from '../member-colors';
import { CouplerSymbol } from './coupler-symbol';
import { GearOutline } from './gear-outline';
import { PlanetPinFigure } from './planet-pin';
import { partsById } from '@/core/train';

interface Props {
  readonly view: SideView;
  readonly train: Train;
  readonly className?: string;
  /** Couplers that are engaged. */
  readonly closed?: ReadonlySet<string>;
  /** What is drawn over it, in its own measures. */
  readonly children?: ReactNode;
}

/** The side view as a picture: no words, nothing to press. */
export function SmallSideView({ view, train, className, closed, children }: Props) {
  const parts = partsById(train);
  return (
    <svg viewBox={`0 0 ${view.width} ${view.height}`} className={className} aria-hidden>
      {view.lines.map(({ member, segments }) => (
        <path
          key={member}
          d={segments.map(({ x1, y1, x2, y2 }) => `M ${x1} ${y1} L ${x2} ${y2}`).join(' ')}
          stroke={memberColor(train, member)}
          strokeWidth={2.6}
          fill="none"
        />
      ))}
      {view.gears.map((shape, i) => {
        const color = memberColor(train, shape.member);
        return <GearOutline key={i} shape={shape} type={parts.gear(shape.gear).type} stroke={color} fill={color} />;
      })}
      {view.pins.map(({ planet, x1, x2, y }) => (
        <PlanetPinFigure key={planet} x1={x1} x2={x2} y={y} color={memberColor(train, planet)} />
      ))}
      {view.couplers.map((shape) => (
        <CouplerSymbol
          key={shape.coupler}
          shape={shape}
          coupler={parts.coupler(shape.coupler)}
          closed={closed?.has(shape.coupler) ?? false}
        />
      ))}
      {children}
    </svg>
  );
}
