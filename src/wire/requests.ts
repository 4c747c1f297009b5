import * as z from 'zod/mini';
import type { Train } from '@/core/train';
import { entryKind, keptId, keptName, keptVersion, personName, stateName } from './kept-names';

/** A document that is checked as a train where it arrives. */
export const trainRequest = z.custom<Train>((value) => typeof value === 'object' && value !== null);

/** What a save says beside its train: the version that it started from. */
export const saveStart = z.strictObject({ version: keptVersion });
export const saveRequest = z.extend(saveStart, { train: trainRequest });

/** What is to be kept beside a train, as its file has it, and what it is called. */
export const keepingRequest = z.strictObject({
  name: keptName,
  document: z.custom<object>((value) => typeof value === 'object' && value !== null),
});

/** Entries of a log: each is kept once, under its id. */
export const logRequest = z.strictObject({
  entries: z
    .array(
      z.strictObject({
        id: keptId,
        kind: entryKind,
        document: z.custom<object>((value) => typeof value === 'object' && value !== null),
      }),
    )
    .check(z.minLength(1), z.maxLength(2000)),
});

/** Who is to practise here. */
export const personRequest = z.strictObject({
  id: keptId,
  name: personName,
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
  answers: z.array(z.strictObject({ id: keptId, answer: answerDocument })).check(z.minLength(1), z.maxLength(1000)),
});

/** A state's name, for good; null or blanks take it away. */
export const namingRequest = z.strictObject({
  name: z.nullable(stateName),
});

/** Bytes: a picture, or a bundle. */
export const bytesRequest = z.custom<Blob>((value) => value instanceof Blob);
