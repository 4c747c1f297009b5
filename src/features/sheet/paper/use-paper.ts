import { createContext, useContext, useEffect, useMemo } from 'react';
import { useStore } from 'zustand';
import type { DrawnTrain } from '@/core/drawing';
import { sheetInWords, sheetOf, type DesignSheet } from '@/core/sheet';
import { createTrainLog, trainLogOf } from '@/features/train/log/train-log';
import { ownOf } from '@/features/train/session';
import { stationsOf } from '@/features/train/side-views';
import { useSideView } from '@/features/train/use-side-view';
import { useSession, useTrain } from '@/features/train/use-train';
import { usePreferences } from '@/ui/preferences';
import { longDayText } from '@/ui/when';
import { useInput, useSheet } from '../use-sheet';

/** The sheet as it is composed now, with the side view that it shows. */
export interface ComposedPaper {
  readonly sheet: DesignSheet;
  readonly drawn: DrawnTrain;
}

export const PaperContext = createContext<ComposedPaper | null>(null);

export function usePaper(): ComposedPaper {
  const paper = useContext(PaperContext);
  if (!paper) throw new Error('No sheet is composed here.');
  return paper;
}

/** Composes the sheet, once for all that show it or save it. */
export function useComposing(): ComposedPaper {
  const session = useSession();
  const log = ownOf(session, createTrainLog);
  const entries = useStore(log.store, (state) => state.entries);
  useEffect(() => void log.load(), [log]);
  const train = useTrain((state) => state.train);
  const version = useTrain((state) => state.version);
  const convention = usePreferences((state) => state.convention);
  const words = usePreferences((state) => state.words);
  const { speedRpm, torqueNm, loads } = useInput();
  const sections = useSheet((state) => state.sections);
  const style = useSheet((state) => state.style);
  const by = useSheet((state) => state.by);
  const revision = useSheet((state) => state.revision);
  const without = useSheet((state) => state.without);
  const drawn = useSideView(train);
  const own = useMemo(
    () =>
      sheetOf(
        train,
        {
          sections,
          style,
          convention,
          speedRpm,
          torqueNm,
          loads,
          by,
          revision: revision || `saved state ${version}`,
          date: longDayText(new Date()),
          stations: stationsOf(train)
            .map(({ key }) => key)
            .filter((key) => !without.includes(key)),
          log: entries && trainLogOf(entries),
        },
        drawn.ok ? drawn.view.order : [],
      ),
    [train, version, sections, style, convention, speedRpm, torqueNm, loads, by, revision, without, entries, drawn],
  );
  const sheet = useMemo(() => sheetInWords(own, train, words), [own, train, words]);
  return { sheet, drawn };
}
