import { accept, refuse, type Result } from '../result';
import { LIMITS } from '../train';
import { required } from '../required';

/** What decides which wheels there are; lengths in mm. */
export interface WheelLimits {
  readonly min?: number | undefined;
  readonly max?: number | undefined;
  /** Tooth counts in stock; nothing else is taken. */
  readonly stock?: readonly number[] | undefined;
  readonly module?: number | undefined;
  /**
   * Outside of the bearing or bore that the smallest wheel goes round, and the wall that is left between it and the
   * roots.
   */
  readonly bore?: number | undefined;
  readonly wall?: number | undefined;
  /** The largest outside diameter that there is room for. */
  readonly space?: number | undefined;
  /** Leave out wheels that are undercut when they are hobbed. */
  readonly undercut?: { readonly pressureAngle: number; readonly shift: number } | undefined;
}

export interface WheelsFound {
  readonly wheels: readonly number[];
  /** What sets the smallest and the largest wheel, in words. */
  readonly least: string;
  readonly most: string;
}

interface Bound {
  readonly teeth: number;
  readonly why: string;
}

/** So many wheels are looked through: more make more fractions than a memory holds. */
export const MOST_WHEELS = 1000;

/**
 * The tooth counts within all limits. Root diameter m (z − 2.5) ≥ bore + 2 wall; outside diameter m (z + 2) ≤ space; no
 * undercut from z = 2 (1 − x)/sin² α (17 at 20° without shift), all for full-depth teeth (ISO 53).
 */
export function wheelsWithin(limits: WheelLimits): Result<WheelsFound> {
  const { stock, module } = limits;
  if (module === undefined && (limits.bore !== undefined || limits.space !== undefined))
    return refuse('Give the module: without it a bore or a space says nothing about teeth.', ['module']);
  const least = largest(lowerBounds(limits));
  const most = smallest(upperBounds(limits));
  // What is being typed is no number yet.
  if (!Number.isInteger(least.teeth) || !Number.isInteger(most.teeth))
    return refuse('The least and the most teeth are whole numbers.');
  if (least.teeth > most.teeth)
    return refuse(
      `No wheel is left: ${least.why} asks for at least ${least.teeth} teeth, ${most.why} allows at most ` +
        `${most.teeth}. Widen one of them${module === undefined ? '' : ', or take a smaller module'}.`,
    );
  if (stock) {
    const wheels = [...new Set(stock)]
      .filter((teeth) => teeth >= least.teeth && teeth <= most.teeth)
      .sort((a, b) => a - b);
    return wheels.length > 0
      ? accept({ wheels, least: `${wheels[0]} in stock`, most: `${wheels.at(-1)} in stock` })
      : refuse(`No wheel in stock has ${least.teeth} to ${most.teeth} teeth, as ${least.why} and ${most.why} ask.`);
  }
  const many = most.teeth - least.teeth + 1;
  if (many > MOST_WHEELS)
    return refuse(
      `${many} different wheels are too many to cover, at most ${MOST_WHEELS}: give a smaller largest wheel.`,
      ['max'],
    );
  return accept({
    wheels: Array.from({ length: many }, (_, i) => least.teeth + i),
    least: `${least.teeth}, from ${least.why}`,
    most: `${most.teeth}, from ${most.why}`,
  });
}

function lowerBounds({ min, stock, module, bore, wall = 0, undercut }: WheelLimits): readonly Bound[] {
  return [
    { teeth: min ?? (stock ? 1 : 4), why: 'the smallest wheel' },
    ...(bore === undefined
      ? []
      : [
          {
            teeth: ceil((bore + 2 * wall) / required(module) + 2.5),
            why: `the bore of ${bore} mm${wall ? ` with walls of ${wall} mm` : ''}`,
          },
        ]),
    ...(undercut ? [{ teeth: leastWithoutUndercut(undercut), why: `undercut at ${undercut.pressureAngle}°` }] : []),
  ];
}

function upperBounds({ max, stock, module, space }: WheelLimits): readonly Bound[] {
  return [
    { teeth: max ?? (stock ? LIMITS.teeth : 100), why: 'the largest wheel' },
    ...(space === undefined
      ? []
      : [{ teeth: Math.floor(space / required(module) - 2 + 1e-9), why: `the space of ${space} mm` }]),
  ];
}

/** 17 at 20° without shift: the tenth of a tooth beyond it is taken in practice. */
export const leastWithoutUndercut = ({
  pressureAngle,
  shift,
}: {
  readonly pressureAngle: number;
  readonly shift: number;
}): number => Math.max(1, Math.floor((2 * (1 - shift)) / Math.sin((pressureAngle * Math.PI) / 180) ** 2));

// What lies on a limit is within it.
const ceil = (value: number): number => Math.ceil(value - 1e-9);

const largest = (bounds: readonly Bound[]): Bound => bounds.reduce((a, b) => (b.teeth > a.teeth ? b : a));
const smallest = (bounds: readonly Bound[]): Bound => bounds.reduce((a, b) => (b.teeth < a.teeth ? b : a));
