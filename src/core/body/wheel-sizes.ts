import { axisLines, gearModules, geometryOf, pitchRadius } from '../geometry';
import { modelOf } from '../model';
import { lookUp } from '../required';
import { rackOf, toothForm, usualRim, type Rack, type ToothSpec } from '../shapes';
import { structureOf } from '../structure';
import type { Gear, Train } from '../train';

/** A wheel as a body needs it, mm; where sizes are not known, in modules of the largest group. */
export interface WheelSize {
  readonly gear: Gear;
  /** As its teeth are cut; null of a worm and a pulley. */
  readonly spec: ToothSpec | null;
  readonly module: number;
  readonly pitch: number;
  /** Least and greatest radius of its teeth. */
  readonly inner: number;
  readonly outer: number;
  /** A ring's outside; else as `outer`. */
  readonly rim: number;
  readonly face: number;
}

export interface WheelSizes {
  readonly of: (gear: string) => WheelSize;
  /** Every module is given or follows from those given. */
  readonly areTrue: boolean;
  readonly module: number;
}

/** Face width of a wheel that says nothing of its own, in modules. */
const USUAL_FACE = 8;
/** Teeth of a chain wheel, in modules above and below its pitch circle. */
const SPROCKET = { tip: 0.45, root: 0.55 };
/** A worm's thread, in modules. */
const THREAD = { tip: 1, root: 1.25 };

/** The sizes of all wheels of a train. */
export const wheelSizes = (train: Train): WheelSizes => modelOf(train).derive(makeSizes);

function makeSizes(train: Train): WheelSizes {
  const geometry = geometryOf(train);
  const modules = gearModules(train, axisLines(structureOf(train)));
  const rack = rackOf(train);
  const sizes = new Map<string, WheelSize>(
    train.gears.map((gear) => {
      const own = lookUp(modules, gear.id);
      const known = geometry.gear(gear.id)?.spec ?? geometry.spec(gear.id);
      const spec = known ? { ...known, moduleMm: own } : { teeth: gear.teeth, moduleMm: own, rack };
      return [gear.id, { ...sizeOf(gear, own, spec), gear, module: own, face: gear.faceWidth ?? USUAL_FACE * own }];
    }),
  );
  const all = [...modules.values()].sort((a, b) => a - b);
  return {
    of: (gear) => lookUp(sizes, gear),
    areTrue: train.gears.every(({ id }) => geometry.moduleMm(id) !== null),
    module: all[Math.floor(all.length / 2)] ?? 1,
  };
}

function sizeOf(gear: Gear, module: number, spec: ToothSpec): Omit<WheelSize, 'gear' | 'module' | 'face'> {
  const pitch = pitchRadius(gear, module);
  const around = (tip: number, root: number) => ({
    pitch,
    inner: pitch - root * module,
    outer: pitch + tip * module,
    rim: pitch + tip * module,
  });
  if (gear.type === 'worm') return { spec: null, ...around(THREAD.tip, THREAD.root) };
  if (gear.type === 'pulley') return { spec: null, ...around(0, 0.3) };
  if (gear.type === 'sprocket')
    return {
      spec: { ...spec, rack: CHAIN_RACK },
      ...around(SPROCKET.tip, SPROCKET.root),
    };
  const { tipRadius, rootRadius } = toothForm(spec);
  const [inner, outer] = [Math.min(tipRadius, rootRadius), Math.max(tipRadius, rootRadius)];
  return {
    spec,
    pitch,
    inner,
    outer,
    rim: spec.internal ? outer + (gear.rim ?? usualRim({ moduleMm: module })) : outer,
  };
}

/** A chain wheel's teeth are short, and round between. */
const CHAIN_RACK: Rack = {
  pressureAngle: (25 * Math.PI) / 180,
  addendum: SPROCKET.tip,
  dedendum: SPROCKET.root,
  rootRadius: 0.2,
};
