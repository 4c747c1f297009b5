import { createStore } from 'zustand';
import { firstForm } from '@/features/teeth/form';
import { demoTrain } from '@/testing/demo-train';
import { isLike, keepDraft } from './drafts';

interface Typed {
  readonly form: {
    readonly ratio: string;
    readonly figures: Readonly<Record<string, string>>;
    readonly steps: readonly string[];
  };
  readonly tab: 'a' | 'b';
  readonly busy: boolean;
}

const FIRST: Typed = { form: { ratio: '4', figures: { turns: '1' }, steps: [] }, tab: 'a', busy: false };

const kept = new Map<string, string>();
beforeEach(() => {
  kept.clear();
  Object.assign(globalThis, {
    localStorage: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, text: string) => kept.set(key, text),
      removeItem: (key: string) => kept.delete(key),
    },
  });
});
afterAll(() => {
  delete (globalThis as { localStorage?: unknown }).localStorage;
});

/** A screen that is opened, in a browser that has what was typed before. */
function opened(name = 'teeth/winch') {
  const store = createStore<Typed>()(() => FIRST);
  const draft = keepDraft(store, name, ['form', 'tab']);
  draft.restore();
  return { store, draft };
}

test('what is typed is there when the screen is opened again, and only what is to be kept', () => {
  const { store, draft } = opened();
  store.setState({ form: { ...FIRST.form, ratio: '6.5', figures: { marks: '12' } }, tab: 'b', busy: true });
  draft.flush();
  expect(opened().store.getState()).toEqual({
    form: { ratio: '6.5', figures: { marks: '12' }, steps: [] },
    tab: 'b',
    busy: false,
  });
  // Another train's form is its own.
  expect(opened('teeth/lift').store.getState()).toEqual(FIRST);
});

test('begun anew, nothing is left of it; what is as at first is not kept at all', () => {
  const { store, draft } = opened();
  store.setState({ tab: 'b' });
  draft.flush();
  expect(kept.size).toBe(1);
  draft.beginAnew();
  expect(store.getState()).toEqual(FIRST);
  expect(kept.size).toBe(0);
  expect(opened().store.getState()).toEqual(FIRST);
});

test('what settles is written by itself, once', async () => {
  const { store } = opened();
  for (const ratio of ['6', '6.', '6.5']) store.setState({ form: { ...FIRST.form, ratio } });
  expect(kept.size).toBe(0);
  while (kept.size === 0) await new Promise((done) => setTimeout(done, 20));
  expect([...kept.values()][0]).toContain('"6.5"');
});

test('what is no draft of this form is left alone, and the form begins as ever', () => {
  const { draft, store } = opened();
  store.setState({ tab: 'b' });
  draft.flush();
  const [key] = kept.keys();
  for (const text of [
    '{',
    'null',
    '[]',
    '{"form":4,"tab":"a"}',
    '{"form":{"ratio":"1"},"tab":"a"}',
    '{"form":{"ratio":1,"figures":{},"steps":[]},"tab":"a"}',
  ]) {
    kept.set(key!, text);
    expect(opened().store.getState()).toEqual(FIRST);
    expect(kept.get(key!)).toBe(text);
  }
});

test('some fields begin anew, the others stay', () => {
  const { draft, store } = opened();
  store.setState({ tab: 'b', form: { ...FIRST.form, ratio: '9' } });
  draft.beginAnew(['form']);
  expect(store.getState()).toEqual({ ...FIRST, tab: 'b' });
});

test('a browser without storage keeps nothing and works on', () => {
  delete (globalThis as { localStorage?: unknown }).localStorage;
  const { store, draft } = opened();
  store.setState({ tab: 'b' });
  draft.flush();
  draft.beginAnew();
  expect(store.getState()).toEqual(FIRST);
});

test('likeness: the same kinds in the same places; lists and what was nothing may hold more', () => {
  expect(isLike({ a: [{ b: 1 }] }, { a: [{ b: 2 }, { b: 3 }] })).toBe(true);
  expect(isLike({ a: [{ b: 1 }] }, { a: [{ b: '2' }] })).toBe(false);
  expect(isLike({ a: null }, { a: { anything: true } })).toBe(true);
  expect(isLike({ sights: {} }, { sights: { 1: { look: 'ok' } } })).toBe(true);
  expect(isLike({ sights: {} }, { sights: 'ok' })).toBe(false);
  const form = firstForm(demoTrain('harvester'), null);
  expect(isLike(form, JSON.parse(JSON.stringify(form)))).toBe(true);
  expect(isLike(form, firstForm(demoTrain('pan-rake'), null))).toBe(true);
});
