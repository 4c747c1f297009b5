/**
 * The fonts that the page is using now as style rules that carry the fonts in themselves, for a picture that leaves the
 * page. Fonts come from this very site.
 */
export async function embeddedFonts(): Promise<string> {
  const loaded = new Set(
    [...document.fonts]
      .filter(({ status }) => status === 'loaded')
      .map(({ family, weight, unicodeRange }) => faceKey(family, weight, unicodeRange)),
  );
  const rules = [...document.styleSheets]
    .flatMap((sheet) => [...sheet.cssRules])
    .filter((rule) => rule instanceof CSSFontFaceRule);
  const used = rules.filter(({ style }) =>
    loaded.has(
      faceKey(
        style.getPropertyValue('font-family'),
        style.getPropertyValue('font-weight'),
        style.getPropertyValue('unicode-range'),
      ),
    ),
  );
  const texts = await Promise.all(
    used.map(async ({ style, parentStyleSheet }) => {
      const address = /url\("?([^")]+)"?\)/.exec(style.getPropertyValue('src'))?.[1];
      if (address === undefined) return '';
      const font = await (await fetch(new URL(address, parentStyleSheet?.href ?? location.href))).blob();
      const described = ['font-family', 'font-weight', 'unicode-range'].map(
        (name) => `${name}:${style.getPropertyValue(name)}`,
      );
      return `@font-face{${described.join(';')};src:url(${await dataAddress(font)})}`;
    }),
  );
  return texts.join('');
}

/** Browsers write names and ranges in more than one way. */
const faceKey = (family: string, weight: string, range: string): string =>
  `${family} ${weight} ${range}`.toLowerCase().replace(/["'\s]|(?<=u\+)0+(?=[0-9a-f])/g, '');

const dataAddress = (blob: Blob): Promise<string> =>
  new Promise((done, fail) => {
    const reader = new FileReader();
    reader.onload = () => done(reader.result as string);
    reader.onerror = () => fail(reader.error ?? new Error('The font could not be read.'));
    reader.readAsDataURL(blob);
  });
