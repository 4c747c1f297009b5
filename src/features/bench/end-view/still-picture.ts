import type { Station } from '@/core/end-view';
import { paintStill, type EndViewPaper, type EndViewFrame, type WheelInk } from './paint';
import { canvasPen } from './pen';
import { required } from '@/core/required';

/** What of a station stands still, as a picture that is made anew only when something of it changes. */
export class StillPicture {
  private canvas: OffscreenCanvas | null = null;
  private made: readonly unknown[] = [];

  of(
    station: Station,
    { width, height }: { readonly width: number; readonly height: number },
    view: EndViewFrame,
    inks: readonly WheelInk[],
    paper: EndViewPaper,
  ): OffscreenCanvas {
    const of = [station, width, height, view, inks, paper];
    if (this.canvas && of.every((one, i) => one === this.made[i])) return this.canvas;
    this.made = of;
    this.canvas = new OffscreenCanvas(width, height);
    paintStill(canvasPen(required(this.canvas.getContext('2d'))), station, view, inks, paper);
    return this.canvas;
  }
}
