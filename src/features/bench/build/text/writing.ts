import { writeTrain, readWritten, type WrittenTrain } from '@/core/written-form';
import { modelOf } from '@/core/model';
import type { Train } from '@/core/train';
import { editTrain, endVisit } from '@/features/train/edit';
import type { TrainStore } from '@/features/train/store';
import { keepText, recallText, type KeptText } from '@/ui/written/kept-text';
import { patchedText } from './patched';

/** A train as the program writes it, written once for each document. */
const textOf = (train: Train): string => modelOf(train).derive(writeTrain);

/** After so long without a key an edit is settled: what follows is another step of undo. */
const SETTLED_MS = 900;

/** What the text says now. */
export interface Read {
  readonly text: string;
  readonly read: WrittenTrain;
  /** The text was typed for another state of the train, and does not read: it would undo what was changed since. */
  readonly outdated: boolean;
}

/** A train in writing beside its document: each follows the other. */
export interface Writing {
  /** What was typed; the document follows where it reads. */
  readonly type: (text: string) => void;
  /** The text of the document as the program writes it, in place of what was typed. */
  readonly beginAnew: () => void;
  readonly now: () => Read;
  readonly leave: () => void;
}

/**
 * @param tell what the text says, whenever that changes; with `outside` it was not typed, so the editor has to take it
 */
export function followText(store: TrainStore, tell: (read: Read, outside: boolean) => void): Writing {
  const { id, train: opened } = store.getState();
  let settled: ReturnType<typeof setTimeout> | undefined;
  let visit = 0;
  let applied: Train = opened;
  let now = begin(id, opened);

  const keep = () => {
    const { train } = store.getState();
    const of = textOf(train);
    keepText(id, now.text === of ? null : { text: now.text, of: now.read.train === train ? of : textOf(applied) });
  };
  const settle = () => {
    endVisit(store);
    visit++;
  };
  const type = (text: string) => {
    const { train } = store.getState();
    const read = readWritten(text, train);
    now = { text, read, outdated: now.outdated && read.train === null };
    if (read.train && read.train !== train) {
      applied = read.train;
      editTrain(store, read.train, { merge: `text ${visit}` });
    }
    clearTimeout(settled);
    settled = setTimeout(settle, SETTLED_MS);
    keep();
    tell(now, false);
  };
  const follow = (train: Train) => {
    // What does not read stays as it was typed.
    now = now.read.train
      ? followed({ text: now.text, of: textOf(applied) }, textOf(train), train)
      : { ...now, read: readWritten(now.text, train), outdated: true };
    applied = train;
    keep();
    tell(now, true);
  };
  const stop = store.subscribe(({ train }, before) => {
    if (train !== before.train && train !== applied) follow(train);
  });
  return {
    type,
    beginAnew: () => {
      const { train } = store.getState();
      const text = textOf(train);
      now = { text, read: readWritten(text, train), outdated: false };
      applied = train;
      keep();
      tell(now, true);
    },
    now: () => now,
    leave: () => {
      stop();
      clearTimeout(settled);
      settle();
    },
  };
}

function begin(id: string, train: Train): Read {
  const of = textOf(train);
  const kept = recallText(id);
  if (kept) {
    const read = readWritten(kept.text, train);
    // It does not read yet, and is not to be lost; or it says the same, in a person's own order and with his remarks.
    if (read.train === null) return { text: kept.text, read, outdated: kept.of !== of };
    if (read.train === train) return { text: kept.text, read, outdated: false };
    return followed(kept, of, train);
  }
  return { text: of, read: readWritten(of, train), outdated: false };
}

/**
 * A text as it follows a change of the train: line by line where that can be, so that remarks and order stay; else
 * written anew, with its remarks ahead.
 * @param of the train now, as the program writes it
 */
function followed(kept: KeptText, of: string, train: Train): Read {
  const patched = patchedText(kept.text, kept.of, of);
  const read = patched === null ? null : readWritten(patched, train);
  if (patched !== null && read?.train === train) return { text: patched, read, outdated: false };
  const anew = remarksOf(kept.text) + of;
  return { text: anew, read: readWritten(anew, train), outdated: false };
}

/** Whole lines of remarks, which a text that is written anew would lose. */
function remarksOf(text: string): string {
  const remarks = text.split(/\r\n|\n|\r/).filter((line) => line.trim().startsWith('#'));
  return remarks.length === 0 ? '' : `${remarks.join('\n')}\n\n`;
}
