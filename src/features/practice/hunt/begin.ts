import { messageOf } from '@/core/message-of';
import type { Fault } from '@/core/faults';
import type { Train } from '@/core/train';
import { record } from '../record';
import type { OpenHunt, PracticeItself } from '../store';

/** Hides a fault in a train: by the seed, or the one that the teacher chose. */
export async function beginHunt(
  { store, hunting }: PracticeItself,
  train: Train,
  seed: number,
  named: Fault | null,
): Promise<void> {
  const { set } = store.getState();
  set({ busy: true, told: null });
  try {
    const outcome = await hunting.run('hunt', { train, seed, ...(named && { named }) });
    // Another was asked for in the meantime, or the screen was left.
    if (!('value' in outcome)) return set({ busy: false });
    const made = outcome.value;
    if (made === null)
      set({
        busy: false,
        told: { text: 'No fault of this train would show in any of its positions: choose another train.', bad: true },
      });
    else
      set({
        busy: false,
        hunt: { id: crypto.randomUUID(), ...made, engaged: [], tried: [], standing: null, named: [], over: false },
      });
  } catch (error) {
    set({ busy: false, told: { text: messageOf(error), bad: true } });
  }
}

/** Turns the crank with what is engaged, and sees what the faulty train does. */
export async function tryIt({ store, hunting }: PracticeItself): Promise<void> {
  const { hunt: own, set } = store.getState();
  if (!own || own.over) return;
  const tried = [...own.tried, own.engaged];
  const outcome = await hunting.run('huntTests', { hunt: own.hunt, tried });
  const { hunt: now } = store.getState();
  if ('value' in outcome && now?.id === own.id) set({ hunt: { ...now, tried, standing: outcome.value } });
}

/** Names the bad part. Faults that no test tells apart count as one; the right name ends the hunt. */
export function nameIt({ store }: PracticeItself, fault: Fault): void {
  const { hunt: own, set } = store.getState();
  if (!own || own.over) return;
  const right = isBad(own, fault);
  set({ hunt: { ...own, named: [...own.named, fault], over: right } });
  void record(store, `${own.id}-${own.named.length}`, {
    train: own.hunt.train.name,
    skill: 'fault-hunt',
    mark: right ? { verdict: 'right' } : { verdict: 'wrong', slip: null },
  });
}

/** Gives up, and sees which it was. */
export function giveUp({ store }: PracticeItself): void {
  const { hunt: own, set } = store.getState();
  if (own) set({ hunt: { ...own, over: true } });
}

export const same = (a: Fault, b: Fault): boolean => a.fault === b.fault && a.part === b.part;
export const isBad = ({ best }: OpenHunt, fault: Fault): boolean => best.alike.some((one) => same(one, fault));
