/** Standard gravity, m/s². */
export const GRAVITY = 9.80665;
/** Newtons in a pound of force, kilograms in a pound, metres in an inch: all exact by definition. */
export const POUND_FORCE_N = 4.4482216152605;
export const POUND_KG = 0.45359237;
export const INCH_M = 0.0254;
