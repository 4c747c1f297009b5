import { required } from '@/core/required';
/** Pixels of a PNG for one of the drawing: sharp on paper too. */
const SHARPNESS = 3;

/** An SVG, complete in itself, as a PNG. Throws an Error with a sentence when the browser cannot draw it. */
export async function pngOf(svg: string): Promise<Blob> {
  const address = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }));
  try {
    const image = new Image();
    image.src = address;
    await image.decode();
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [image.naturalWidth * SHARPNESS, image.naturalHeight * SHARPNESS];
    required(canvas.getContext('2d')).drawImage(image, 0, 0, canvas.width, canvas.height);
    const png = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'));
    if (!png) throw new Error('The picture is too large for this browser. Save it as SVG.');
    return png;
  } finally {
    URL.revokeObjectURL(address);
  }
}
