export type { Answer, Refusal } from './client';
export type { ExampleState, Kept, KeptBeside, ReadableEntry, Revision, ShelfEntry, UnreadableEntry } from './replies';
export { namingRequest, saveRequest, keepingRequest } from './requests';
export {
  forgetBeside,
  keepBeside,
  nameRevision,
  putBack,
  putCopyOnShelf,
  putOnShelf,
  readBenchDrawing,
  readBeside,
  readExamples,
  readRevision,
  readRevisions,
  readShelf,
  readShelfDrawing,
  readTrain,
  restoreExample,
  saveTrain,
  takeOffShelf,
  type BesideKind,
} from './trains';
