import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { cache, type ReactNode } from 'react';
import { SPACES } from '@/core/drawing';
import { databaseOrReason } from '@/server/database';
import { drawDocument, isSlowToDraw } from '@/server/heavy';
import { findTrain } from '@/server/trains/repository';
import { NoDatabase } from '../../no-database';
import { OpenWithScreens } from './open-with-screens';
import { UnreadableTrain } from './unreadable';

export const dynamic = 'force-dynamic';

interface Props {
  params: Promise<{ id: string }>;
  children: ReactNode;
}

const find = cache(async (id: string) => {
  const opened = await databaseOrReason();
  return 'reason' in opened ? opened : findTrain(opened.database, id);
});

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const found = await find((await params).id);
  if (found && 'reason' in found) return { title: 'The shelf cannot be opened' };
  const name = found?.name ?? 'Not on the shelf';
  return { title: { default: name, template: `%s · ${name} · Tin Wheel` } };
}

/** A train, loaded once for all its screens. */
export default async function TrainLayout({ params, children }: Props) {
  const found = await find((await params).id);
  if (!found) notFound();
  if ('reason' in found) return <NoDatabase reason={found.reason} />;
  const { id, version, name, document, unreadable } = found;
  if (unreadable !== null) return <UnreadableTrain id={id} name={name} why={unreadable} />;
  // It will be asked for as soon as the page stands.
  if (isSlowToDraw(document))
    drawDocument(document, SPACES.bench, { better: false }).catch((error: unknown) => console.error(error));
  return (
    <OpenWithScreens id={id} version={version} name={name} document={document}>
      {children}
    </OpenWithScreens>
  );
}
