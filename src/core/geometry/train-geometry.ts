import { modelOf } from '../model';
import { isUndercut, rackOf, toothForm, type Rack, type ToothForm, type ToothSpec } from '../shapes';
import { structureOf } from '../structure';
import { isCylindrical, partsById, type Gear, type Mesh, type Train } from '../train';
import { lookUp } from '../required';
import { alongAction, contactOf, type Contact } from './contact';
import { interferenceOf, type Interference } from './interference';
import { axisLines, gearModules } from './modules';
import { runningPair, type RunningPair } from './running-pair';

/** A mesh of two wheels on parallel axes, as it runs; of each two figures the first is of the mesh's first gear. */
export interface MeshGeometry extends Contact {
  readonly running: RunningPair;
  readonly moduleMm: number;
  /** Of the mesh's first gear. */
  readonly helixDegrees: number;
  readonly workingDiametersMm: readonly [number, number];
  /** By the helix, over the narrower wheel; null where no width is given. */
  readonly overlapRatio: number | null;
  readonly interference: readonly Interference[];
}

/** A wheel with teeth outside or inside, as it is cut. */
export interface GearGeometry {
  readonly spec: ToothSpec;
  readonly form: ToothForm;
  readonly tipThicknessMm: number;
  readonly undercut: boolean;
}

export interface TrainGeometry {
  /** Null of other kinds than gears on parallel axes, where sizes are missing, and where a pair cannot run at all. */
  readonly mesh: (id: string) => MeshGeometry | null;
  /** How many pairs of teeth touch, by their tips; known without sizes too, where no centre is given. */
  readonly contactRatio: (mesh: string) => number | null;
  readonly gear: (id: string) => GearGeometry | null;
  /** As it is ordered, of a module of one where sizes are missing; null of other kinds. */
  readonly spec: (gear: string) => ToothSpec | null;
  /** Across the tooth; null where none is given and none follows. */
  readonly moduleMm: (id: string) => number | null;
  /** The centre distance between the lines that two members turn about, where a mesh gives one. */
  readonly givenCentreMm: (mesh: Mesh) => number | null;
}

/** The module of wheels whose sizes are not known, mm. */
const UNIT = 1;

/** What the clearance of a tip is at least, in modules, before the tip is cut back for it. */
const LEAST_CLEARANCE = 0.17;

/** The wheels of a train and how they run on each other. */
export const geometryOf = (train: Train): TrainGeometry => modelOf(train).derive(makeGeometry);

function makeGeometry(train: Train): TrainGeometry {
  const rack = rackOf(train);
  const parts = partsById(train);
  const moduleOf = modulesOf(train);
  const centreOf = givenCentres(train);
  const cylindrical = train.meshes.flatMap((mesh) => {
    const pair = cylindricalPair(parts.pair(mesh));
    // Without sizes the shape is the same at a module of one; a centre in mm says nothing then.
    const moduleMm = pair && (moduleOf(pair[0].id) ?? (centreOf(mesh) === null ? UNIT : null));
    return pair && moduleMm !== null ? [{ mesh, pair, moduleMm }] : [];
  });
  const runs = new Map<string, RunningPair>(
    cylindrical.flatMap(({ mesh, pair: [one, two], moduleMm }) => {
      const running = runningPair({
        rack,
        moduleMm,
        helixDegrees: one.helix ?? 0,
        wheels: [wheelOf(one), wheelOf(two)],
        centreMm: centreOf(mesh),
      });
      return running ? [[mesh.id as string, running] as const] : [];
    }),
  );
  const plain = new Map<string, ToothSpec>(
    train.gears.flatMap((gear) => {
      if (!isCylindrical(gear)) return [];
      return [[gear.id as string, specOf(gear, moduleOf(gear.id) ?? UNIT, rack, train.backlash)] as const];
    }),
  );
  const whole = new Map([...plain].map(([id, spec]) => [id, shaped(spec)] as const));
  const cuts = tipCuts(cylindrical, runs, whole);
  const gears = new Map<string, GearGeometry>(
    [...whole].map(([id, gear]) => [id, cuts.has(id) ? shaped({ ...gear.spec, tipCutMm: lookUp(cuts, id) }) : gear]),
  );
  const meshes = new Map<string, MeshGeometry>(
    cylindrical.flatMap(({ mesh, pair, moduleMm }) => {
      const running = runs.get(mesh.id);
      const [one, two] = pair.map(({ id }) => gears.get(id));
      if (!running || !one || !two) return [];
      return [[mesh.id as string, meshGeometry(mesh, pair, moduleMm, running, [one, two])] as const];
    }),
  );
  const sized = (gear: string) => moduleOf(gear) !== null;
  return {
    mesh: (id) => (parts.find.mesh(id)?.gears.every(sized) ? (meshes.get(id) ?? null) : null),
    contactRatio: (id) => meshes.get(id)?.contactRatio ?? null,
    gear: (id) => (sized(id) ? (gears.get(id) ?? null) : null),
    spec: (id) => plain.get(id) ?? null,
    moduleMm: moduleOf,
    givenCentreMm: centreOf,
  };
}

/** The two gears of a pair on parallel axes, the one with teeth outside first; null of other kinds. */
function cylindricalPair([a, b]: readonly [Gear, Gear]): readonly [Gear, Gear] | null {
  const [one, two] = a.type === 'internal' ? [b, a] : [a, b];
  return one.type === 'external' && isCylindrical(two) ? [one, two] : null;
}

const wheelOf = ({ teeth, type, shift = 0 }: Gear) => ({ teeth, internal: type === 'internal', shift });

const specOf = (gear: Gear, moduleMm: number, rack: Rack, backlashMm = 0): ToothSpec => ({
  teeth: gear.teeth,
  moduleMm,
  internal: gear.type === 'internal',
  shift: gear.shift ?? 0,
  helixDegrees: gear.helix ?? 0,
  backlashMm,
  rack,
});

