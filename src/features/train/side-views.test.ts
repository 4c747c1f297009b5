import { drawSideView, SPACES, THOROUGH } from '@/core/drawing';
import type { Train } from '@/core/train';
import { demoTrain, demoTrains } from '@/testing/demo-train';
import { someOf } from '@/testing/runs';
import { JOBS } from '@/workers/jobs';
import { rememberedOrders, rememberOrders } from './remembered-orders';
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

test('a card of the shelf and the Bench show a train in one order', () => {
  for (const train of someOf(demoTrains())) {
    const card = drawSideView(train, SPACES.shelf, { effort: THOROUGH });
    keepDrafts(train, JOBS.draft({ train, space: SPACES.bench, effort: THOROUGH }));
    const bench = sideViewNow(train);
    expect([train.name, card.ok && card.view.order]).toEqual([train.name, bench.ok && bench.view.order]);
  }
});

describe('orders that were found', () => {
  const found = (name: string) => JOBS.draft({ train: demoTrain(name), space: SPACES.bench, effort: THOROUGH }).orders;
  let kept: string | null = null;
  beforeEach(() => {
    kept = null;
    const localStorage = { getItem: () => kept, setItem: (_: string, text: string) => (kept = text) };
    Object.assign(globalThis, { localStorage });
  });
  afterEach(() => Reflect.deleteProperty(globalThis, 'localStorage'));

  test('are there in another window, and a train is drawn in them at once', async () => {
    const train = demoTrain('harvester');
    rememberOrders(found('mud-tram'));
    rememberOrders(found('harvester'));
    await jest.isolateModulesAsync(async () => {
      const { sideViewNow: there } = await import('./side-views');
      const drawn = there(train);
      const best = drawSideView(train, SPACES.bench, { effort: THOROUGH });
      expect(drawn.ok && drawn.view.order).toEqual(best.ok && best.view.order);
    });
    expect(rememberedOrders().size).toBe(2);
  });

  test('are as many as are worth keeping, and what is none is passed over', () => {
    const draft = { work: ['a'], finished: true, allowed: 1 };
    for (let i = 0; i < 50; i++) rememberOrders(new Map([[`train ${i}`, draft]]));
    expect([...rememberedOrders().keys()].at(0)).toBe('train 10');
    for (const spoiled of ['{', '{}', '[[1, {}]]', '[["a", {"work": [1], "finished": true, "allowed": 1}]]', 'null']) {
      kept = spoiled;
      expect(rememberedOrders().size).toBe(0);
    }
  });
});
