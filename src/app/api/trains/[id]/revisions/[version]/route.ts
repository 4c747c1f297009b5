import { z } from 'zod';
import { database } from '@/server/database';
import { failure, guarded, readJson } from '@/server/http';
import { findRevision, nameRevision } from '@/server/trains/revisions';

type Context = { params: Promise<{ id: string; version: string }> };

const nameSchema = z.strictObject({ name: z.string().trim().max(120).nullable() });

const notKept = () => failure(404, 'no-revision', 'This state is no longer kept.');

/** The document as it was at a version. */
export const GET = (request: Request, { params }: Context) =>
  guarded(request, async () => {
    const { id, version } = await params;
    const found = await findRevision(await database(), id, Number(version));
    if (!found) return notKept();
    return found.ok ? Response.json({ train: found.train }) : failure(422, 'unreadable', `This state is kept, but it cannot be read: ${found.why}`);
  });

/** Names a state, so that it is kept for good. */
export const PATCH = (request: Request, { params }: Context) =>
  guarded(request, async () => {
    const body = await readJson(request);
    if (!body.ok) return body.response;
    const naming = nameSchema.safeParse(body.value);
    if (!naming.success) return failure(400, 'bad-request', 'A name is a text of at most 120 characters.');
    const { id, version } = await params;
    return (await nameRevision(await database(), id, Number(version), naming.data.name || null)) ? Response.json({}) : notKept();
  });
