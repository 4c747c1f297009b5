import { USUAL_TIP_SPEEDS } from '../checks';
import { contributions } from '../powerflow';
import { abs, toNumber } from '../rational';
import { copiesOf } from '../forces';
import { geometryOf } from '../geometry';
import { rackOf } from '../shapes';
import { type Solved } from '../solve';
import type { Gear, Mesh, Train } from '../train';
import { gearName } from '../words';
import { spanOf, type SpanMeasure } from './measures';
import { gearSizes, type Sizes } from './sizes';
import { modelOf } from '../model';
import { partsById } from '../train';
import { lookUp } from '../required';

/** How a train is used: speed and torque put in; null where they are not given. */
export interface PartsUse {
  readonly speedRpm: number | null;
  readonly torqueNm: number | null;
}

/**
 * What the workshop has to know of one gear. Sizes are null where no module is given and none follows from those that
 * are.
 */
export interface PartRow {
  readonly gear: string;
  readonly name: string;
  readonly member: string;
  readonly type: Gear['type'];
  readonly teeth: number;
  /** How many of it: planets are made as often as they stand round. */
  readonly copies: number;
  readonly material: Gear['material'] | null;
  readonly moduleMm: number | null;
  /** Diameters: of the pitch circle, over the tips, at the roots; of a ring the tips are inside. */
  readonly pitchMm: number | null;
  readonly outsideMm: number | null;
  readonly rootMm: number | null;
  readonly faceWidthMm: number | null;
  /** π m cos α, across the tooth. */
  readonly basePitchMm: number | null;
  /** By mate. */
  readonly centreDistancesMm: Readonly<Record<string, number>>;
  readonly contactRatio: Readonly<Record<string, number>>;
  /** Over how many teeth it is measured, and what that gives. */
  readonly span: SpanMeasure | null;
  /**
   * The position in which its teeth carry most: its speed there, and the largest torque of one of its meshes, of a
   * planet that of one copy. Null where it never carries.
   */
  readonly worst: {
    readonly position: string;
    readonly speedRpm: number | null;
    readonly torqueNm: number | null;
    /** Along the teeth at the pitch circle; null where a size is missing. */
    readonly tangentialN: number | null;
  } | null;
  /**
   * At its fastest position, of a planet over the ground: its orbit and its own turning together where both point one
   * way. Null where a size is missing.
   */
  readonly tipMetresPerSecond: number | null;
  /** What its material is usually kept below, or the train's own limit. */
  readonly tipLimit: number | null;
}

export interface PartsList {
  readonly parts: readonly PartRow[];
  /** Wheels to be made, copies counted, and how many different ones they are: of one kind, count, module and width. */
  readonly wheels: number;
  readonly different: number;
}

/**
 * Every wheel of a train, with its measures and what it has to bear; exact kinematics without losses, turned into
 * decimals at the end.
 */
export function partsOf(train: Train, { speedRpm, torqueNm }: PartsUse): PartsList {
  const { solvedIn } = modelOf(train);
  const cases = train.positions.map(({ id }) => ({ id, solved: solvedIn(id) }));
  const sizes = gearSizes(train);
  const geometry = geometryOf(train);
  const normalBase = Math.PI * Math.cos(rackOf(train).pressureAngle);
  const byId = partsById(train);
  const orbitOf = orbitsOf(train, sizes);
  const parts = train.gears.map((gear): PartRow => {
    const { moduleMm, pitchMm, outsideMm, rootMm } = sizes.of(gear);
    const meshes = train.meshes.filter((mesh) => mesh.gears.includes(gear.id));
    const known = (value: (mesh: Mesh) => number | null) =>
      Object.fromEntries(
        meshes.flatMap((mesh) => {
          const one = value(mesh);
          return one === null ? [] : [[byId.mate(mesh, gear.id).id, round(one)]];
        }),
      );
    const cut = geometry.gear(gear.id);
    const limit = gear.material ? (train.tipSpeedLimits?.[gear.material] ?? USUAL_TIP_SPEEDS[gear.material]) : null;
    const fastest = largest(cases.map(({ solved }) => tipMmPerRadian(solved, gear, outsideMm, orbitOf)));
    return {
      gear: gear.id,
      name: gearName(train, gear),
      member: gear.member,
      type: gear.type,
      teeth: gear.teeth,
      copies: byId.find.member(gear.member)?.copies ?? 1,
      material: gear.material ?? null,
      moduleMm: rounded(moduleMm),
      pitchMm: rounded(pitchMm),
      outsideMm: rounded(outsideMm),
      rootMm: rounded(rootMm),
      faceWidthMm: gear.faceWidth ?? null,
      basePitchMm: rounded(moduleMm === null || outsideMm === null ? null : moduleMm * normalBase),
      centreDistancesMm: known((mesh) => sizes.centreDistance(mesh)),
      contactRatio: known((mesh) => geometry.contactRatio(mesh.id)),
      span: cut && spanOf(cut.spec),
      worst: worstOf(cases, gear, { speedRpm, torqueNm }, pitchMm),
      tipMetresPerSecond:
        fastest === null || speedRpm === null ? null : round((2 * Math.PI * fastest * speedRpm) / 60_000),
      tipLimit: limit,
    };
  });
  const kinds = new Set(
    parts.map(({ type, teeth, moduleMm, faceWidthMm }) => JSON.stringify([type, teeth, moduleMm, faceWidthMm])),
  );
  return { parts, wheels: parts.reduce((sum, part) => sum + part.copies, 0), different: kinds.size };
}

