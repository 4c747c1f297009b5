/**
 * An id says in its type what it names, so that a gear's is never taken for a member's. A text that someone typed may
 * stand for any of them: whether there is such a part is asked of the train.
 */
type Id<K extends string> = string & { readonly names?: K };

export type MemberId = Id<'member'>;
export type GearId = Id<'gear'>;
export type MeshId = Id<'mesh'>;
export type CouplerId = Id<'coupler'>;
export type SelectorId = Id<'selector'>;
export type PositionId = Id<'position'>;
