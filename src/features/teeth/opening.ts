import { chartOf } from '@/core/gear-chart';
import { toFraction } from '@/core/rational';
import { MOST_STAGES, stagesOf } from '@/core/tooth-search';
import { FRAME, type Train } from '@/core/train';
import { spanAround, type TeethForm } from './form';
import { tappedFor } from './opening-taps';

/**
 * What suits a train as the screen opens: a planetary one is asked for other counts of its own, its first set free to
 * change and its ratios the targets; one with several outputs for a chain that is tapped for them; a plain chain for a
 * chain of as many stages.
 */
export function openingFor(train: Train, form: TeethForm): TeethForm {
  const free = firstSetOf(train);
  if (free.length > 0) return fitOf(train, free, form);
  if (train.couplers.length > 0) return form;
  if (train.outputs.length > 1) return tappedFor(train, form);
  const stages = stagesOf(train).length;
  return stages >= 1 && stages <= MOST_STAGES ? { ...form, stages: [stages, stages] } : form;
}

/** The gears of the first planet and those it meshes with; none where nothing is carried round. */
function firstSetOf(train: Train): readonly string[] {
  const planet = train.members.find(({ carrier }) => carrier !== undefined && carrier !== FRAME);
  const own = train.gears.filter(({ member }) => member === planet?.id).map(({ id }) => id);
  const mates = train.meshes.flatMap(({ gears: [a, b] }) => (own.includes(a) ? [b] : own.includes(b) ? [a] : []));
  return [...new Set([...own, ...mates])];
}

/** So many counts may change by so many teeth either way: what is looked through stays small. */
const reachOf = (free: number): number => (free <= 3 ? 4 : free <= 6 ? 2 : 1);

function fitOf(train: Train, free: readonly string[], form: TeethForm): TeethForm {
  const targets = chartOf(train).rows.flatMap(({ id, solved: { ratio } }) =>
    ratio ? [[id, { ratio: toFraction(ratio), weight: '1' }] as const] : [],
  );
  if (targets.length === 0) return form;
  const gears = train.gears.map(
    ({ id, teeth }) => [id, { ...spanAround(teeth, reachOf(free.length)), free: free.includes(id) }] as const,
  );
  return {
    ...form,
    kind: 'fit',
    fit: { ...form.fit, free: Object.fromEntries(gears), targets: Object.fromEntries(targets) },
  };
}
