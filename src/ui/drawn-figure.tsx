'use client';

import { useRef, useState, type ReactNode } from 'react';
import { FigureHead } from './figure-head';
import { embeddedFonts } from './picture/embedded-fonts';
import { pngOf } from './picture/png';
import { standaloneSvg } from './picture/standalone-svg';
import { fileName, saveFile } from './save-file';
import { useSize } from './use-size';
import { required } from '@/core/required';

interface Props {
  readonly title: string;
  /** What stands behind the title. */
  readonly beside?: ReactNode;
  /** The same figures as a table. */
  readonly table: () => ReactNode;
  readonly className?: string;
  /** The drawing for so much room: one svg. */
  readonly children: (width: number, height: number) => ReactNode;
}

/**
 * A drawing of figures that fills its room; the table behind it at a press, and the picture to take along. For what is
 * dragged and followed live, where a chart would be too slow.
 */
export function DrawnFigure({ title, beside, table, className = '', children }: Props) {
  const [asTable, setAsTable] = useState(false);
  const place = useRef<HTMLDivElement>(null);
  const size = useSize(place);
  const save = async () => {
    const svg = required(place.current).querySelector('svg');
    if (!svg) return;
    const paper = getComputedStyle(document.documentElement).getPropertyValue('--color-base-100');
    saveFile(
      fileName(title, '.png'),
      'image/png',
      await pngOf(standaloneSvg(svg, title, paper, await embeddedFonts())),
    );
  };
  return (
    <figure aria-label={title} className={`flex min-h-0 min-w-0 flex-col ${className}`}>
      <figcaption className="flex flex-wrap items-center gap-x-2 px-4 pt-1">
        <FigureHead title={title} beside={beside} table={asTable} onTable={setAsTable} onSave={() => void save()} />
      </figcaption>
      {asTable && <div className="min-h-0 flex-1 overflow-auto px-4">{table()}</div>}
      <div ref={place} className={asTable ? 'hidden' : 'relative min-h-0 flex-1'}>
        {size && size.width > 0 && size.height > 0 && children(size.width, size.height)}
      </div>
    </figure>
  );
}
