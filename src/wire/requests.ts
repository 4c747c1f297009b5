import * as z from 'zod/mini';

/** A save names the version that it started from; the train stands beside it under `train`. */
export const saveRequest = z.strictObject({ version: z.number().check(z.int(), z.gte(1)) });

/** A state's name, for good; null or blanks take it away. */
export const namingRequest = z.strictObject({
  name: z.nullable(z.string().check(z.trim(), z.maxLength(120))),
});
