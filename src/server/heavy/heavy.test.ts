import { serialiseTrain, type Train } from '@/core/train';
import { demoTrain } from '@/testing/demo-train';
import { tangledTrain } from '@/testing/tangled-train';
import { checkBody, drawDocument, stopWorkers, summariseDocument, whyUnreadable, workersNow, Stopped } from '.';
import { HEAVY_JOBS } from './jobs';
import { inWorker } from './pool';

const SPACE = { width: 480, height: 270 };
const GREAT = serialiseTrain(tangledTrain({ sets: 80, couplers: 64, fixed: 8 }));
const TANGLED = serialiseTrain(tangledTrain({ sets: 3, couplers: 9, seed: 8 }));

afterAll(stopWorkers);

/** A sound train that is too large to be looked at on the request thread. */
const large = (train: Train): Train => ({
  ...train,
  setAside: Array.from({ length: 60 }, (_, i) => ({ finding: `${i} ${'wear '.repeat(150)}`, note: 'seen' })),
});

describe('what is dear is done in worker threads', () => {
  test('with the same answers as here', async () => {
    const body = JSON.stringify({ version: 3, train: large(demoTrain('harvester')) });
    expect(body.length).toBeGreaterThan(40_000);
    const before = workersNow().threads;
    expect(await checkBody(body, 'train')).toEqual(HEAVY_JOBS.check(body, 'train'));
    expect(workersNow().threads).toBe(before + 1);
    expect(await checkBody(body.replace('"in"', '"nobody"'), 'train')).toMatchObject({
      rest: { version: 3 },
      train: { ok: false },
    });
    expect(await checkBody(`${body}]`, 'train')).toBeNull();
    expect(await summariseDocument(serialiseTrain(demoTrain('harvester')))).toBe(
      HEAVY_JOBS.summarise(serialiseTrain(demoTrain('harvester'))),
    );
    expect(await whyUnreadable(serialiseTrain(large(demoTrain('stirrer'))))).toBeNull();
    expect(await whyUnreadable(`{"name": "${'x'.repeat(50_000)}"`)).toMatch(/^train: This is not JSON/);
  });

  test('a small document is looked at where the request is', async () => {
    await stopWorkers();
    const body = JSON.stringify(demoTrain('harvester'));
    expect(await checkBody(body, null)).toMatchObject({ rest: {}, train: { ok: true, name: 'Harvester four-set' } });
    expect(workersNow().threads).toBe(0);
  });

  test('whoever reads does not wait for a drawing', async () => {
    const order: string[] = [];
    const drawing = inWorker('draw', [GREAT, SPACE]).then(() => order.push('drawn'));
    await inWorker('unreadable', [GREAT]).then(() => order.push('read'));
    await drawing;
    expect(order).toEqual(['read', 'drawn']);
  });

  test('a small train does not wait for the drawing of a tangle', async () => {
    const order: string[] = [];
    const tangle = inWorker('draw', [GREAT, SPACE]).then(() => order.push('tangle'));
    await inWorker('draw', [serialiseTrain(demoTrain('stirrer')), SPACE]).then(() => order.push('stirrer'));
    await tangle;
    expect(order).toEqual(['stirrer', 'tangle']);
  });

  test('a drawing that nobody waits for any more is ended, and the next is made', async () => {
    const leaving = new AbortController();
    const drawing = inWorker('drawWell', [GREAT, SPACE], leaving.signal);
    setTimeout(() => leaving.abort(), 300);
    await expect(drawing).rejects.toThrow(Stopped);
    expect(
      JSON.parse(await inWorker('drawWell', [serialiseTrain(demoTrain('stirrer')), SPACE]).then(({ json }) => json)),
    ).toMatchObject({ ok: true, finished: true });
    expect(workersNow()).toMatchObject({ busy: 0, waiting: 0 });
    await expect(inWorker('draw', [GREAT, SPACE], leaving.signal)).rejects.toThrow(Stopped);
  });

  test('the first drawing is what can be found at once; a better one follows for whoever asks next', async () => {
    const first = await drawDocument(TANGLED, SPACE, { better: true });
    expect(first.finished).toBe(false);
    let next = first;
    while (!next.finished) {
      await new Promise((done) => setTimeout(done, 50));
      next = await drawDocument(TANGLED, SPACE, { better: true });
    }
    const crossings = ({ json }: typeof next) =>
      (JSON.parse(json) as { view: { crossings: unknown[] } }).view.crossings.length;
    expect(crossings(next)).toBeLessThan(crossings(first));
    // The thread gives way to everything else, so on a busy machine it is long in coming.
  }, 180_000);
});
