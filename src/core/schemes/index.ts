export { askedInWords, centralName, elementNames, memberNames, trainOfScheme } from './as-train';
export { USUAL_MESH, type SchemeFigures } from './figures';
export { walkSchemes } from './walk';
export { oneWaySubstitutes, type OneWaySubstitute } from './one-ways';
export {
  CENTRAL,
  isRanged,
  type AskedSet,
  type GivenSet,
  type RangedSet,
  type Reverse,
  type SchemeLimits,
  type SchemeQuestion,
  type SingleChange,
} from './question';
export { schemeKey, type FoundScheme, type Scheme, type SchemeElement, type Selection } from './scheme';
export { crossingsOf, type SchemeAnswer, type SchemeResult } from './result';
export { searchSchemes } from './search';
export {
  isSchemeSearch,
  readSchemeFile,
  readSchemeSearch,
  readWrittenSchemes,
  type ReadSchemeSearch,
} from './search-file';
export { SCHEME_SEARCH, type WrittenSchemeSearch } from './search-schema';
export { setsOfTrain } from './sets-of-train';
export { standingRatio } from './standing-ratio';
export { whyNone, type Relaxed } from './why-none';
