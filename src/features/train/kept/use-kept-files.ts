'use client';

import { useContext, useEffect, useMemo, useState } from 'react';
import { capitalised } from '@/core/capitalised';
import { SessionContext } from '@/features/train/use-train';
import { deleteBeside, putBeside, readBeside, type BesideKind, type KeptBeside } from '@/wire';

interface Asked {
  readonly kind: BesideKind;
  readonly format: string;
  readonly beside: string | null;
  readonly noun: string;
  /** The document as it stands, a file's text. */
  readonly text: string;
  /** Shows one; what is wrong with it, or null. */
  readonly onOpen: (text: string) => string | null;
}

/** What of a kind is kept beside the open train, which of it is open, and what was last done with it. */
export function useKeptFiles({ kind, format, beside, noun, text, onOpen }: Asked) {
  const opened = useContext(SessionContext)?.id ?? null;
  const id = beside ?? opened;
  const [all, setKept] = useState<readonly KeptBeside[]>([]);
  const kept = useMemo(() => all.filter((one) => isOf(one, format)), [all, format]);
  const [open, setOpen] = useState('');
  const [name, setName] = useState('');
  const [told, setTold] = useState<{ readonly text: string; readonly bad: boolean } | null>(null);
  const Noun = capitalised(noun);
  const readAgain = async (train: string) => {
    const answer = await readBeside(kind, train);
    if (answer.ok) setKept(answer.value.kept);
    else setTold({ text: answer.message, bad: true });
  };
  useEffect(() => {
    let left = false;
    if (id !== null) void readBeside(kind, id).then((answer) => !left && answer.ok && setKept(answer.value.kept));
    return () => void (left = true);
  }, [kind, id]);
  const show = (key: string) => {
    const found = kept.find((one) => one.id === key);
    setOpen(key);
    setTold(null);
    if (!found) return;
    const wrong = 'document' in found ? onOpen(JSON.stringify(found.document)) : found.unreadable;
    if (wrong === null) setName(found.name);
    else setTold({ text: `“${found.name}” is saved, but it cannot be opened. ${wrong}`, bad: true });
  };
  const keep = async () => {
    if (id === null) return;
    const called = name.trim() || `${Noun} ${kept.length + 1}`;
    // Under the name of one that is kept, it takes its place.
    const key = kept.find((one) => one.name === called)?.id ?? crypto.randomUUID();
    const answer = await putBeside(kind, id, key, called, JSON.parse(text) as object);
    setTold({ text: answer.ok ? `“${called}” is saved with this train.` : answer.message, bad: !answer.ok });
    if (!answer.ok) return;
    await readAgain(id);
    setOpen(key);
    setName(called);
  };
  const forget = async () => {
    if (id === null || open === '') return;
    const answer = await deleteBeside(kind, id, open);
    setTold({ text: answer.ok ? 'It is no longer saved.' : answer.message, bad: !answer.ok });
    setOpen('');
    await readAgain(id);
  };
  const openFile = async (file: File) => {
    const wrong = onOpen(await file.text());
    setTold(
      wrong === null ? { text: `${file.name} is open.`, bad: false } : { text: `${file.name}: ${wrong}`, bad: true },
    );
  };
  return { id, kept, open, name, told, setName, show, keep, forget, openFile };
}

/** What does not read may be of any format. */
const isOf = (one: KeptBeside, format: string): boolean =>
  !('document' in one) || (one.document as { readonly format?: unknown }).format === format;
