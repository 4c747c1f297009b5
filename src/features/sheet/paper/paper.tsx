import { useRef } from 'react';
import { useTrain } from '@/features/train/use-train';
import { SheetDocument } from '@/figures/sheet/sheet-document';
import { useSize } from '@/ui/use-size';
import { useSheet } from '../use-sheet';
import { usePaper } from './use-paper';

/** Where the sheet stands on the page. */
export const PAPER = 'sheet-paper';
const WIDTH_MM = { A4: 210, Letter: 216 } as const;
const PX_PER_MM = 96 / 25.4;
/** Smaller than this it could not be read: a narrower pane scrolls. */
const LEAST_ZOOM = 0.7;

/** The sheet as it will be printed: the preview is the page, made smaller where the pane is narrower. */
export function PaperPane() {
  const train = useTrain((state) => state.train);
  const paper = useSheet((state) => state.paper);
  const { sheet, drawn } = usePaper();
  const pane = useRef<HTMLDivElement>(null);
  const width = useSize(pane)?.width;
  const zoom = width === undefined ? 1 : width / (WIDTH_MM[paper] * PX_PER_MM);
  return (
    <div
      ref={pane}
      className="min-h-0 flex-1 overflow-auto bg-base-300 p-4 print:overflow-visible print:bg-white print:p-0"
      tabIndex={0}
      role="region"
      aria-label="The page"
    >
      <style>{`@page{size:${paper};margin:12mm}@media print{html,body{background:#fff!important}}`}</style>
      <div
        id={PAPER}
        style={{ width: `${WIDTH_MM[paper]}mm`, zoom: Math.min(1, Math.max(LEAST_ZOOM, zoom)) }}
        className="mx-auto bg-white p-[12mm] shadow-md print:w-auto! print:[zoom:1]! print:p-0 print:shadow-none"
      >
        <SheetDocument sheet={sheet} train={train} view={drawn.ok ? drawn.view : null} />
      </div>
    </div>
  );
}
