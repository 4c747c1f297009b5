import type { Station, TurnsOf } from '@/core/end-view';
import { embeddedFonts } from '@/ui/picture/embedded-fonts';
import { standaloneSvg } from '@/ui/picture/standalone-svg';
import { fitView, paintMoving, paintStill, type EndViewPaper, type WheelInk } from '../end-view/paint';
import { svgPen } from '../end-view/pen';

const paperColor = (): string => getComputedStyle(document.documentElement).getPropertyValue('--color-base-100');

/** The side view as it stands on the page, whole whatever the zoom; complete in itself. Null while there is none. */
export async function sideViewSvg(title: string): Promise<string | null> {
  const drawing = document.querySelector<SVGSVGElement>('svg[data-drawing="side-view"]');
  if (!drawing) return null;
  return standaloneSvg(drawing, title, paperColor(), await embeddedFonts());
}

const SIZE = 600;
const MARGIN = 16;

/** What is seen of a station: what turns, and how it looks. */
export interface StationSight {
  readonly station: Station;
  readonly phases: readonly number[];
  readonly turns: TurnsOf;
  readonly inks: readonly WheelInk[];
  readonly paper: EndViewPaper;
}

/** The end view at a station as it stands now. */
export function endViewSvg(title: string, { station, phases, turns, inks, paper }: StationSight): string {
  const svg = document.createElementNS('http://www.w3.org/2000/svg', 'svg');
  svg.setAttribute('viewBox', `0 0 ${SIZE} ${SIZE}`);
  const [pen, view] = [svgPen(svg), fitView(station, SIZE, SIZE, MARGIN)];
  paintStill(pen, station, view, inks, paper);
  paintMoving(pen, station, phases, turns, view, inks, paper);
  document.body.append(svg);
  try {
    return standaloneSvg(svg, title, paperColor());
  } finally {
    svg.remove();
  }
}
