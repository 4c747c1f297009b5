import { database } from '@/server/database';
import { readDocument } from '@/server/heavy';
import { failure, withSent } from '@/server/http';
import { asKept, wantsAsKept, unreadableRow } from '@/server/kept-answer';
import { keptDocument } from '@/server/kept-row';
import { MOST } from '@/server/most';
import { removeWorksheet, keepWorksheet, readWorksheetText } from '@/server/practice/worksheets';
import { endpoints } from '@/server/endpoint';
import { keptKey } from '@/wire';

const MISSING = () => failure(404, 'no-worksheet', 'There is no such worksheet any more.');

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  /** A worksheet as its file has it; with ?as-kept as a file, whether it reads or not. */
  readWorksheet: async (request, { key }) => {
    const text = await readWorksheetText(await database(), key);
    if (text === null) return MISSING();
    if (wantsAsKept(request)) return asKept(text);
    const read = keptDocument(text);
    return 'document' in read ? read : unreadableRow('This worksheet', read.unreadable);
  },

  /** Keeps a worksheet whose questions can all be made. */
  keepWorksheet: (request, { key }) =>
    withSent(
      request,
      (body, signal) => readDocument(body, 'worksheet', signal),
      async (sent) => {
        if (!keptKey.safeParse(key).success)
          return failure(400, 'bad-request', 'A worksheet is kept with a key of up to 64 letters, digits, - and _.');
        return (await keepWorksheet(await database(), { id: key, ...sent })) === 'kept'
          ? {}
          : failure(409, 'full', `The limit is ${MOST.worksheets} worksheets: remove some first.`);
      },
    ),

  removeWorksheet: async (_, { key }) => ((await removeWorksheet(await database(), key)) ? {} : MISSING()),
});
