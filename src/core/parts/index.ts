export { helixHands } from './hands';
export { spanOf, type SpanMeasure } from './measures';
export { partsOf, type PartRow, type PartsList, type PartsUse } from './parts';
export { gearSizes } from './sizes';
export { partsTable } from './table';
