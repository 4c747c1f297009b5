const MOST_PIXELS = 20_000_000;

/** Whether a picture of so many pixels may be kept: it has to be drawn by everybody who opens the log. */
export const isAllowedSize = (width: number, height: number): boolean =>
  width > 0 && height > 0 && width * height <= MOST_PIXELS;
