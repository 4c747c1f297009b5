import * as z from 'zod/mini';

/** A save names the version that it started from; the train stands beside it under `train`. */
export const saveRequest = z.strictObject({ version: z.number().check(z.int(), z.gte(1)) });

/** What is to be kept beside a train, as its file has it, and what it is called. */
export const keepingRequest = z.strictObject({
  name: z.string().check(z.trim(), z.minLength(1), z.maxLength(120)),
  document: z.custom<object>((value) => typeof value === 'object' && value !== null),
});

/** Entries of a log: each is kept once, under its id. */
export const logRequest = z.strictObject({
  entries: z
    .array(
      z.strictObject({
        id: z.string().check(z.minLength(1), z.maxLength(64)),
        kind: z.enum(['reading', 'correction', 'run']),
        document: z.custom<object>((value) => typeof value === 'object' && value !== null),
      }),
    )
    .check(z.minLength(1), z.maxLength(2000)),
});

/** Who is to practise here. */
export const personRequest = z.strictObject({
  id: z.string().check(z.minLength(1), z.maxLength(64)),
  name: z.string().check(z.trim(), z.minLength(1), z.maxLength(60)),
});

/** What was answered: when, about which train, and whether it was right. */
export const answerDocument = z.strictObject({
  at: z.iso.datetime(),
  train: z.string().check(z.maxLength(200)),
  skill: z.string().check(z.minLength(1), z.maxLength(40)),
  right: z.boolean(),
  slip: z.nullable(z.string().check(z.maxLength(40))),
});

/** Answers of one person: each is kept once, under its id. */
export const answersRequest = z.strictObject({
  answers: z
    .array(z.strictObject({ id: z.string().check(z.minLength(1), z.maxLength(64)), answer: answerDocument }))
    .check(z.minLength(1), z.maxLength(1000)),
});

/** A state's name, for good; null or blanks take it away. */
export const namingRequest = z.strictObject({
  name: z.nullable(z.string().check(z.trim(), z.maxLength(120))),
});