interface Case {
  readonly id: string;
  readonly solved: Solved;
}

/** Turns for one of the input; 0 where that is left open. */
function speedOf({ state, network }: Solved, member: string): number {
  const speed = state.speeds.of(network.memberIds.indexOf(member));
  return speed ? toNumber(speed) : 0;
}

const largest = (values: readonly (number | null)[]): number | null =>
  values.reduce<number | null>((most, value) => (most === null || value === null ? null : Math.max(most, value)), 0);

/** How far a planet's own line stands from its carrier's, mm; null where the sizes do not tell. */
type OrbitOf = (planet: string) => number | null;

function orbitsOf(train: Train, sizes: Sizes): OrbitOf {
  const parts = partsById(train);
  return (planet) => {
    const carrier = parts.find.member(planet)?.carrier;
    for (const mesh of train.meshes) {
      const [a, b] = parts.pair(mesh);
      const [own, mate] = a.member === planet ? [a, b] : [b, a];
      // A mate about the carrier's own line.
      if (
        own.member !== planet ||
        carrier === undefined ||
        parts.find.member(mate.member)?.carrier !== parts.find.member(carrier)?.carrier
      )
        continue;
      const distance = sizes.centreDistance(mesh);
      if (distance !== null) return distance;
    }
    return null;
  };
}

/**
 * Speed of a gear's tips over the ground, mm for each radian that the input turns: that of its middle and that of its
 * tips about it, added.
 */
function tipMmPerRadian(solved: Solved, gear: Gear, outsideMm: number | null, orbitOf: OrbitOf): number | null {
  if (outsideMm === null) return null;
  let reach = (outsideMm / 2) * Math.abs(speedOf(solved, gear.member));
  const { find } = partsById(solved.network.train);
  let member = find.member(gear.member);
  while (member?.carrier !== undefined) {
    const carrier = member.carrier;
    const [turns, orbit] = [Math.abs(speedOf(solved, carrier)), orbitOf(member.id)];
    if (turns > 0 && orbit === null) return null;
    reach += turns * (orbit ?? 0);
    member = find.member(carrier);
  }
  return reach;
}

function worstOf(
  cases: readonly Case[],
  gear: Gear,
  { speedRpm, torqueNm }: PartsUse,
  pitchMm: number | null,
): PartRow['worst'] {
  const found = cases.map(({ id, solved }) => ({
    id,
    speed: speedOf(solved, gear.member),
    torque: toothTorque(solved, gear.id),
  }));
  const worst = found.reduce<(typeof found)[0] | null>(
    (most, one) => (one.torque > (most?.torque ?? 0) ? one : most),
    null,
  );
  return (
    worst && {
      position: worst.id,
      speedRpm: speedRpm === null ? null : round(worst.speed * speedRpm),
      torqueNm: torqueNm === null ? null : round(worst.torque * torqueNm),
      tangentialN: torqueNm === null || pitchMm === null ? null : round((2000 * worst.torque * torqueNm) / pitchMm),
    }
  );
}

/**
 * The largest torque that one tooth contact puts on a gear, per unit put in: of a sun or a ring what one of its equal
 * planets does, of a planet what one copy takes. What is shared between parallel ways is not counted.
 */
function toothTorque(solved: Solved, gear: string): number {
  const { train } = solved.network;
  const meshes = new Map(train.meshes.map((mesh) => [mesh.id, mesh]));
  const own = contributions(solved).flatMap(({ source, torque }) =>
    source.kind === 'mesh' &&
    source.side !== 'arm' &&
    torque &&
    lookUp(meshes, source.id).gears[source.side === 'a' ? 0 : 1] === gear
      ? [toNumber(abs(torque)) / copiesOf(train, lookUp(meshes, source.id))]
      : [],
  );
  return Math.max(0, ...own);
}

/** To six figures behind the point: what is computed in decimals is not longer than that. */
const round = (value: number): number => Number(value.toFixed(6));
const rounded = (value: number | null): number | null => (value === null ? null : round(value));
