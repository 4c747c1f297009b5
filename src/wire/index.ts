export type { Answer, Refusal } from './client';
export type { ExampleState, Kept, ReadableEntry, Revision, ShelfEntry, UnreadableEntry } from './replies';
export { namingRequest, saveRequest } from './requests';
export {
  nameRevision,
  putBack,
  putCopyOnShelf,
  putOnShelf,
  readBenchDrawing,
  readExamples,
  readRevision,
  readRevisions,
  readShelf,
  readShelfDrawing,
  readTrain,
  restoreExample,
  saveTrain,
  takeOffShelf,
} from './trains';
