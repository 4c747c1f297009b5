import { renderToStaticMarkup } from 'react-dom/server';
import { drawSideView, QUICK, SPACES } from '@/core/drawing';
import { SECTIONS, sheetInWords, sheetOf, type SectionKey } from '@/core/sheet';
import type { Train } from '@/core/train';
import { SPEED_UNITS, TORQUE_UNITS } from '@/core/units';
import { sheetMarkdown } from '@/figures/sheet/markdown';
import { sheetPage } from '@/figures/sheet/sheet-css';
import { SheetDocument } from '@/figures/sheet/sheet-document';
import { UsageError, type Options } from '../options';

/** The sheet of a train as a page with its drawings, or as Markdown. */
export function sheetText(
  train: Train,
  {
    format = 'html',
    speed,
    torque,
    convention,
    words,
  }: Pick<Options, 'format' | 'speed' | 'torque' | 'convention' | 'words'>,
): string {
  if (format !== 'html' && format !== 'markdown') throw new UsageError('--format is html or markdown.');
  const drawn = drawSideView(train, SPACES.bench, { effort: QUICK });
  const own = sheetOf(
    train,
    {
      sections: Object.keys(SECTIONS) as SectionKey[],
      style: 'sheet',
      convention,
      speedRpm: speed ? (speed.value * SPEED_UNITS[speed.unit]) / SPEED_UNITS.rpm : null,
      torqueNm: torque ? torque.value * TORQUE_UNITS[torque.unit] : null,
    },
    drawn.ok ? drawn.view.order : [],
  );
  const sheet = sheetInWords(own, train, words);
  if (format === 'markdown') return sheetMarkdown(sheet);
  const body = renderToStaticMarkup(<SheetDocument sheet={sheet} train={train} view={drawn.ok ? drawn.view : null} />);
  return sheetPage(train.name, body);
}
