import type { Log } from '@/core/measurement';
import { messageOf } from '@/core/message-of';
import { refusalText } from '@/core/result';
import type { Train } from '@/core/train';
import { addToTrainLog, putBeside, putWorksheet } from '@/wire';

/** What a file is that someone brings, told by what is in it. */
export type Incoming =
  | { readonly kind: 'train'; readonly file: string; readonly train: Train }
  | { readonly kind: 'bundle'; readonly file: File }
  | { readonly kind: 'log'; readonly file: string; readonly log: Log }
  | { readonly kind: 'search' | 'scenario' | 'worksheet'; readonly file: string; readonly document: object }
  | { readonly kind: 'bad'; readonly file: string; readonly problems: readonly string[] };

const ZIP = 'PK';
const FORMATS: Readonly<Record<string, 'log' | 'search' | 'scenario' | 'worksheet'>> = {
  'tin-wheel/log': 'log',
  'tin-wheel/search': 'search',
  'tin-wheel/scenario': 'scenario',
  'tin-wheel/worksheet': 'worksheet',
};
/** The longest log that is taken in at once. */
const MOST_BYTES = 25_000_000;

/**
 * Tells what a file is: a zip is a bundle, JSON says its format, and what says none is read as a train; so is a text,
 * as a train in writing.
 */
export async function recognise(file: File): Promise<Incoming> {
  if ((await file.slice(0, 2).text()) === ZIP) return { kind: 'bundle', file };
  const bad = (...problems: string[]): Incoming => ({ kind: 'bad', file: file.name, problems });
  // Measured before it is read: a huge file never gets into memory.
  if (file.size > MOST_BYTES) return bad(tooLarge(file, MOST_BYTES, 'a file'));
  const text = await file.text();
  const format = formatOf(text);
  const kind = format === null ? undefined : FORMATS[format];
  if (kind === undefined) return readTrain(file, text, bad);
  if (kind !== 'log') return { kind, file: file.name, document: JSON.parse(text) as object };
  const { readLog } = await import('@/core/measurement');
  const log = readLog(text);
  return log.ok ? { kind, file: file.name, log: log.value } : bad(refusalText(log));
}

async function readTrain(file: File, text: string, bad: (...problems: string[]) => Incoming): Promise<Incoming> {
  const { MAX_TRAIN_BYTES, parseTrain, problemText } = await import('@/core/train');
  if (file.size > MAX_TRAIN_BYTES) return bad(tooLarge(file, MAX_TRAIN_BYTES, 'a train'));
  const { isWritten, readWritten } = await import('@/core/written-form');
  if (isWritten(file.name, text)) {
    const { train, problems } = readWritten(text);
    if (train) return { kind: 'train', file: file.name, train };
    return bad(...problems.map(({ place, message }) => `Line ${place.line}, column ${place.column}: ${message}`));
  }
  const parsed = parseTrain(text);
  return parsed.ok ? { kind: 'train', file: file.name, train: parsed.train } : bad(...parsed.problems.map(problemText));
}

const tooLarge = ({ size }: File, most: number, what: string): string =>
  `The file has ${Math.round(size / 1e6)} MB; ${what} has at most ${Math.round(most / 1e6)} MB.`;

function formatOf(text: string): string | null {
  try {
    const { format } = JSON.parse(text) as { readonly format?: unknown };
    return typeof format === 'string' ? format : null;
  } catch {
    return null;
  }
}

/** Where a file that belongs to a train is opened. */
export const SCREEN_OF = { log: 'log', search: 'teeth', scenario: 'shifting' } as const;

/** Takes a file in where it belongs. @param train whose it is; a worksheet is nobody's. @returns what went wrong */
export async function takeIn(
  incoming: Extract<Incoming, { kind: 'log' | 'search' | 'scenario' | 'worksheet' }>,
  train: string,
): Promise<string | null> {
  const name = incoming.file.replace(/\.json$/i, '').replace(/\.(search|scenario|worksheet|log)$/i, '');
  const answer = await send(incoming, train, name).catch((error: unknown) => ({
    ok: false as const,
    message: messageOf(error),
  }));
  return answer.ok ? null : answer.message;
}

async function send(
  incoming: Extract<Incoming, { kind: 'log' | 'search' | 'scenario' | 'worksheet' }>,
  train: string,
  name: string,
): Promise<{ readonly ok: true } | { readonly ok: false; readonly message: string }> {
  if (incoming.kind === 'log') {
    const { entriesOfLog, importName } = await import('@/core/measurement');
    return addToTrainLog(train, entriesOfLog(incoming.log, importName(incoming.file, new Date().toISOString())));
  }
  if (incoming.kind === 'worksheet') return putWorksheet(crypto.randomUUID(), name, incoming.document);
  const kind = incoming.kind === 'search' ? 'searches' : 'scenarios';
  return putBeside(kind, train, crypto.randomUUID(), name, incoming.document);
}
