import type { Train } from './schema';

/** Names a part of a train. */
export interface PartRef {
  readonly kind: 'gear' | 'member' | 'mesh' | 'coupler';
  readonly id: string;
}

/** Is this part in the train? */
export const hasPart = (train: Train, { kind, id }: PartRef): boolean =>
  ({ gear: train.gears, member: train.members, mesh: train.meshes, coupler: train.couplers })[kind].some(
    (part: { readonly id: string }) => part.id === id,
  );
