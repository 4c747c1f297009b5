'use client';

import { memo } from 'react';
import type { GearShape } from '@/core/drawing';
import { gearWords } from '@/core/words';
import { highlightOf } from '@/features/train/highlight';
import { useTrain, useTrainStore } from '@/features/train/use-train';
import { memberColor } from '@/figures/member-colors';
import { GearOutline } from '@/figures/side-view/gear-outline';
import { useBench, useCard, useDrawing } from '../use-bench';
import { moveGearBy } from './gear-drag';
import { PartButton } from './part-button';
import { partsById } from '@/core/train';

/**
 * A gear on the drawing, to be picked to change its teeth. Its fill says whose it is, its edge whether power goes
 * through its teeth.
 */
export const GearFigure = memo(function GearFigure({ shape, powered }: { shape: GearShape; powered: boolean }) {
  const train = useTrain((state) => state.train);
  const editing = useBench(({ editing: part }) => part?.kind === 'gear' && part.id === shape.gear);
  const lit = useTrain(
    (state) => state.highlight?.gears.includes(shape.gear) || state.highlight?.members.includes(shape.member) || false,
  );
  const openCard = useCard();
  const store = useTrainStore();
  const drawn = useDrawing();
  const gear = partsById(train).gear(shape.gear);
  const color = memberColor(train, shape.member);
  return (
    <PartButton
      label={`${gearWords(train, gear)}. Change its teeth.`}
      pressed={editing}
      box={shape.box}
      part={{ kind: 'gear', id: gear.id }}
      highlight={highlightOf({ members: [shape.member] })}
      onPress={() => openCard({ kind: 'gear', id: gear.id })}
      onNudge={(by) => moveGearBy(store, drawn.ok ? drawn.view.order : [], gear.id, by)}
    >
      <GearOutline
        shape={shape}
        type={gear.type}
        stroke={powered ? 'var(--color-primary)' : color}
        fill={color}
        lit={lit || editing}
      />
    </PartButton>
  );
});
