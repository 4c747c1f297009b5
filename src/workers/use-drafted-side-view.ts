import { useMemo } from 'react';
import { Drafts, drawSideView, FIRST_SIGHT, THOROUGH, type DrawnTrain } from '@/core/drawing';
import type { Train } from '@/core/train';
import { useJob } from './use-job';

/**
 * The side view of a train that no screen has open: at once what one round of lines gives, and then the best that is
 * found beside the page. At full effort on the page a drawing would take longer than the time between two keys.
 */
export function useDraftedSideView(
  train: Train,
  space: { readonly width: number; readonly height: number },
): DrawnTrain {
  const { state } = useJob('draft', { train, space, effort: THOROUGH }, [train]);
  const found = state.kind === 'done' && state.key[0] === train ? state.value : null;
  return useMemo(() => {
    const drafts = new Drafts();
    if (found) drafts.take(found);
    return drawSideView(train, space, { drafts, effort: FIRST_SIGHT });
  }, [train, space, found]);
}
