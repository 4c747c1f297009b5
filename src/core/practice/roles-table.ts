import { meshRoles, powerFlow } from '../powerflow';
import { abs, fraction, inverse, toFraction } from '../rational';
import type { Gear } from '../train';
import { gearName } from '../words';
import type { QuestionAnswer, Slip } from './question';
import { ratioSlips, slipsApart, tenfoldSlips } from './slips';
import { size, type Subject } from './subject';
import { partsById } from '../train';
import { itemAt } from '../required';

/** A figure or a name that is to be filled in; marked like the answer of a question. */
export interface RoleCell {
  readonly key: string;
  readonly answer: Extract<QuestionAnswer, { kind: 'number' | 'choice' }>;
  readonly slips: readonly Slip[];
}

/**
 * One pair that power goes through; where a position has fewer pairs than others, the answer is that there is none, and
 * no ratio is asked.
 */
export interface RolesStage {
  readonly driver: RoleCell;
  readonly driven: RoleCell;
  readonly ratio: RoleCell | null;
  /** Its driven gear drives the next pair: its teeth cancel. */
  readonly idler: boolean;
}

/** What is answered where power goes through no further pair. */
export const NO_PAIR = 'no pair';

/**
 * A position: the pairs that power goes through, one after the other, as many lines for each position so that none
 * gives itself away; and what they come to.
 */
export interface RolesRow {
  readonly position: string;
  readonly name: string;
  readonly stages: readonly RolesStage[];
  readonly overall: RoleCell;
}

/**
 * The roles table of a train on fixed axes: driver, driven, ratio and overall, position by position. Positions whose
 * power is shared, or goes through a set, have no row.
 */
export function rolesTable(subject: Subject): readonly RolesRow[] {
  const { train, driving, central } = subject;
  const parts = partsById(train);
  const choices = [
    NO_PAIR,
    ...new Set(train.gears.filter(({ member }) => central.includes(member)).map((gear) => gearName(train, gear))),
  ];
  const rows = driving.flatMap((place) => {
    const flow = powerFlow(place.solved);
    if (flow?.paths.length !== 1 || flow.recirculating.length > 0) return [];
    const { stops } = itemAt(flow.paths, 0);
    if (stops.some(({ kind }) => kind === 'set')) return [];
    const roles = meshRoles(place.solved);
    const pairs = stops.flatMap(({ kind, id }) => {
      if (kind !== 'mesh') return [];
      const [a, b] = parts.pair(parts.mesh(id));
      return [roles.get(id) === 'a drives' ? { driver: a, driven: b } : { driver: b, driven: a }];
    });
    const named = (key: string, gear: Gear, mate: Gear): RoleCell => ({
      key: `${place.id} ${key}`,
      answer: { kind: 'choice', value: gearName(train, gear), choices },
      slips: [{ value: gearName(train, mate), slip: 'upside-down' }],
    });
    const stages = pairs.map(({ driver, driven }, i): RolesStage => {
      const right = fraction(driven.teeth, driver.teeth);
      return {
        driver: named(`${i} driver`, driver, driven),
        driven: named(`${i} driven`, driven, driver),
        ratio: {
          key: `${place.id} ${i} ratio`,
          answer: { kind: 'number', value: toFraction(right), unit: '' },
          slips: slipsApart(right, [['upside-down', inverse(right)], ...tenfoldSlips(right)]),
        },
        idler: pairs[i + 1]?.driver === driven,
      };
    });
    const overall: RoleCell = {
      key: `${place.id} overall`,
      answer: { kind: 'number', value: size(place.ratio), unit: '' },
      slips: ratioSlips(subject, place, abs(place.ratio)),
    };
    return [{ position: place.id, name: place.name, stages, overall }];
  });
  const most = Math.max(0, ...rows.map(({ stages }) => stages.length));
  const none = (key: string): RoleCell => ({ key, answer: { kind: 'choice', value: NO_PAIR, choices }, slips: [] });
  return rows.map((row) => {
    const missing = Array.from({ length: most - row.stages.length }, (_, i): RolesStage => {
      const at = row.stages.length + i;
      return {
        driver: none(`${row.position} ${at} driver`),
        driven: none(`${row.position} ${at} driven`),
        ratio: null,
        idler: false,
      };
    });
    return { ...row, stages: [...row.stages, ...missing] };
  });
}
