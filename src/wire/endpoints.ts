import type * as z from 'zod/mini';
import type { BODIES } from './bodies';

export type EndpointName = keyof typeof BODIES;

/** What an endpoint is sent; undefined where it is sent nothing. */
export type RequestBody<N extends EndpointName> = (typeof BODIES)[N]['request'] extends z.ZodMiniType
  ? z.input<(typeof BODIES)[N]['request']>
  : undefined;

/** What an endpoint answers when all is well; a Blob where that is a file. */
export type Reply<N extends EndpointName> = (typeof BODIES)[N]['reply'] extends z.ZodMiniType
  ? z.output<(typeof BODIES)[N]['reply']>
  : Blob;

/** The endpoints whose answer is a value. */
export type ValueEndpoint = {
  [N in EndpointName]: (typeof BODIES)[N]['reply'] extends 'file' ? never : N;
}[EndpointName];

interface Endpoint<N extends EndpointName> {
  readonly method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  /** The address; `:id` is a changing part, which Next calls `[id]`. */
  readonly path: `/api/${string}`;
  /**
   * What a reply must have, else it is from another Tin Wheel than the page. The values are checked against BODIES by
   * the server's tests; checking them in the page as well would cost every page the whole of the checking library.
   */
  readonly fields: readonly (keyof Reply<N> & string)[];
}

/** Every endpoint of the API: imported by the route that answers it and by the client that asks it. */
export const ENDPOINTS = {
  listTrains: { method: 'GET', path: '/api/trains', fields: ['trains'] },
  addTrain: { method: 'POST', path: '/api/trains', fields: ['id', 'version'] },
  readTrain: { method: 'GET', path: '/api/trains/:id', fields: ['id', 'version', 'train'] },
  saveTrain: { method: 'PUT', path: '/api/trains/:id', fields: ['version'] },
  removeTrain: { method: 'DELETE', path: '/api/trains/:id', fields: [] },
  restoreTrain: { method: 'POST', path: '/api/trains/:id', fields: ['id', 'version'] },
  readDocument: { method: 'GET', path: '/api/trains/:id/document', fields: [] },
  readShelfDrawing: { method: 'GET', path: '/api/trains/:id/drawing', fields: ['train', 'drawn'] },
  readBenchDrawing: { method: 'GET', path: '/api/trains/:id/drawing', fields: ['drawn'] },

  listRevisions: { method: 'GET', path: '/api/trains/:id/revisions', fields: ['revisions'] },
  readRevision: { method: 'GET', path: '/api/trains/:id/revisions/:version', fields: ['train'] },
  nameRevision: { method: 'PATCH', path: '/api/trains/:id/revisions/:version', fields: [] },

  listSearches: { method: 'GET', path: '/api/trains/:id/searches', fields: ['kept'] },
  readSearch: { method: 'GET', path: '/api/trains/:id/searches/:key', fields: ['document'] },
  keepSearch: { method: 'PUT', path: '/api/trains/:id/searches/:key', fields: [] },
  removeSearch: { method: 'DELETE', path: '/api/trains/:id/searches/:key', fields: [] },
  listScenarios: { method: 'GET', path: '/api/trains/:id/scenarios', fields: ['kept'] },
  readScenario: { method: 'GET', path: '/api/trains/:id/scenarios/:key', fields: ['document'] },
  keepScenario: { method: 'PUT', path: '/api/trains/:id/scenarios/:key', fields: [] },
  removeScenario: { method: 'DELETE', path: '/api/trains/:id/scenarios/:key', fields: [] },

  readLog: { method: 'GET', path: '/api/trains/:id/log', fields: ['entries'] },
  addToLog: { method: 'POST', path: '/api/trains/:id/log', fields: [] },
  takeImportBack: { method: 'DELETE', path: '/api/trains/:id/log', fields: ['taken'] },
  readEntry: { method: 'GET', path: '/api/trains/:id/log/:key', fields: [] },
  putEntryAside: { method: 'DELETE', path: '/api/trains/:id/log/:key', fields: [] },
  addPicture: { method: 'POST', path: '/api/trains/:id/pictures', fields: ['id'] },
  readPicture: { method: 'GET', path: '/api/trains/:id/pictures/:key', fields: [] },

  listExamples: { method: 'GET', path: '/api/examples', fields: ['examples'] },
  restoreExample: { method: 'POST', path: '/api/examples/:id', fields: ['id'] },

  listPeople: { method: 'GET', path: '/api/people', fields: ['people'] },
  addPerson: { method: 'POST', path: '/api/people', fields: [] },
  removePerson: { method: 'DELETE', path: '/api/people/:id', fields: [] },
  readAnswers: { method: 'GET', path: '/api/people/:id/answers', fields: ['answers'] },
  addAnswers: { method: 'POST', path: '/api/people/:id/answers', fields: [] },
  putAnswersAside: { method: 'DELETE', path: '/api/people/:id/answers', fields: [] },
  listWorksheets: { method: 'GET', path: '/api/worksheets', fields: ['worksheets'] },
  readWorksheet: { method: 'GET', path: '/api/worksheets/:key', fields: ['document'] },
  keepWorksheet: { method: 'PUT', path: '/api/worksheets/:key', fields: [] },
  removeWorksheet: { method: 'DELETE', path: '/api/worksheets/:key', fields: [] },

  readBundle: { method: 'GET', path: '/api/bundle', fields: [] },
  planBundle: { method: 'POST', path: '/api/bundle', fields: ['plan'] },
  restoreBundle: { method: 'POST', path: '/api/bundle', fields: ['restored'] },

  readHealth: { method: 'GET', path: '/api/health', fields: ['version'] },
} as const satisfies { readonly [N in EndpointName]: Endpoint<N> };

type PartsOf<P extends string> = P extends `${string}:${infer Part}/${infer Rest}`
  ? Part | PartsOf<Rest>
  : P extends `${string}:${infer Part}`
    ? Part
    : never;

/** The changing parts of an endpoint's address. */
export type PathParts<N extends EndpointName> = Readonly<Record<PartsOf<(typeof ENDPOINTS)[N]['path']>, string>>;

export type Query = string | Readonly<Record<string, string>> | readonly (readonly [string, string])[];

/** An endpoint's address with its parts in place, each as an address can have it. */
export function addressOf<N extends EndpointName>(name: N, parts: PathParts<N>, query: Query = ''): string {
  const path = ENDPOINTS[name].path.replace(/:(\w+)/g, (_, part: string) =>
    encodeURIComponent((parts as Readonly<Record<string, string>>)[part] ?? ''),
  );
  const search = typeof query === 'string' ? query : new URLSearchParams(query as Record<string, string>).toString();
  return search === '' ? path : `${path}?${search}`;
}
