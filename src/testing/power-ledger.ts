import { abs, add, isZero, mul, neg, ONE, sign, solveDense, sub, sum, ZERO, type Rational } from '@/core/rational';
import { FRAME, type Train, partsById } from '@/core/train';

/**
 * A second route to who carries power: the balance of every member written out with one unknown for each mesh, joint
 * and load, solved
 * whole; then what each member gets and gives, place by place. Only the document and speeds are taken; nothing of the
 * statics, the
 * sets or the account of the core.
 */
export interface Ledger {
  readonly entries: readonly LedgerEntry[];
  /** Torques put in or taken at the ends. */
  readonly balanced: boolean;
}

export interface LedgerEntry {
  readonly member: string;
  /** "mesh m1", "set p0" for all pins of a set and for all meshes with its planets, "joint k1", "in", "out". */
  readonly element: string;
  /** The mesh, where it is a gear; so that two gears of one member in one set stay two entries. */
  readonly mesh: string | null;
  readonly torque: Rational | null;
  readonly power: Rational | null;
}

interface Unknown {
  readonly element: string;
  readonly mesh: string | null;
  /** Torque on each member per unit. */
  readonly on: readonly (readonly [string, Rational])[];
}

/**
 * @param holds joints that are on, as pairs of members
 * @param speeds of the members, null where open
 */
export function powerLedger(
  train: Train,
  slidesOut: ReadonlySet<string>,
  holds: readonly { readonly id: string; readonly a: string; readonly b: string }[],
  speeds: (member: string) => Rational | null,
): Ledger {
  const carrierOf = (id: string) => partsById(train).find.member(id)?.carrier ?? FRAME;
  const sets = setsByMerging(train, slidesOut);
  const unknowns: Unknown[] = [];
  for (const { id, gears, sense } of train.meshes) {
    if (slidesOut.has(id)) continue;
    const [a, b] = gears.map((gear) => partsById(train).gear(gear)) as [Gear, Gear];
    const same = sense
      ? sense === 'same'
      : [a, b].some(({ type }) => ['internal', 'sprocket', 'pulley'].includes(type));
    const [za, zb] = [whole(a.teeth), whole(same ? -b.teeth : b.teeth)];
    const [ca, cb] = [carrierOf(a.member), carrierOf(b.member)];
    const arm = ca === cb ? ca : ca !== FRAME && carrierOf(ca) === cb ? ca : cb;
    const set =
      sets.get(a.member)?.arm === arm
        ? sets.get(a.member)
        : sets.get(b.member)?.arm === arm
          ? sets.get(b.member)
          : undefined;
    unknowns.push({
      element: set ? `set ${set.id}` : `mesh ${id}`,
      mesh: id,
      on: [
        [a.member, za],
        [b.member, zb],
        [arm, neg(add(za, zb))],
      ],
    });
  }
  for (const { id, a, b } of holds)
    unknowns.push({
      element: `joint ${id}`,
      mesh: null,
      on: [
        [a, neg(ONE)],
        [b, ONE],
      ],
    });
  for (const output of train.outputs) unknowns.push({ element: 'out', mesh: null, on: [[output, neg(ONE)]] });
  const ids = train.members.map(({ id }) => id);
  const solved = solveDense(
    ids.map((id) => unknowns.map(({ on }) => sum(on.filter(([member]) => member === id).map(([, value]) => value)))),
    ids.map((id) => (id === train.input ? neg(ONE) : ZERO)),
  );
  if (!solved) return { entries: [], balanced: false };
  const { particular, directions } = solved;
  const entries = ids.flatMap((member): LedgerEntry[] => {
    const places = new Map<string, { element: string; mesh: string | null; terms: [number, Rational][] }>();
    unknowns.forEach(({ element, mesh, on }, u) => {
      on.forEach(([at, factor], side) => {
        if (at !== member) return;
        // All pins of one set pull on their carrier together; a gear is a place of its own.
        const isPin = mesh !== null && side === 2;
        const key = isPin ? `pins ${element}` : mesh !== null ? `gear ${mesh}` : `${element} ${side}`;
        const place = places.get(key) ?? { element, mesh: isPin ? null : mesh, terms: [] };
        place.terms.push([u, factor]);
        places.set(key, place);
      });
    });
    const speed = speeds(member);
    const own = [...places.values()].map(({ element, mesh, terms }): LedgerEntry => {
      const along = (values: readonly Rational[]) => sum(terms.map(([u, factor]) => mul(factor, values[u]!)));
      const torque = directions.every((direction) => isZero(along(direction))) ? along(particular) : null;
      return { member, element, mesh, torque, power: times(torque, speed) };
    });
    const port = { member, element: 'in', mesh: null, torque: ONE, power: times(ONE, speed) };
    return member === train.input ? [port, ...own] : own;
  });
  return { entries, balanced: true };
}

type Gear = Train['gears'][number];

const whole = (n: number): Rational => mul(ONE, { n, d: 1 } as Rational);

function times(torque: Rational | null, speed: Rational | null): Rational | null {
  if (torque && isZero(torque)) return ZERO;
  if (speed && isZero(speed)) return ZERO;
  return torque && speed ? mul(torque, speed) : null;
}

/** Planets of one carrier, merged again and again while two of them mesh. */
export function setsByMerging(
  train: Train,
  slidesOut: ReadonlySet<string>,
): ReadonlyMap<string, { readonly id: string; readonly arm: string }> {
  const planets = train.members.filter(({ carrier }) => carrier !== undefined);
  const label = new Map(planets.map(({ id }) => [id, id]));
  const memberOf = (gear: string) => partsById(train).gear(gear).member;
  const carrier = new Map(planets.map(({ id, carrier: arm }) => [id, arm!]));
  for (let grew = true; grew;) {
    grew = false;
    for (const { id, gears } of train.meshes) {
      if (slidesOut.has(id)) continue;
      const [a, b] = gears.map(memberOf) as [string, string];
      if (!carrier.has(a) || carrier.get(a) !== carrier.get(b) || label.get(a) === label.get(b)) continue;
      const [from, to] = [label.get(a)!, label.get(b)!];
      for (const [member, own] of label) if (own === from) label.set(member, to);
      grew = true;
    }
  }
  // A set goes by the first of its planets in the document.
  const first = new Map<string, string>();
  planets.forEach(({ id }) => void (first.has(label.get(id)!) || first.set(label.get(id)!, id)));
  return new Map(planets.map(({ id }) => [id, { id: first.get(label.get(id)!)!, arm: carrier.get(id)! }]));
}

/** What comes in over these places, or what goes out, whichever is larger; null where a part of it is open. */
export function larger(values: readonly (Rational | null)[]): Rational | null {
  if (values.includes(null)) return null;
  const known = values.flatMap((value) => value ?? []);
  const into = sum(known.filter((value) => sign(value) > 0));
  const out = sum(known.filter((value) => sign(value) < 0).map(abs));
  return sign(sub(into, out)) > 0 ? into : out;
}
