import { add, fraction, neg, solveDense, ZERO, type Rational } from '@/core/rational';
import { partsById, type Train } from '@/core/train';

export type Row = readonly Rational[];

/** Willis written out once more from the document alone: one row for each pair, over all members by their places. */
export function willisRows(train: Train, sliding: boolean): Row[] {
  const parts = partsById(train);
  const slid = new Set(train.couplers.flatMap((one) => (one.type === 'sliding-mesh' ? [one.mesh] : [])));
  return train.meshes
    .filter(({ id }) => sliding || !slid.has(id))
    .map((mesh) => {
      const [a, b] = parts.pair(mesh);
      // The arm is what carries whichever of the two is carried deeper: in it both axes stand still.
      const depth = (member: string): number => {
        const carrier = parts.find.member(member)?.carrier;
        return carrier === undefined ? 0 : 1 + depth(carrier);
      };
      const arm = parts.find.member(depth(a.member) >= depth(b.member) ? a.member : b.member)?.carrier;
      const alike =
        mesh.sense === undefined
          ? [a, b].some(({ type }) => type === 'internal' || type === 'sprocket' || type === 'pulley')
          : mesh.sense === 'same';
      const row = train.members.map(() => ZERO);
      const put = (member: string | undefined, value: Rational) => {
        const at = train.members.findIndex(({ id }) => id === member);
        if (at >= 0) row[at] = add(row[at]!, value);
      };
      const [za, zb] = [fraction(a.teeth), alike ? neg(fraction(b.teeth)) : fraction(b.teeth)];
      put(a.member, za);
      put(b.member, zb);
      put(arm, neg(add(za, zb)));
      return row;
    });
}

/** All motions that rows allow, by elimination over plain member speeds. */
export const motionsOf = (rows: readonly Row[], size: number): readonly Row[] =>
  solveDense(
    rows.length > 0 ? rows : [new Array<Rational>(size).fill(ZERO)],
    rows.length > 0 ? rows.map(() => ZERO) : [ZERO],
  )!.directions;
