import type { Fault } from '@/core/faults';
import type { Train } from '@/core/train';
import { record } from '../record';
import type { OpenHunt } from '../store';
import type { PracticeItself } from '../open-practice';

/** Hides a fault in a train: by the seed, or the one that the teacher chose. */
export async function beginHunt(
  { store, hunts }: PracticeItself,
  train: Train,
  seed: number,
  named: Fault | null,
): Promise<void> {
  const { tell, refuse, putHunt } = store.getState();
  tell(null);
  const state = await hunts.begin({ train, seed, ...(named && { named }) });
  // Null: another was asked for in the meantime, or the screen was left.
  if (state?.kind === 'failed') return refuse(state.message);
  if (state?.kind !== 'done') return;
  const made = state.value;
  if (made === null) refuse('No fault of this train would show in any of its positions: choose another train.');
  else putHunt({ id: crypto.randomUUID(), ...made, engaged: [], tried: [], standing: null, named: [], over: false });
}

/** Turns the crank with what is engaged, and sees what the faulty train does. */
export async function tryIt({ store, huntTests }: PracticeItself): Promise<void> {
  const { hunt: own, refuse, putHunt } = store.getState();
  if (!own || own.over) return;
  const tried = [...own.tried, own.engaged];
  const state = await huntTests.begin({ hunt: own.hunt, tried });
  const { hunt: now } = store.getState();
  if (state?.kind === 'failed') refuse(state.message);
  if (state?.kind === 'done' && now?.id === own.id) putHunt({ ...now, tried, standing: state.value });
}

/** Names the bad part. Faults that no test tells apart count as one; the right name ends the hunt. */
export function nameIt({ store }: PracticeItself, fault: Fault): void {
  const { hunt: own, putHunt } = store.getState();
  if (!own || own.over) return;
  const right = isBad(own, fault);
  putHunt({ ...own, named: [...own.named, fault], over: right });
  void record(store, `${own.id}-${own.named.length}`, {
    train: own.hunt.train.name,
    skill: 'fault-hunt',
    mark: right ? { verdict: 'right' } : { verdict: 'wrong', slip: null },
  });
}

/** Gives up, and sees which it was. */
export function giveUp({ store }: PracticeItself): void {
  const { hunt: own, putHunt } = store.getState();
  if (own) putHunt({ ...own, over: true });
}

export const same = (a: Fault, b: Fault): boolean => a.fault === b.fault && a.part === b.part;
export const isBad = ({ best }: OpenHunt, fault: Fault): boolean => best.alike.some((one) => same(one, fault));
