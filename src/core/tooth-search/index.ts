export { errorOf } from './best';
export { searchChains, type ChainQuestion } from './chains';
export { searchFit } from './fit';
export { searchLadders } from './ladder';
export { searchManyStages } from './many-stages';
export { searchPlanetary } from './planetary';
export { readSearch, type WrittenFit } from './search-file';
