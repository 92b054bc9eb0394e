import { readTyped } from './read-typed.js';

const speak = (locale: string | undefined): void => {
  Object.defineProperty($localize, 'locale', { value: locale, configurable: true });
};
afterEach(() => speak(undefined));

/** What is understood of a line where a language is spoken: the sum, what goes into it, and what is left. */
const read = (typed: string, locale?: string): unknown => {
  speak(locale);
  const understood = readTyped(typed);
  return understood && { sum: understood.sum.id, values: understood.values, unread: understood.unread };
};

describe('a line that is typed in German', () => {
  // Source: identity, the same line in English.
  it.each([
    ['Rücken 240 Seiten 110 µm', 'spine 240 pages 110 um'],
    ['Rücken 240 S. 0,11 mm', 'spine 240 pp 0.11 mm'],
    ['Buchrücken von 320 S 90 µm mit Umschlag 280 µm', 'spine of 320 pp 90 um with cover 280 um'],
    ['Rolle 1000/76 0,1 mm', 'roll 1000/76 0.1 mm'],
    ['Durchmesser von 12.000 m 0,06 mm', 'diameter of 12,000 m 0.06 mm'],
    ['2.500 x 44 Seiten A4 auf B1', '2500 x 44 pages A4 on B1'],
    ['5.000 A5 auf SRA1 Beschnitt 3', '5000 A5 on SRA1 bleed 3'],
    ['210x297 aus 700x1000', '210x297 out of 700x1000'],
    ['Gewicht von 12.500 Bogen B1 135 g/m²', 'weight of 12500 sheets B1 135 g/m2'],
    ['50 Paletten auf einen LKW', '50 pallets on a truck'],
    ['10.000 Stück Druck 200 1,5 %, Schneiden 5 0,2 % x8', '10000 pieces Druck 200 1.5 %, Schneiden 5 0.2 % x8'],
    ['Mischung 5 kg: Gelb 3, Blau 1', 'mix 5 kg: Gelb 3, Blau 1'],
    ['zwei Stationen: Plan 90 40, Karte 30 60', 'two stations: Plan 90 40, Karte 30 60'],
    ['Prüfziffer 400638133393 GS1', 'check digit 400638133393 GS1'],
    ['74 Pfund text in g/m²', '74 lb text in gsm'],
    ['25,4 mm in Zoll', '25.4 mm in inch'],
    ['Treppung 64 Seiten 0,1 mm', 'creep 64 pages 0.1 mm'],
    ['Kraft der Stanzform 12 m', 'force of the die 12 m'],
  ])('is read as in English: %s', (german, english) => {
    const expected = read(english);
    expect(expected).toBeDefined();
    const { values, ...own } = read(german, 'de') as { values: Record<string, unknown> };
    const typed = (one: Record<string, unknown>): Record<string, unknown> => ({ ...one, route: undefined });
    expect(own).toEqual({ ...(expected as object), values: undefined });
    expect(typed(values)).toEqual(typed((expected as { values: Record<string, unknown> }).values));
  });

  it('is not read where English is spoken, and English is where German is', () => {
    expect(read('Rücken 240 Seiten 110 µm')).toBeUndefined();
    expect(read('spine 240 pp 110 um', 'de')).toEqual(read('spine 240 pp 110 um'));
  });

  it('tells what nothing was made of as it was typed', () => {
    expect(read('Rücken 240 Seiten 110 µm morgen', 'de')).toMatchObject({ unread: ['morgen'] });
  });
});
