'use client';

import { useMemo, useSyncExternalStore, type ReactNode } from 'react';
import type { Train } from '@/core/train';
import type { TrainScreen } from './screens';
import { TrainFrame } from './train-frame';

interface Props {
  readonly id: string;
  readonly version: number;
  readonly name: string;
  /** As it is kept; the server found that it reads. */
  readonly document: string;
  readonly screens: readonly TrainScreen[];
  readonly children: ReactNode;
}

/** Opens a train in the browser: what a large train takes to solve and draw keeps nobody else waiting on the server. */
export function TrainOpening({ id, version, name, document, screens, children }: Props) {
  const inBrowser = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  const train = useMemo(() => JSON.parse(document) as Train, [document]);
  if (inBrowser)
    return (
      <TrainFrame key={id} id={id} version={version} train={train} screens={screens}>
        {children}
      </TrainFrame>
    );
  return (
    <main className="flex min-h-dvh flex-col">
      <h1 className="border-b border-base-content px-5.5 py-2.5 text-lg font-semibold">{name}</h1>
      <p className="muted m-auto">Setting the train up…</p>
    </main>
  );
}

const never = () => () => undefined;
