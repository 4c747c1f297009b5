import type { PartRef } from '../parts';
import type { Coupler, Gear, Member, Mesh, Train } from '../schema';
import { checked, refused, type Edit } from './edit';

/** An addition also says which part is new, so that it can be picked at once. */
export type Addition =
  (Edit & { readonly ok: false }) | { readonly ok: true; readonly train: Train; readonly added: PartRef };

/** Takes a grown document over if it holds. */
export const addition = (train: Train, added: PartRef): Addition => {
  const edit = checked(train);
  return edit.ok ? { ...edit, added } : edit;
};

export const aGear = (id: string): PartRef => ({ kind: 'gear', id });

/** Parts to be added to a document. */
export interface AddedParts {
  readonly members?: readonly Member[];
  readonly gears?: readonly Gear[];
  readonly meshes?: readonly Mesh[];
  readonly couplers?: readonly Coupler[];
}

export const withParts = (
  train: Train,
  { members = [], gears = [], meshes = [], couplers = [] }: AddedParts,
): Train => ({
  ...train,
  members: [...train.members, ...members],
  gears: [...train.gears, ...gears],
  meshes: [...train.meshes, ...meshes],
  couplers: [...train.couplers, ...couplers],
});

/** Couplers are lettered: the first letter that none has. */
export function nextLetter({ couplers }: Train): string {
  const taken = new Set(couplers.flatMap(({ id, name }) => [id, name]));
  return [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ'].find((letter) => !taken.has(letter)) ?? 'coupler';
}

export const refusedAddition = (message: string): Addition => refused(message) as Edit & { ok: false };
