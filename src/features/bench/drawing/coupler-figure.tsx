'use client';

import { useExplained } from '@/features/train/use-explained';
import { useTrain, useTrainStore } from '@/features/train/use-train';
import { highlightOf } from '@/features/train/highlight';
import { toggleCoupler } from '@/features/train/choosing';
import type { CouplerShape } from '@/core/drawing';
import { CouplerSymbol } from '@/figures/side-view/coupler-symbol';
import { couplerWords } from '@/core/words';
import { couplerState, decidesForItself } from '@/features/train/words';
import { PartButton } from './part-button';
import { partsById } from '@/core/train';
import { useTrainWords } from '@/features/train/use-train-words';

/** A coupler on the drawing, pressed to engage or release it; one that helps to lock the train is ringed. */
export function CouplerFigure({ shape, powered }: { shape: CouplerShape; powered: boolean }) {
  const store = useTrainStore();
  const train = useTrain((state) => state.train);
  const position = useExplained();
  const coupler = partsById(train).coupler(shape.coupler);
  const lit = useTrain((state) => state.highlight?.couplers.includes(coupler.id) ?? false);
  const state = couplerState(coupler, position);
  const decides = decidesForItself(coupler);
  const locks = position.locks.includes(coupler.id);
  const { x, y } = shape;
  const closed = state === 'engaged' || state === 'holds';
  const told = useTrainWords();
  return (
    <PartButton
      label={
        `${told(couplerWords(train, coupler))}: ` +
        `${state}.` +
        (decides ? ' Holds or overruns by itself.' : closed || state === 'overruns' ? ' Release it.' : ' Engage it.')
      }
      pressed={position.solved.engaged.has(coupler.id)}
      disabled={decides}
      box={{ left: x - 10, right: x + 10, top: y - 12, bottom: y + 12 }}
      part={{ kind: 'coupler', id: coupler.id }}
      highlight={highlightOf({ couplers: [coupler.id], members: 'joins' in coupler ? coupler.joins : [] })}
      onPress={() => toggleCoupler(store, coupler.id)}
    >
      {/* Always there: a ring that comes and goes under a pressed pointer would swallow the click. */}
      <circle
        cx={x}
        cy={y}
        r={15}
        className={locks ? 'fill-error/15 stroke-error' : 'fill-accent/15 stroke-accent'}
        strokeWidth={2}
        opacity={locks || lit ? 1 : 0}
      />
      <CouplerSymbol
        shape={shape}
        coupler={coupler}
        closed={closed}
        overruns={state === 'overruns'}
        stroke={locks ? 'var(--color-error)' : powered ? 'var(--color-primary)' : undefined}
      />
    </PartButton>
  );
}
