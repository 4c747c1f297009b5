import { useEffect, useReducer } from 'react';
import { SPACES, THOROUGH, type DrawnTrain } from '@/core/drawing';
import type { Train } from '@/core/train';
import { keepDrafts, sideViewNow } from './side-views';

/**
 * A train's side view as every screen shows it: at once as well as can be, and then, where more effort finds a better
 * order or lines, as the Bench draws it.
 */
export function useSideView(train: Train): DrawnTrain {
  const [, redraw] = useReducer((times: number) => times + 1, 0);
  const drawn = sideViewNow(train);
  const canBeBetter = drawn.ok ? !drawn.finished : drawn.later === true;
  useEffect(() => {
    if (!canBeBetter) return;
    let left = false;
    let leave = () => {};
    void import('@/workers/beside').then(async ({ jobRunner }) => {
      if (left) return;
      const runner = jobRunner('draft');
      leave = runner.leave;
      const state = await runner.begin({ train, space: SPACES.bench, effort: THOROUGH });
      if (left || state?.kind !== 'done') return;
      keepDrafts(train, state.value);
      redraw();
    });
    return () => {
      left = true;
      leave();
    };
  }, [train, canBeBetter]);
  return drawn;
}
