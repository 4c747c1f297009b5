import type * as z from 'zod/mini';
import type { ServerAnswer } from '@/wire';

/** What came back from a call of the client, held to its schema; the answer itself has to be good. */
export function held<T extends z.ZodMiniType>(schema: T, answer: ServerAnswer): z.output<T> {
  if (!answer.ok) throw new Error(answer.message);
  return schema.parse(answer.value);
}
