import { useTrain } from '@/features/train/use-train';
import { SheetDocument } from '@/figures/sheet/sheet-document';
import { useSheet } from '../use-sheet';
import { usePaper } from './use-paper';

/** Where the sheet stands on the page. */
export const PAPER = 'sheet-paper';
const WIDTH = { A4: '210mm', Letter: '216mm' } as const;

/** The sheet as it will be printed: the preview is the page. */
export function PaperPane() {
  const train = useTrain((state) => state.train);
  const paper = useSheet((state) => state.paper);
  const { sheet, drawn } = usePaper();
  return (
    <div
      className="min-h-0 flex-1 overflow-auto bg-base-300 p-4 print:overflow-visible print:bg-white print:p-0"
      tabIndex={0}
      role="region"
      aria-label="The page"
    >
      <style>{`@page{size:${paper};margin:12mm}@media print{html,body{background:#fff!important}}`}</style>
      <div
        id={PAPER}
        style={{ width: WIDTH[paper] }}
        className="mx-auto bg-white p-[12mm] shadow-md print:w-auto! print:p-0 print:shadow-none"
      >
        <SheetDocument sheet={sheet} train={train} view={drawn.ok ? drawn.view : null} />
      </div>
    </div>
  );
}
