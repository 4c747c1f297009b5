import { demoTrains } from '@/testing/demo-train';
import { checkDesign } from '../checks';
import { sheetOf, SECTIONS, type SectionKey } from '../sheet';
import { inOwnWords, inWords, namesIn, OWN_WORDS, WORD_CHOICES, type PartWords } from './schools';

const BRITISH: PartWords = { countershaft: 'layshaft', ring: 'annulus', oneWay: 'freewheel' };

test.each([
  ['The one-way clutch C holds; one-way clutches overrun.', 'The freewheel C holds; freewheels overrun.'],
  ['One-way clutches', 'Freewheels'],
  ['A ring, a ring gear, the Ring and two rings', 'An annulus, an annulus, the Annulus and two annuli'],
  ['A countershaft box, with its countershafts', 'A layshaft box, with its layshafts'],
  ['keep ring = sun + 2 planets', 'keep annulus = sun + 2 planets'],
  // Words that only contain one stay.
  ['bring the string, one way only, ring-shaped', 'bring the string, one way only, ring-shaped'],
])('%s', (own, told) => {
  expect(inWords(own, BRITISH)).toBe(told);
  expect(inWords(own, OWN_WORDS)).toBe(own);
});

test('names that people gave stay, whatever they are', () => {
  const names = ['held ring', 'Old countershaft', 'ring'];
  expect(inWords('the internal gear on held ring drives Old countershaft, a countershaft', BRITISH, names)).toBe(
    'the internal gear on held ring drives Old countershaft, a layshaft',
  );
  expect(inWords('ring turns with Held ring, strings and rings', BRITISH, names)).toBe(
    'ring turns with Held ring, strings and annuli',
  );
});

test('in no school a text of a train’s sheet or checks keeps an own word outside its names', () => {
  const own = /(?<![\w-])(countershaft|ring|one-way)s?(?![\w-])/i;
  const asked = { sections: Object.keys(SECTIONS) as SectionKey[], style: 'sheet', convention: 'in/out' } as const;
  for (const train of demoTrains()) {
    const names = namesIn(train);
    const texts = [
      JSON.stringify(sheetOf(train, { ...asked, speedRpm: 30, torqueNm: 1 }).sections.map(({ blocks }) => blocks)),
      ...checkDesign(train).flatMap(({ what, why, mend }) => [what, why, mend]),
    ];
    for (const text of texts) {
      const told = inWords(text, BRITISH, names);
      const left = names
        .filter((name) => own.test(name))
        .sort((a, b) => b.length - a.length)
        .reduce(
          (rest, name) => rest.replaceAll(new RegExp(name, 'gi'), ''),
          told.replace(/"(id|gear|member|key)":"[^"]*"/g, ''),
        );
      expect(left).not.toMatch(own);
    }
  }
});

test.each(Object.entries(WORD_CHOICES))(
  'the words of every school for a %s are the own one in a search',
  (key, words) => {
    for (const word of words) expect(inOwnWords(`salt ${word}`)).toBe(`salt ${OWN_WORDS[key as keyof PartWords]}`);
    expect(inOwnWords('Annuli')).toBe('ring');
  },
);
