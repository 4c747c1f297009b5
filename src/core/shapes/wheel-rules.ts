import { refuse, type RefusedResult } from '../result';
import { toothForm } from './tooth-form';
import { LEAST_WALL_MM, USUAL_TOLERANCE_MM, WRONG, type WheelSpec } from './wheel-schema';

/** What the measures of a wheel, each sound by itself, say against one another; null where nothing. */
export function contradictionIn(spec: WheelSpec): RefusedResult | null {
  return wrongTeeth(spec) ?? (spec.internal ? wrongRing(spec) : wrongGear(spec));
}

function wrongTeeth(spec: WheelSpec): RefusedResult | null {
  const { moduleMm, internal = false } = spec;
  if ((spec.backlashMm ?? 0) > moduleMm) return refuse(WRONG.backlash, ['backlashMm']);
  if (spec.herringbone && !spec.helixDegrees)
    return refuse('A herringbone wheel has a helix angle: give one.', ['herringbone']);
  if ((spec.toleranceMm ?? USUAL_TOLERANCE_MM) > moduleMm / 2) return refuse(WRONG.tolerance, ['toleranceMm']);
  const { tipRadius, flankRadius } = toothForm(spec);
  const none = internal ? tipRadius <= 0 || tipRadius >= flankRadius : tipRadius <= flankRadius;
  return none ? refuse('No tooth is left with this shift and backlash.', ['shift']) : null;
}

function wrongRing(spec: WheelSpec): RefusedResult | null {
  if (spec.teeth < 12) return refuse('A ring has 12 teeth or more.', ['teeth']);
  const held = (['boreMm', 'squareMm', 'keyway', 'hub', 'lighteningHoles'] as const).find((field) => spec[field]);
  return held ? refuse('A ring has no bore, hub or holes: it is held outside.', [held]) : null;
}

function wrongGear(spec: WheelSpec): RefusedResult | null {
  const { boreMm, squareMm, keyway, hub } = spec;
  if (boreMm !== undefined && squareMm !== undefined)
    return refuse('Give a round bore or a square hole, not both.', ['squareMm']);
  if (keyway && boreMm === undefined)
    return refuse('A keyway is cut in a round bore: give one.', ['keyway', 'widthMm']);
  if (keyway && boreMm !== undefined && keyway.widthMm >= boreMm) return refuse(WRONG.keyway, ['keyway', 'widthMm']);
  const { rootRadius } = toothForm(spec);
  const reach = boreReach(spec);
  if (reach + LEAST_WALL_MM > rootRadius)
    return refuse(
      `The hole leaves less than ${LEAST_WALL_MM} mm under the teeth: it can reach ` +
        `${(rootRadius - LEAST_WALL_MM).toFixed(2)} mm from the axis.`,
      [squareMm === undefined ? 'boreMm' : 'squareMm'],
    );
  if (hub && !(hub.outsideMm / 2 >= reach + LEAST_WALL_MM && hub.outsideMm / 2 < rootRadius))
    return refuse(WRONG.hub, ['hub', 'outsideMm']);
  return null;
}

/** How far the bore reaches from the axis. */
export const boreReach = ({ boreMm = 0, squareMm = 0, keyway }: WheelSpec): number =>
  keyway ? Math.hypot(boreMm / 2 + keyway.deepMm, keyway.widthMm / 2) : Math.max(boreMm / 2, squareMm / Math.SQRT2);
