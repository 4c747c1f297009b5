import * as z from 'zod/mini';
import type { DrawnTrain } from '@/core/drawing';
import type { TrainSummary } from '@/core/gear-chart';
import type { Train } from '@/core/train';
import { entryKind } from './kept-names';
import { answerDocument } from './requests';

/** A document that the server has checked; it is not gone through again. */
const train = z.custom<Train>((value) => typeof value === 'object' && value !== null);
const version = z.number().check(z.int(), z.gte(1));

export const nothingReply = z.object({});
export const storedReply = z.object({ id: z.string(), version, updatedAt: z.string() });
export const trainReply = z.object({ id: z.string(), version, updatedAt: z.string(), train });
export const drawnReply = z.object({
  drawn: z.custom<DrawnTrain>((value) => typeof value === 'object' && value !== null),
});
export const trainDrawnReply = z.extend(drawnReply, { train });
export const revisionsReply = z.object({
  revisions: z.array(
    z.object({ version, savedAt: z.string(), name: z.nullable(z.string()), changed: z.nullable(z.string()) }),
  ),
});
const document = z.custom<object>((value) => typeof value === 'object' && value !== null);
/** Why what is kept does not read. */
const unreadable = z.string();
const besideRow = z.object({ id: z.string(), name: z.string(), savedAt: z.string() });
/** What is kept beside a train; each was read when it was kept, and may have been damaged since. */
export const besideReply = z.object({
  kept: z.array(z.union([z.extend(besideRow, { document }), z.extend(besideRow, { unreadable })])),
});
/** So many entries were taken out. */
export const takenReply = z.object({ taken: z.number() });

const logRow = z.object({ id: z.string(), savedAt: z.string() });
const logEntry = z.extend(logRow, { kind: entryKind, document });
/** A train's log as it was written. */
export const logReply = z.object({
  entries: z.array(z.union([logEntry, z.extend(logRow, { kind: z.string(), unreadable })])),
});
/** Who practises here, by name. */
export const peopleReply = z.object({ people: z.array(z.object({ id: z.string(), name: z.string() })) });
/** What a person has answered, the oldest first, and how many more do not read. */
export const answersReply = z.object({ answers: z.array(answerDocument), unreadable: z.number() });
/** Worksheets that are kept, the newest first, without what is in them. */
export const worksheetsReply = z.object({
  worksheets: z.array(z.object({ id: z.string(), name: z.string(), savedAt: z.string() })),
});
export const pictureReply = z.object({ id: z.string() });
/** What a bundle would bring, and what it brought. */
export const planReply = z.object({
  plan: z.object({
    trains: z.array(
      z.object({
        id: z.string(),
        name: z.string(),
        revisions: z.number(),
        readings: z.number(),
        pictures: z.number(),
        beside: z.number(),
        unreadable: z.number(),
        there: z.nullable(
          z.object({ name: z.string(), same: z.boolean(), inBin: z.boolean(), newEntries: z.number() }),
        ),
      }),
    ),
    worksheets: z.number(),
    people: z.number(),
  }),
});
export const restoredReply = z.object({
  restored: z.object({
    added: z.array(z.string()),
    replaced: z.array(z.string()),
    skipped: z.array(z.string()),
    merged: z.array(z.string()),
    renamed: z.array(z.object({ from: z.string(), to: z.string() })),
  }),
});
export const revisionReply = z.object({ train });
/** The trains on the shelf by name, without their documents, and how many there are. */
export const shelfReply = z.object({
  trains: z.array(
    z.custom<ShelfEntry>(
      (value) => z.looseObject({ id: z.string(), name: z.string(), version }).safeParse(value).success,
    ),
  ),
  total: z.number(),
});
/** A document that is kept under a key. */
export const documentReply = z.object({ document });
/** How the server is. */
export const healthReply = z.object({
  version: z.string(),
  database: z.string(),
  trains: z.number(),
  freeBytes: z.number(),
  workers: z.object({ threads: z.number(), busy: z.number(), waiting: z.number() }),
});
export const examplesReply = z.object({
  examples: z.array(
    z.object({ id: z.string(), name: z.string(), state: z.enum(['as it was', 'changed', 'not on the shelf']) }),
  ),
});
/** What goes with an honest status: a code for programs, a sentence for people; of a stale save, what is there now. */
export const failureReply = z.object({
  error: z.object({ code: z.string(), message: z.string(), current: z.optional(z.object({ version, train })) }),
});

export type Failure = z.infer<typeof failureReply>['error'];
/** A train with the version that its document was kept as. */
export type Kept = Pick<z.infer<typeof trainReply>, 'id' | 'version' | 'train'>;
/** A saved state of a train. */
export type Revision = z.infer<typeof revisionsReply>['revisions'][number];
/** A document that is kept beside a train. */
export type KeptBeside = z.infer<typeof besideReply>['kept'][number];
/** An entry of a train's log. */
export type LogEntry = z.infer<typeof logEntry>;
/** An entry that is kept and does not read, with why. */
export type UnreadableLogEntry = Exclude<z.infer<typeof logReply>['entries'][number], LogEntry>;
/** Someone who practises here: a name on this installation. */
export type Person = z.infer<typeof peopleReply>['people'][number];
/** What was answered. */
export type PracticeAnswer = z.infer<typeof answerDocument>;
/** What a bundle would bring. */
export type BundlePlan = z.infer<typeof planReply>['plan'];
/** What a bundle brought. */
export type BundleRestored = z.infer<typeof restoredReply>['restored'];
/** A worksheet that is kept. */
export type KeptWorksheet = z.infer<typeof worksheetsReply>['worksheets'][number];
/** A train that ships with the application, and whether it is on the shelf as it was. */
export type ExampleState = z.infer<typeof examplesReply>['examples'][number];

interface Listed {
  readonly id: string;
  readonly name: string;
  readonly version: number;
  readonly updatedAt: string;
}

/** A train as the shelf lists it: without its document, so that many can be listed at once. */
export type ReadableEntry = Listed & TrainSummary;
/** A train that is kept but does not read, and why. */
export type UnreadableEntry = Listed & { readonly unreadable: string };
export type ShelfEntry = ReadableEntry | UnreadableEntry;
