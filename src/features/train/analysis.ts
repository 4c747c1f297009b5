import { type OpenTrain } from '@/core/kinematics';
import {
  memberFigures,
  meshRoles,
  partPowers,
  powerFlow,
  type MemberFigures,
  type MeshRole,
  type PartPower,
  type PowerFlow,
} from '@/core/powerflow';
import {
  driveBackward,
  engagementsThatDrive,
  releasedOneWays,
  lockSet,
  oneWayAccounts,
  outputLaws,
  powerStops,
  solveCoasting,
  solveEngaged,
  solveLoads,
  type BackwardVerdict,
  type OneWayAccount,
  type OutputLaw,
  type PowerStops,
  type Solved,
  type Unbalanced,
  type WouldDrive,
} from '@/core/solve';
import type { Train } from '@/core/train';
import { memberMoves, type MemberMove } from '@/core/turning';
import { workingOf, type Working } from '@/core/working';
import { engagementIn, type EngagementChoice } from './engagement';
import { EngagedStates, type FlowKind, type Loads } from './engaged-states';

export type { FlowKind, Loads };
import { modelOf } from '@/core/model';

/** What is engaged, solved and explained. */
export interface Explained {
  readonly solved: Solved;
  readonly figures: readonly MemberFigures[];
  /** How everything is seen to turn, free members too. */
  readonly moves: readonly MemberMove[];
  readonly roles: ReadonlyMap<string, MeshRole>;
  /** Gears in meshes through which power goes. */
  readonly driving: ReadonlySet<string>;
  readonly powers: readonly PartPower[];
  readonly paths: PowerFlow | null;
  readonly working: Working;
  /** The smallest set of couplers that locks it; empty unless it is locked. */
  readonly locks: readonly string[];
  readonly stops: PowerStops | null;
  /** Couplers that would make it drive, where no output is driven. */
  readonly wouldDrive: readonly WouldDrive[];
  readonly flow: FlowKind;
  /** What each one-way clutch does, and what would change it. */
  readonly oneWays: readonly OneWayAccount[];
  /** One-way clutches that hold in drive and are run ahead of in this flow. */
  readonly letGo: readonly string[];
  /** What binds outputs that are not determined one by one; of a split only. */
  readonly laws: readonly OutputLaw[];
  /** Why the loads that are given do not balance: then figures are as without them. */
  readonly unbalanced: Unbalanced | null;
  /** What comes of turning the output; null unless that was asked. */
  readonly backward: BackwardVerdict | null;
}

const statesOf = (train: Train) => new EngagedStates<Explained>(train);

/** @param loads of a drive: then torques and powers are in N·m, and not per unit put in */
export function analyseEngaged(
  train: Train,
  engaged: readonly string[],
  flow: FlowKind,
  losses: boolean,
  loads: Loads | null = null,
): Explained {
  const { open, derive } = modelOf(train);
  return derive(statesOf).get(engaged, flow, losses, loads, () => explain(open, engaged, flow, losses, loads));
}

function explain(
  open: OpenTrain,
  engaged: readonly string[],
  flow: FlowKind,
  losses: boolean,
  loads: Loads | null,
): Explained {
  const turned = flow === 'backward' ? driveBackward(open, engaged, { losses }) : null;
  const loaded = loads && flow === 'drive' ? solveLoads(open, engaged, loads, { losses }) : null;
  const solve = (on: readonly string[]) => solveIn(open, on, flow, losses);
  const solved = turned?.solved ?? (loaded?.ok ? loaded.solved : solve(engaged));
  const position: Explained = whenAsked<Explained>({
    solved: () => solved,
    figures: () => memberFigures(solved),
    moves: () => memberMoves(solved),
    roles: () => meshRoles(solved),
    driving: () =>
      new Set(
        open.network.train.meshes.filter(({ id }) => drives(position.roles.get(id))).flatMap(({ gears }) => gears),
      ),
    powers: () => partPowers(solved),
    paths: () => powerFlow(solved),
    working: () => workingOf(solved),
    locks: () => (solved.status === 'locked' ? lockSet(solved) : []),
    stops: () => (solved.status === 'neutral' || solved.status === 'held' ? powerStops(solved) : null),
    backward: () => turned?.verdict ?? null,
    unbalanced: () => (loaded && !loaded.ok ? loaded.why : null),
    wouldDrive: () =>
      flow === 'drive' && (solved.status === 'neutral' || solved.status === 'held') ? engagementsThatDrive(solved) : [],
    flow: () => flow,
    oneWays: () => oneWayAccounts(solved, solve),
    letGo: () =>
      flow === 'drive'
        ? []
        : releasedOneWays(analyseEngaged(open.network.train, engaged, 'drive', losses).solved, solved),
    laws: () => (solved.status === 'split' ? outputLaws(solved) : []),
  });
  return position;
}

const drives = (role: MeshRole | undefined): boolean => role === 'a drives' || role === 'b drives';

function solveIn(open: OpenTrain, engaged: readonly string[], flow: FlowKind, losses: boolean): Solved {
  if (flow === 'backward') return driveBackward(open, engaged, { losses }).solved;
  return (flow === 'coast' ? solveCoasting : solveEngaged)(open, engaged, { losses });
}

/** Each part worked out when it is first asked for, and kept: of most positions only the ratio is ever shown. */
function whenAsked<T extends object>(parts: { readonly [K in keyof T]: () => T[K] }): T {
  const made = {};
  for (const key of Object.keys(parts) as (keyof T)[]) {
    const get = () => {
      const value = parts[key]();
      Object.defineProperty(made, key, { value, enumerable: true });
      return value;
    };
    Object.defineProperty(made, key, { get, enumerable: true, configurable: true });
  }
  return made as T;
}

/** What decides which position is looked at, and how. */
export interface ChosenState {
  readonly train: Train;
  readonly choice: EngagementChoice;
  readonly flow: FlowKind;
  readonly losses: boolean;
}

export const explainedOf = ({ train, choice, flow, losses }: ChosenState, loads: Loads | null = null): Explained =>
  analyseEngaged(train, engagementIn({ train, choice }).engaged, flow, losses, loads);

/** Speeds per turn of what is cranked, as it is seen to turn. */
export const speedsOf = (chosen: ChosenState): readonly MemberMove[] => explainedOf(chosen).moves;
