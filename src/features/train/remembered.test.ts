import { demoTrain } from '@/testing/demo-train';
import { choosePosition } from './choosing';
import { recall, remember } from './remembered';
import { usePreferences } from '@/ui/preferences';
import { followUnits } from './input/own-units';
import { createTrainStore } from './store';

/** A browser's storage, as far as it is used here. */
function storage(): Storage {
  const kept = new Map<string, string>();
  return {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
  } as Storage;
}

beforeEach(() => Object.assign(globalThis, { localStorage: storage(), sessionStorage: storage() }));

function changed() {
  const store = createTrainStore('rake', 1, demoTrain('pan-rake'));
  const stop = remember(store);
  store.getState().type({ speedText: '1200', torqueText: '3.5' });
  choosePosition(store, '3');
  store.getState().setFlow('coast');
  return { store, stop };
}

test('what was typed and looked at is there after a reload, for this train alone', () => {
  changed();
  expect(recall('rake')).toEqual({
    speedText: '1200',
    torqueText: '3.5',
    given: 'torque',
    loadTexts: {},
    choice: { engaged: ['third'], positionId: '3' },
    flow: 'coast',
  });
  expect(recall('winch')).toEqual({});
});

test('in a new window what is looked at starts anew, what was typed stays', () => {
  changed();
  globalThis.sessionStorage = storage();
  expect(recall('rake')).toEqual({ speedText: '1200', torqueText: '3.5', given: 'torque', loadTexts: {} });
});

test('loads are kept with the figures typed for the train; what is no text there is left', () => {
  const store = createTrainStore('dial', 1, demoTrain('tide-dial'));
  const end = remember(store);
  store.getState().type({ given: 'loads', loadTexts: { tide: '0.2', day: '0.1' } });
  end();
  expect(recall('dial')).toMatchObject({ given: 'loads', loadTexts: { tide: '0.2', day: '0.1' } });
  globalThis.localStorage.setItem(
    'tin-wheel-typed/dial',
    '{"speedText":"1","torqueText":"2","given":"loads","loadTexts":{"tide":3}}',
  );
  expect(recall('dial')).toEqual({});
});

test('nothing is remembered after it has ended', () => {
  const { store, stop } = changed();
  stop();
  store.getState().type({ speedText: '7' });
  expect(recall('rake').speedText).toBe('1200');
});

test.each([
  ['no JSON', '{'],
  ['something else', '5'],
  ['null', 'null'],
  ['numbers for texts', '{"speedText":1,"torqueText":2}'],
  ['a choice of nothing', '{"choice":{"engaged":[1],"positionId":null},"flow":"drive"}'],
  ['a flow that is none', '{"choice":{"engaged":[],"positionId":null},"flow":"up"}'],
])('damaged memory (%s) is no memory', (_, text) => {
  for (const key of ['tin-wheel-typed/rake', 'tin-wheel-looked-at/rake']) {
    localStorage.setItem(key, text);
    sessionStorage.setItem(key, text);
  }
  expect(recall('rake')).toEqual({});
});

test('without storage there is no memory, and nothing breaks', () => {
  const none = {
    getItem: () => {
      throw new Error('denied');
    },
    setItem: () => {
      throw new Error('denied');
    },
  };
  Object.assign(globalThis, { localStorage: none, sessionStorage: none });
  const { store } = changed();
  expect(recall('rake')).toEqual({});
  expect(store.getState().flow).toBe('coast');
});

test('figures stay what they were when units are changed, in trains that are open or opened later', () => {
  const { set } = usePreferences.getState();
  const store = createTrainStore('rake', 1, demoTrain('pan-rake'));
  const ends = [remember(store), followUnits(store)];
  store.getState().type({ speedText: '30', torqueText: '2', loadTexts: { out: '5 N·m', in: '4' } });
  set({ speedUnit: 'turns/s', torqueUnit: 'mN·m' });
  expect(store.getState()).toMatchObject({
    speedText: '0.5',
    torqueText: '2000',
    loadTexts: { out: '5 N·m', in: '4000' },
  });
  set({ speedUnit: 'rad/s', torqueUnit: 'N', armMm: 250 });
  expect(store.getState().torqueText).toBe('8');
  set({ armMm: 500 });
  expect(store.getState().torqueText).toBe('4');
  expect(store.getState().speedText).toBe('3.141592654');
  for (const end of ends) end();
  set({ speedUnit: 'rpm', torqueUnit: 'N·m' });
  expect(recall('rake')).toMatchObject({ speedText: '30', torqueText: '2', loadTexts: { out: '5 N·m', in: '4' } });
});
