'use client';

import { History, Redo2, Undo2 } from 'lucide-react';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import { onDemand, whenIdle } from '@/ui/on-demand';
import { HelpButton } from '@/help/help';
import { ThemeSwitch } from '@/ui/theme-switch';
import { redo, undo } from '../edit';
import { useHistory, useTrainStore } from '../use-train';
import { BarButton } from './bar-button';
import { CopyLink } from './copy-link';
import { FigureChoices } from './figure-choices';
import { SaveNote } from './save-note';
import type { TrainScreen } from './screens';
import { ScreensRow } from './screens-row';
import { TrainName } from './train-name';

const RevisionsDialog = onDemand(async () => (await import('../revisions/revisions-dialog')).RevisionsDialog);

interface Props {
  readonly screens: readonly TrainScreen[];
  readonly here: TrainScreen | undefined;
  readonly onHelp: () => void;
  /** Takes the place where a screen puts its own buttons. */
  readonly slot: (place: HTMLElement | null) => void;
}

/** The bar that stays above all screens of a train. */
export function TopBar({ screens, here, onHelp, slot }: Props) {
  const store = useTrainStore();
  const canUndo = useHistory((history) => history.pastStates.length > 0);
  const canRedo = useHistory((history) => history.futureStates.length > 0);
  const [revisions, setRevisions] = useState(false);
  useEffect(() => whenIdle([RevisionsDialog.load]), []);
  return (
    <header
      className={
        'flex flex-wrap items-center gap-x-2 gap-y-1 border-b ' +
        'border-base-content px-4 py-1.5 xl:gap-x-4 print:hidden'
      }
    >
      <Link href="/" className="link-hover muted text-sm">
        Shelf
      </Link>
      <TrainName />
      <ScreensRow screens={screens} here={here} />
      <span className="flex-1" />
      <SaveNote />
      <div className="flex">
        <BarButton
          label="Undo"
          title="Undo (Ctrl Z)"
          onPress={() => undo(store)}
          disabled={!canUndo}
          icon={<Undo2 className="size-4" aria-hidden />}
        />
        <BarButton
          label="Redo"
          title="Redo (Ctrl Shift Z)"
          onPress={() => redo(store)}
          disabled={!canRedo}
          icon={<Redo2 className="size-4" aria-hidden />}
        />
      </div>
      <FigureChoices />
      <div className="flex">
        <BarButton
          label="Revisions"
          onPress={() => setRevisions(true)}
          icon={<History className="size-4" aria-hidden />}
        />
        <span ref={slot} className="flex" />
        <CopyLink />
        <HelpButton onPress={onHelp} />
        <ThemeSwitch />
      </div>
      {revisions && <RevisionsDialog.Shown onClose={() => setRevisions(false)} />}
    </header>
  );
}
