import type { Pattern } from './pattern';
import { PLANETARY_PATTERNS } from './planetary';
import { SET_PATTERNS } from './sets';
import { SHAFT_PATTERNS } from './shafts';

export {
  brake,
  clutch,
  buildPattern,
  dog,
  gear,
  member,
  position,
  trainOf,
  type PatternQuestion,
  type PatternParts,
  type Pattern,
} from './pattern';

/** What a new train can be started from. */
export const PATTERNS: readonly Pattern[] = [...SHAFT_PATTERNS, ...PLANETARY_PATTERNS, ...SET_PATTERNS];
