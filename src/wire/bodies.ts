import type * as z from 'zod/mini';
import * as replies from './replies';
import * as requests from './requests';

/** An endpoint's bodies: what is sent (null where nothing is), and what comes back (`file` for bytes as they are). */
interface Bodies {
  readonly request: z.ZodMiniType | null;
  readonly reply: z.ZodMiniType | 'file';
}

const nothing = { request: null, reply: replies.nothingReply };
const file = { request: null, reply: 'file' } as const;

/** The bodies of every endpoint. Where each is found stands in ENDPOINTS, without the schemas. */
export const BODIES = {
  listTrains: { request: null, reply: replies.shelfReply },
  addTrain: { request: requests.trainRequest, reply: replies.storedReply },
  readTrain: { request: null, reply: replies.trainReply },
  saveTrain: { request: requests.saveRequest, reply: replies.storedReply },
  removeTrain: nothing,
  restoreTrain: { request: null, reply: replies.trainReply },
  readDocument: file,
  readShelfDrawing: { request: null, reply: replies.trainDrawnReply },
  readBenchDrawing: { request: null, reply: replies.drawnReply },

  listRevisions: { request: null, reply: replies.revisionsReply },
  readRevision: { request: null, reply: replies.revisionReply },
  nameRevision: { request: requests.namingRequest, reply: replies.nothingReply },

  listSearches: { request: null, reply: replies.besideReply },
  readSearch: { request: null, reply: replies.documentReply },
  keepSearch: { request: requests.keepingRequest, reply: replies.nothingReply },
  removeSearch: nothing,
  listScenarios: { request: null, reply: replies.besideReply },
  readScenario: { request: null, reply: replies.documentReply },
  keepScenario: { request: requests.keepingRequest, reply: replies.nothingReply },
  removeScenario: nothing,

  readLog: { request: null, reply: replies.logReply },
  addToLog: { request: requests.logRequest, reply: replies.nothingReply },
  takeImportBack: { request: null, reply: replies.takenReply },
  readEntry: file,
  putEntryAside: nothing,
  addPicture: { request: requests.bytesRequest, reply: replies.pictureReply },
  readPicture: file,

  listExamples: { request: null, reply: replies.examplesReply },
  restoreExample: { request: null, reply: replies.storedReply },

  listPeople: { request: null, reply: replies.peopleReply },
  addPerson: { request: requests.personRequest, reply: replies.nothingReply },
  removePerson: nothing,
  readAnswers: { request: null, reply: replies.answersReply },
  addAnswers: { request: requests.answersRequest, reply: replies.nothingReply },
  putAnswersAside: nothing,
  listWorksheets: { request: null, reply: replies.worksheetsReply },
  readWorksheet: { request: null, reply: replies.documentReply },
  keepWorksheet: { request: requests.keepingRequest, reply: replies.nothingReply },
  removeWorksheet: nothing,

  readBundle: file,
  planBundle: { request: requests.bytesRequest, reply: replies.planReply },
  restoreBundle: { request: requests.bytesRequest, reply: replies.restoredReply },

  readHealth: { request: null, reply: replies.healthReply },
} as const satisfies Record<string, Bodies>;
