'use client';

import ApexCharts from 'apexcharts';
import ReactApexChart from 'react-apexcharts';

/** The library that draws plots: large, so it is a file of its own. */
export const Plot = ReactApexChart;

/** Pixels of a PNG for one of the screen: sharp on paper too. */
const SHARPNESS = 3;

/** A plot that is shown, as the bytes of a PNG. */
export async function pngOf(id: string): Promise<Uint8Array<ArrayBuffer>> {
  const { imgURI } = (await ApexCharts.exec(id, 'dataURI', { scale: SHARPNESS })) as { imgURI: string };
  return Uint8Array.from(atob(imgURI.slice(imgURI.indexOf(',') + 1)), (letter) => letter.charCodeAt(0));
}
