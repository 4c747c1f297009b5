/** A CSS colour, a variable among them, as numbers that every drawing library reads. */
export function plainColor(color: string): string {
  const { theme } = document.documentElement.dataset;
  const key = `${theme} ${color}`;
  const known = plain.get(key);
  if (known !== undefined) return known;
  const name = /^var\((--[\w-]+)\)$/.exec(color)?.[1];
  const value = name ? getComputedStyle(document.documentElement).getPropertyValue(name).trim() : color;
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [1, 1];
  const pen = canvas.getContext('2d', { willReadFrequently: true });
  if (!pen) return value;
  pen.fillStyle = value;
  pen.fillRect(0, 0, 1, 1);
  const [r = 0, g = 0, b = 0] = pen.getImageData(0, 0, 1, 1).data;
  const found = `rgb(${r}, ${g}, ${b})`;
  plain.set(key, found);
  return found;
}

const plain = new Map<string, string>();
