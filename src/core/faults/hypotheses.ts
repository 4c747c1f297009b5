import type { Train } from '../train';

/** Something that can be wrong with one part. */
export type FaultKind =
  'never-engages' | 'stuck-on' | 'never-holds' | 'seized' | 'mesh-lost' | 'member-held' | 'planet-seized';

export interface Fault {
  readonly fault: FaultKind;
  /** Id of the coupler, mesh or member. */
  readonly part: string;
}

/**
 * Every single fault that this train's parts can have. One-way clutches that are always in and those that are selected
 * do not hold, or are seized; a planet is seized
 * on its pin, so that it turns with its carrier. Planets are not stuck to the frame: what would stop them stops their
 * carrier's other planets too.
 */
export function singleFaults(train: Train): readonly Fault[] {
  const oneWay = train.couplers.filter(({ type }) => type === 'one-way');
  const others = train.couplers.filter(({ type }) => type !== 'one-way');
  const of = (fault: FaultKind, parts: readonly { readonly id: string }[]) =>
    parts.map(({ id }): Fault => ({ fault, part: id }));
  return [
    ...of('never-engages', others),
    ...of('stuck-on', others),
    ...of('never-holds', oneWay),
    ...of('seized', oneWay),
    ...of('mesh-lost', train.meshes),
    ...of(
      'member-held',
      train.members.filter(({ carrier }) => carrier === undefined),
    ),
    ...of(
      'planet-seized',
      train.members.filter(({ carrier }) => carrier !== undefined),
    ),
  ];
}

/** A train as its faults leave it, and what then is engaged when a hand engages this. */
export interface Faulty {
  readonly train: Train;
  readonly engaged: (applied: readonly string[]) => readonly string[];
}

/** A train with faults is a train like any other: parts gone, parts always in, a brake where a member is stuck. */
export function withFaults(train: Train, faults: readonly Fault[]): Faulty {
  const of = (kind: FaultKind) => new Set(faults.filter(({ fault }) => fault === kind).map(({ part }) => part));
  const lost = of('mesh-lost');
  const gone = new Set([
    ...of('never-holds'),
    ...train.couplers
      .filter((coupler) => coupler.type === 'sliding-mesh' && lost.has(coupler.mesh))
      .map(({ id }) => id),
  ]);
  const seized = of('seized');
  const held = [...of('member-held')];
  const never = of('never-engages');
  const brakes = held.map((member) => ({
    id: `held ${member}`,
    name: `held ${member}`,
    type: 'brake' as const,
    joins: [member, 'frame'] as [string, string],
  }));
  const pins = train.members.flatMap(({ id, carrier }) =>
    carrier !== undefined && of('planet-seized').has(id)
      ? [
          {
            id: `seized ${id}`,
            name: `seized ${id}`,
            type: 'clutch' as const,
            joins: [id, carrier] as [string, string],
          },
        ]
      : [],
  );
  const added = [...brakes, ...pins];
  const always = [...of('stuck-on'), ...seized, ...added.map(({ id }) => id)].filter((id) => !gone.has(id));
  return {
    train: {
      ...train,
      meshes: train.meshes.filter(({ id }) => !lost.has(id)),
      couplers: [
        ...train.couplers
          .filter(({ id }) => !gone.has(id))
          .map((coupler) => (coupler.type === 'one-way' && seized.has(coupler.id) ? seizedClutch(coupler) : coupler)),
        ...added,
      ],
    },
    engaged: (applied) => [
      ...new Set([...applied.filter((id) => !never.has(id) && !gone.has(id) && !seized.has(id)), ...always]),
    ],
  };
}

/** A one-way clutch that has seized joins its two sides either way. */
const seizedClutch = ({ id, name, joins }: Extract<Train['couplers'][number], { type: 'one-way' }>) => ({
  id,
  name,
  type: 'clutch' as const,
  joins,
});
