import { SPACES, THOROUGH } from '@/core/drawing';
import type { Train } from '@/core/train';
import { demoTrain } from '@/testing/demo-train';
import { JOBS } from '@/workers/jobs';
import { sideViewNow, keepDrafts } from './side-views';

function view(train: Train) {
  const drawn = sideViewNow(train);
  if (!drawn.ok) throw new Error(drawn.why);
  return drawn;
}

test.each(['mud-tram', 'harvester', 'ferry-hub'])(
  'the %s is seen at once, and without a crossing when what was found beside the page is taken over',
  (name) => {
    const train = demoTrain(name);
    const first = view(train);
    expect(first.finished).toBe(false);
    // As it comes from another thread: plain data.
    const found = structuredClone(JOBS.draft({ train, space: SPACES.bench, effort: THOROUGH }));
    keepDrafts(train, found);
    const then = view(train);
    expect(then.finished).toBe(true);
    expect(then.view.crossings).toHaveLength(0);
    expect(first.view.crossings.length).toBeGreaterThan(0);
  },
);

test('a light train is drawn for good at once', () => {
  for (const name of ['sluice-winch', 'pan-rake', 'stirrer', 'crawler'])
    expect(view(demoTrain(name)).finished).toBe(true);
});
