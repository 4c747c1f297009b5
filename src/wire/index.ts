export type { Answer, Refusal } from './client';
export type { ExampleState, Kept, KeptSearch, ReadableEntry, Revision, ShelfEntry, UnreadableEntry } from './replies';
export { namingRequest, saveRequest, searchRequest } from './requests';
export {
  forgetSearch,
  keepSearch,
  nameRevision,
  putBack,
  putCopyOnShelf,
  putOnShelf,
  readBenchDrawing,
  readExamples,
  readRevision,
  readRevisions,
  readSearches,
  readShelf,
  readShelfDrawing,
  readTrain,
  restoreExample,
  saveTrain,
  takeOffShelf,
} from './trains';
