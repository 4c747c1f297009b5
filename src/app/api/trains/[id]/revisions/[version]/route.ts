import { database } from '@/server/database';
import { failure } from '@/server/http';
import { asKept, wantsAsKept } from '@/server/kept-answer';
import { endpoints, readRequest, replyOfJson } from '@/server/endpoint';
import { findRevision, findStateText, nameRevision } from '@/server/trains/revisions';
import { versionNumber } from '@/server/version-number';

const notKept = () => failure(404, 'no-revision', 'This revision is no longer there.');
const noVersion = () => failure(400, 'bad-version', 'A version is a whole number from 1.');

export const { GET, HEAD, POST, PUT, PATCH, DELETE, OPTIONS } = endpoints({
  /** The document as it was at a version; with ?as-kept as a file, whether it reads or not. */
  readRevision: async (request, { id, version: named }) => {
    const version = versionNumber(named);
    if (version === null) return noVersion();
    if (wantsAsKept(request)) {
      const text = await findStateText(await database(), id, version);
      return text === null ? notKept() : asKept(text);
    }
    const found = await findRevision(await database(), id, version, request.signal);
    if (!found) return notKept();
    return found.unreadable === null
      ? replyOfJson('readRevision', { train: found.document })
      : failure(422, 'unreadable', `This revision is saved, but it cannot be read: ${found.unreadable}`);
  },

  /** Names a state, so that it is kept for good. */
  nameRevision: async (request, { id, version: named }) => {
    const version = versionNumber(named);
    if (version === null) return noVersion();
    const naming = await readRequest('nameRevision', request, 'A name is a text of at most 120 characters.');
    if (!naming.ok) return naming.response;
    return (await nameRevision(await database(), id, version, naming.value.name || null)) ? {} : notKept();
  },
});