/**
 * What follows from the modules that are given doubles with them; what is only assumed, so that something can be drawn,
 * does not.
 */
function modulesOf(train: Train): (gear: string) => number | null {
  const lines = axisLines(structureOf(train));
  const modules = gearModules(train, lines);
  const doubled = gearModules(timesTwo(train), lines);
  return (gear) => {
    const own = lookUp(modules, gear);
    return Math.abs(lookUp(doubled, gear) / own - 2) < 1e-9 ? own : null;
  };
}

const timesTwo = (train: Train): Train => ({
  ...train,
  gears: train.gears.map((gear) => (gear.module === undefined ? gear : { ...gear, module: gear.module * 2 })),
});

/** Pairs between the same two lines run at one centre distance: at the one that any of them gives. */
function givenCentres(train: Train): (mesh: Mesh) => number | null {
  const parts = partsById(train);
  const lineOf = axisLines(structureOf(train));
  const between = (mesh: Mesh) =>
    parts
      .pair(mesh)
      .map(({ member }) => lineOf(member))
      .sort()
      .join('|');
  const given = new Map<string, number>();
  for (const mesh of train.meshes)
    if (mesh.centre !== undefined && !given.has(between(mesh))) given.set(between(mesh), mesh.centre);
  return (mesh) => mesh.centre ?? given.get(between(mesh)) ?? null;
}

interface Cylindrical {
  readonly mesh: Mesh;
  readonly pair: readonly [Gear, Gear];
  readonly moduleMm: number;
}

/**
 * How much has to be taken off tips, by gear: so that they clear their mates' root circles, and touch no flank where it
 * has ended.
 */
function tipCuts(
  meshes: readonly Cylindrical[],
  runs: ReadonlyMap<string, RunningPair>,
  wheels: ReadonlyMap<string, GearGeometry>,
): ReadonlyMap<string, number> {
  const cuts = new Map<string, number>();
  const cut = (gear: string, by: number) => {
    if (by > 1e-9) cuts.set(gear, Math.max(by, cuts.get(gear) ?? 0));
  };
  for (const { mesh, pair, moduleMm } of meshes) {
    const running = runs.get(mesh.id);
    const [own, mate] = pair.map(({ id }) => wheels.get(id));
    if (!running || !own || !mate) continue;
    const [one, two] = [own.form, mate.form];
    const { centreMm: a, workingAngle } = running;
    const line = a * Math.sin(workingAngle);
    const least = LEAST_CLEARANCE * moduleMm;
    const internal = mate.spec.internal === true;
    const reach = (form: ToothForm, along: number) => Math.hypot(form.baseRadius, Math.max(0, along));
    const [begins, beginsTwo] = [alongAction(one.flankRadius, one), alongAction(two.flankRadius, two)];
    // An undercut root has made room for whatever tip the rack has.
    const [free, freeTwo] = [own.undercut, mate.undercut];
    if (internal) {
      cut(pair[0].id, one.tipRadius - Math.min(two.rootRadius - a - least, reach(one, beginsTwo - line)));
      const byFlank = free ? 0 : reach(two, line + begins);
      cut(pair[1].id, Math.max(a + one.rootRadius + least, byFlank) - two.tipRadius);
    } else {
      const [byFlank, byFlankTwo] = [
        freeTwo ? Infinity : reach(one, line - beginsTwo),
        free ? Infinity : reach(two, line - begins),
      ];
      cut(pair[0].id, one.tipRadius - Math.min(a - two.rootRadius - least, byFlank));
      cut(pair[1].id, two.tipRadius - Math.min(a - one.rootRadius - least, byFlankTwo));
    }
  }
  return cuts;
}

function shaped(spec: ToothSpec): GearGeometry {
  const form = toothForm(spec);
  const { tipRadius } = form;
  const half = form.halfAngleAt(tipRadius);
  return {
    spec,
    form,
    tipThicknessMm: 2 * tipRadius * (spec.internal ? Math.PI / spec.teeth - half : half),
    undercut: !spec.internal && isUndercut(spec),
  };
}

function meshGeometry(
  mesh: Mesh,
  [first, second]: readonly [Gear, Gear],
  moduleMm: number,
  running: RunningPair,
  [one, two]: readonly [GearGeometry, GearGeometry],
): MeshGeometry {
  const internal = second.type === 'internal';
  const teeth = [first.teeth, second.teeth] as const;
  const contact = contactOf(running, [one.form, two.form], teeth, internal);
  // As the mesh names its gears.
  const turned = mesh.gears[0] !== first.id;
  const inOrder = <T>([a, b]: readonly [T, T]): readonly [T, T] => (turned ? [b, a] : [a, b]);
  const helixDegrees = first.helix ?? 0;
  const width = Math.min(first.faceWidth ?? Infinity, second.faceWidth ?? Infinity);
  return {
    ...contact,
    running,
    moduleMm,
    helixDegrees: (turned ? second.helix : first.helix) ?? 0,
    tipClearanceMm: inOrder(contact.tipClearanceMm),
    specificSliding: inOrder(contact.specificSliding),
    workingDiametersMm: inOrder([2 * running.workingRadiiMm[0], 2 * running.workingRadiiMm[1]]),
    overlapRatio:
      helixDegrees === 0
        ? 0
        : Number.isFinite(width)
          ? (width * Math.abs(Math.sin((helixDegrees * Math.PI) / 180))) / (Math.PI * moduleMm)
          : null,
    interference: interferenceOf(running, [one.form, two.form], teeth, {
      internal,
      undercut: [one.undercut, two.undercut],
      moduleMm,
    }),
  };
}
