import { demoTrain } from '@/testing/demo-train';
import { engage, choosePosition } from './choosing';
import { engagementIn } from './engagement';
import { follow, linkTo } from './link';
import { usePreferences } from '@/ui/preferences';
import { createTrainStore } from './store';

const open = (name: string) => createTrainStore(name, 1, demoTrain(name));
const to = (store: ReturnType<typeof open>, search: string) => follow(store, new URLSearchParams(search));

test('a link leads to a position, by its id or its name, and to a flow', () => {
  const store = open('pan-rake');
  to(store, '?position=3&flow=coast');
  expect(engagementIn(store.getState()).positionId).toBe('3');
  expect(store.getState().flow).toBe('coast');
  to(store, '?position=r');
  expect(engagementIn(store.getState()).positionId).toBe('R');
  expect(store.getState()).toMatchObject({ flow: 'coast', notice: null });
});

test('what a link asks for and is not there is said, and nothing else changes', () => {
  const store = open('pan-rake');
  const before = engagementIn(store.getState());
  to(store, '?position=17&flow=sideways');
  expect(engagementIn(store.getState())).toEqual(before);
  expect(store.getState().flow).toBe('drive');
  expect(store.getState().notice).toContain('sideways');
  to(store, '?position=17');
  expect(store.getState().notice).toContain('“17”');
});

test('the link to what is looked at leads back to it, whatever that is', () => {
  const store = open('mud-tram');
  for (const { id } of store.getState().train.positions)
    for (const flow of ['drive', 'coast', 'backward'] as const) {
      choosePosition(store, id);
      store.getState().setFlow(flow);
      const other = open('mud-tram');
      to(other, linkTo(store.getState()).search);
      expect(engagementIn(other.getState())).toEqual(engagementIn(store.getState()));
      expect(other.getState().flow).toBe(flow);
    }
});

test('a choice of one’s own, its speed and torque go with the link, with their units', () => {
  const store = open('pan-rake');
  engage(store, ['first', 'third']);
  store.getState().type({ speedText: '592', torqueText: '1.5 lbf·ft' });
  const { search, leavesOut } = linkTo(store.getState());
  expect(leavesOut).toBeNull();
  usePreferences.getState().set({ speedUnit: 'rad/s' });
  const other = open('pan-rake');
  to(other, search);
  expect(engagementIn(other.getState())).toEqual({ engaged: ['first', 'third'], positionId: null });
  // Read in another unit the figure keeps its own.
  expect(other.getState()).toMatchObject({ speedText: '592 rpm', torqueText: '1.5 lbf·ft', notice: null });
  usePreferences.getState().set({ speedUnit: 'rpm' });
  to(other, search);
  expect(other.getState().speedText).toBe('592');
});

test('couplers and figures that a link asks for in vain are said; loads that it leaves out are said too', () => {
  const store = open('pan-rake');
  to(store, '?engaged=first,gone&speed=quickly');
  expect(engagementIn(store.getState()).engaged).toEqual(['first']);
  expect(store.getState().notice).toMatch(/gone.*“quickly”/);
  expect(store.getState().speedText).toBe('30');
  store.getState().type({ given: 'loads', loadTexts: { out: '3' } });
  expect(linkTo(store.getState()).leavesOut).toBe('the loads on the outputs');
});
