import { JSDOM } from 'jsdom';
import { act, createElement } from 'react';
import { createRoot } from 'react-dom/client';
import { threadPool, later, type ThreadJobs } from '@/testing/thread-pool';
import { JobRunner, type StateOf } from './job-runner';
import { useKeptJob } from './use-job';

type Counting = { readonly to: number; readonly key: readonly unknown[] } | null;

/** A part of a page that counts with the hook, in a real document. */
function page(runner: JobRunner<ThreadJobs, 'count'>) {
  const { window } = new JSDOM('<main></main>', { pretendToBeVisual: true });
  Object.assign(globalThis, { window, document: window.document, IS_REACT_ACT_ENVIRONMENT: true });
  const root = createRoot(window.document.querySelector('main')!);
  const shown: { state: StateOf<ThreadJobs['count']>; stop: () => void; again: () => void } = {
    state: runner.state(),
    stop: () => {},
    again: () => {},
  };
  // The hook is told of the page's own jobs only; what it does is the same for any.
  const useCount = useKeptJob as unknown as (
    runner: JobRunner<ThreadJobs, 'count'>,
    input: number | null,
    key: readonly unknown[],
  ) => typeof shown;
  function Part({ counting }: { counting: Counting }) {
    const { state, stop, again } = useCount(runner, counting?.to ?? null, counting?.key ?? []);
    Object.assign(shown, { state, stop, again });
    return null;
  }
  return {
    shown,
    window,
    show: (counting: Counting) => act(() => root.render(createElement(Part, { counting }))),
    hide: () => act(() => root.unmount()),
    until: async (isSo: (state: StateOf<ThreadJobs['count']>) => boolean) => {
      while (!isSo(shown.state)) await act(() => later(5));
    },
  };
}

const counting = () => new JobRunner<ThreadJobs, 'count'>(threadPool(1).lane(), 'count');

test('it begins with its input, and again only when the key is another', async () => {
  const { show, until, shown, hide } = page(counting());
  await show({ to: 3, key: ['a'] });
  await until(({ kind }) => kind === 'done');
  const first = shown.state;
  expect(first).toMatchObject({ kind: 'done', value: { counted: 3 } });
  // Another input for the same key is the same question, put anew.
  await show({ to: 4, key: ['a'] });
  expect(shown.state).toBe(first);
  await show({ to: 5, key: ['b'] });
  await until(({ kind }) => kind === 'done');
  expect(shown.state).toMatchObject({ key: ['b'], value: { counted: 5 } });
  await show(null);
  expect(shown.state).toEqual({ kind: 'idle' });
  await hide();
});

test('what is asked later supersedes it; what is stopped stays so until it is begun again', async () => {
  const runner = counting();
  const { show, until, shown, hide } = page(runner);
  await show({ to: 10_000_000, key: ['long'] });
  await until((state) => state.kind === 'running' && state.partial !== null);
  await show({ to: 20_000_000, key: ['longer'] });
  await until((state) => state.kind === 'running' && state.partial !== null);
  expect(shown.state).toMatchObject({ kind: 'running', key: ['longer'], input: 20_000_000 });
  // As a button calls it, with the press as an argument: the key stays what it was.
  await act(() => (shown.stop as (press: unknown) => void)({ type: 'click' }));
  expect(shown.state).toMatchObject({ kind: 'stopped', key: ['longer'], partial: expect.any(Number) as number });
  await show({ to: 2, key: ['longer'] });
  expect(shown.state.kind).toBe('stopped');
  await show({ to: 2, key: ['short'] });
  await until(({ kind }) => kind === 'done');
  await act(() => runner.stop(['typed by now']));
  await show({ to: 2, key: ['typed by now'] });
  expect(shown.state).toMatchObject({ kind: 'stopped', partial: null });
  await act(() => shown.again());
  await until(({ kind }) => kind === 'done');
  await hide();
});

test('a part of the page that comes back finds what was done; a page in the background gets its answer', async () => {
  const runner = counting();
  const before = page(runner);
  await before.show({ to: 3, key: ['a'] });
  await before.until(({ kind }) => kind === 'done');
  await before.hide();
  const after = page(runner);
  await after.show({ to: 3, key: ['a'] });
  expect(after.shown.state).toBe(runner.state());
  // In the background no frame is drawn and timers are slow; the answer needs neither.
  Object.defineProperty(after.window.document, 'hidden', { value: true });
  Object.assign(after.window, { requestAnimationFrame: () => 0 });
  await after.show({ to: 4, key: ['b'] });
  await after.until(({ kind }) => kind === 'done');
  // Left while it runs, it is given up, and begun anew on return.
  await after.show({ to: 10_000_000, key: ['c'] });
  await act(() => runner.rest());
  expect(runner.state()).toEqual({ kind: 'idle' });
  await after.hide();
});

test('a lane that another asker takes leaves the first stopped, and a limit ends what takes too long', async () => {
  const lane = threadPool(1).lane();
  const first = new JobRunner<ThreadJobs, 'count'>(lane, 'count');
  const second = new JobRunner<ThreadJobs, 'count'>(lane, 'count');
  const counted = first.begin(10_000_000, ['first']);
  await later(100);
  expect(await second.begin(2, ['second'])).toMatchObject({ kind: 'done', value: { counted: 2 } });
  expect(await counted).toMatchObject({ kind: 'stopped', key: ['first'] });
  const limited = new JobRunner<ThreadJobs, 'forever'>(lane, 'forever', 0.2);
  expect(await limited.begin(null)).toMatchObject({
    kind: 'failed',
    message: expect.stringMatching('longer than 0.2 s') as string,
  });
  // A runner that does nothing takes nothing away from others of its lane.
  const third = first.begin(3);
  limited.leave();
  expect(await third).toMatchObject({ kind: 'done' });
});

test('a job that fails, or whose worker is gone, says so and can be begun again', async () => {
  const failing = new JobRunner<ThreadJobs, 'fail'>(threadPool(1).lane(), 'fail');
  expect(await failing.begin('no such gear', ['a'])).toEqual({ kind: 'failed', key: ['a'], message: 'no such gear' });
  expect(failing.isAbout(['a'])).toBe(false);
  const vanishing = new JobRunner<ThreadJobs, 'vanish'>(threadPool(1).lane(), 'vanish');
  expect(await vanishing.begin(null)).toMatchObject({
    kind: 'failed',
    message: expect.stringMatching(/unexpectedly/) as string,
  });
});
