import { database } from '@/server/database';
import { wrongInWorksheet } from '@/server/heavy';
import { failure, readJson } from '@/server/http';
import { asKept, asksAsKept, unreadableRow } from '@/server/kept-answer';
import { keptDocument } from '@/server/kept-row';
import { forgetWorksheet, keepWorksheet, readWorksheetText } from '@/server/practice/worksheets';
import { route } from '@/server/route';
import { keepingRequest } from '@/wire';

const MISSING = () => failure(404, 'no-worksheet', 'There is no such worksheet any more.');

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = route<{ key: string }>({
  /** A worksheet as its file has it; with ?as-kept as a file, whether it reads or not. */
  GET: async (request, { key }) => {
    const text = await readWorksheetText(await database(), key);
    if (text === null) return MISSING();
    if (asksAsKept(request)) return asKept(text);
    const read = keptDocument(text);
    return 'document' in read ? Response.json(read) : unreadableRow('This worksheet', read.unreadable);
  },

  /** Keeps a worksheet whose questions can all be made. */
  PUT: async (request, { key }) => {
    const body = await readJson(request);
    if (!body.ok) return body.response;
    const keeping = keepingRequest.safeParse(body.value);
    if (!keeping.success || !/^[\w-]{1,64}$/.test(key))
      return failure(400, 'bad-request', 'A worksheet is kept with a key, a name of 1 to 120 characters and the document itself.'); // prettier-ignore
    const document = JSON.stringify(keeping.data.document);
    const wrong = await wrongInWorksheet(document, request.signal);
    if (wrong !== null) return failure(422, 'bad-worksheet', wrong);
    const kept = await keepWorksheet(await database(), { id: key, name: keeping.data.name, document });
    return kept === 'kept'
      ? Response.json({})
      : failure(409, 'full', 'There are 500 worksheets, which is as many as there can be: remove some first.');
  },

  DELETE: async (_, { key }) => ((await forgetWorksheet(await database(), key)) ? Response.json({}) : MISSING()),
});
