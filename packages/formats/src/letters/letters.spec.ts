import { fileURLToPath } from 'node:url';
import { type SpokenWords, speak } from '@druckerei/contract/speak';
import { textOf } from '../pdf/text-of.fixture.js';
import { destructionPdf } from './destruction.js';
import { offerPdf } from './offer.js';
import { purchaseCsv, purchasePdf } from './purchase.js';
import { tongueOf } from './tongue.js';

/** Whether German is spoken at the moment. */
let german = false;
beforeAll(async () => {
  const catalogue = fileURLToPath(new URL('../../../../scripts/words/catalogue.mjs', import.meta.url));
  const { readSources, spoken } = (await import(catalogue)) as {
    readSources: () => { said: readonly unknown[] };
    spoken: (language: string, said: readonly unknown[]) => SpokenWords;
  };
  speak(spoken('de', readSources().said), () => german);
});
afterAll(() => {
  $localize.translate = undefined;
  Object.defineProperty($localize, 'locale', { value: undefined, configurable: true });
});
const inGerman = <Result>(act: () => Result): Result => {
  german = true;
  const made = act();
  german = false;
  return made;
};

describe('an offer as it is sent', () => {
  it('says what is offered, at which prices and until when; not what it costs', async () => {
    const pdf = await offerPdf({
      number: 'O-26-018',
      at: new Date('2026-11-23T12:00:00Z'),
      works: { name: 'Haldenbruck Print Works', place: 'Haldenbruck' },
      customer: 'Fernhollow Chamber Choir',
      title: 'Concert programme',
      description: ['Saddle-stitched', 'Section of 32 pages: 210 x 297 mm, Silk 90 g, colours 4 / 4'],
      currency: 'EUR',
      until: '2026-12-23',
      note: 'Proof within two days.',
      lines: [{ quantity: 3_000, price: 2_957.34, perThousand: 985.78 }],
    });
    const text = await textOf(pdf);
    for (const words of [
      'Haldenbruck Print Works | Haldenbruck',
      'Offer O-26-018',
      'Fernhollow Chamber Choir',
      'Made on 2026-11-23; it holds until 2026-12-23.',
      'colours 4 / 4',
      '3,000 2,957.34 985.78',
      'Proof within two days.',
    ])
      expect(text).toContain(words);
    expect(text).not.toMatch(/cost|margin/i);
  });
});

describe('an order to a supplier as it is sent', () => {
  const order = {
    number: 'P-26-031',
    at: new Date('2026-11-23T12:00:00Z'),
    works: { name: 'Haldenbruck Print Works', letterhead: 'Weir Lane 4\nBank 77 00 12' },
    currency: 'EUR',
    isDraft: false,
    supplier: { name: 'Millrace Paper Merchants', address: 'Sluice Yard 2\nGreywater', reference: '40117' },
    expected: '2026-12-01',
    note: 'On pallets.',
    lines: [
      { name: 'Silk coated 135 g', quantity: 6_000, unit: 'sheets', price: 577.02 },
      { name: 'Ink K', quantity: 2.5, unit: 'kg', price: null },
    ],
  };

  it('says who orders what from whom, by when, and the sum of the prices that are agreed', async () => {
    const text = await textOf(await purchasePdf(order));
    for (const words of [
      'Weir Lane 4 Bank 77 00 12',
      'Sluice Yard 2 Greywater',
      'Our number with you: 40117',
      'wanted on 2026-12-01',
      '6,000 sheets 577.02',
      '2.5 kg as agreed',
      'Sum of the prices told 577.02',
      'On pallets.',
    ])
      expect(text).toContain(words);
    expect(text).not.toContain('Draft');
    expect(await textOf(await purchasePdf({ ...order, isDraft: true }))).toContain('Draft, not sent');
  });

  it('is a table with a line each', () => {
    expect(purchaseCsv(order).split('\r\n')).toEqual([
      'Order,Line,What,Quantity,Unit,"Price, EUR",Wanted on',
      'P-26-031,1,Silk coated 135 g,6000,sheets,577.02,2026-12-01',
      'P-26-031,2,Ink K,2.5,kg,,2026-12-01',
    ]);
  });
});

describe('papers in the language of whom they go to', () => {
  it('writes numbers and dates as their place does (common practice, no source)', () => {
    const of = (locale: string): string[] => {
      const { number, day, quantity } = tongueOf(locale);
      return [
        number(1234.5, 2),
        day('2026-12-01'),
        quantity(2_500, 'sheets'),
        quantity(1, 'rolls'),
        quantity(2.5, 'kg'),
      ];
    };
    expect(inGerman(() => of('de-DE'))).toEqual(['1.234,50', '1. Dezember 2026', '2.500 Bogen', '1 Rolle', '2,5 kg']);
    expect(of('en-US')).toEqual(['1,234.50', 'December 1, 2026', '2,500 sheets', '1 roll', '2.5 kg']);
    expect(of('fr-FR')[1]).toBe('1 décembre 2026');
    expect(tongueOf(undefined).day('2026-12-01')).toBe('2026-12-01');
  });

  it('offers in German, without a word of English', async () => {
    const text = await textOf(
      await inGerman(() =>
        offerPdf({
          number: 'O-26-018',
          at: new Date('2026-11-23T12:00:00Z'),
          works: { name: 'Haldenbruck' },
          locale: 'de-DE',
          customer: 'Fernhollow',
          title: 'Programmheft',
          description: ['Broschüre mit Rückstichheftung', 'Farben 4 / keine'],
          currency: 'EUR',
          until: '2026-12-23',
          lines: [{ quantity: 3_000, price: 2_957.34, perThousand: 985.78 }],
        }),
      ),
    );
    for (const said of [
      'Angebot O-26-018',
      'Erstellt am 23. November 2026; gültig bis 23. Dezember 2026.',
      'Broschüre mit Rückstichheftung',
      'Farben 4 / keine',
      'Auflage Preis, EUR Je tausend, EUR',
      '3.000 2.957,34 985,78',
    ])
      expect(text).toContain(said);
    expect(text).not.toMatch(/Offer|Made|until|Quantity|Price|thousand/);
  });

  it('orders in German, on paper and as a table whose figures programs read', async () => {
    const order = {
      number: 'P-1',
      at: new Date('2026-11-23T12:00:00Z'),
      works: { name: 'Haldenbruck' },
      locale: 'de-DE',
      currency: 'EUR',
      isDraft: true,
      supplier: { name: 'Millrace', reference: '40117' },
      expected: '2026-12-01',
      lines: [
        { name: 'Silk 135 g', quantity: 6_000, unit: 'sheets', price: 577.02 },
        { name: 'Ink K', quantity: 2.5, unit: 'kg', price: null },
      ],
    };
    const text = await textOf(await inGerman(() => purchasePdf(order)));
    for (const said of [
      'Bestellung P-1',
      'Entwurf, nicht versandt',
      'Unsere Kundennummer bei Ihnen: 40117',
      'Liefertermin 1. Dezember 2026.',
      'Bezeichnung Menge Preis, EUR',
      '6.000 Bogen 577,02',
      '2,5 kg wie vereinbart',
      'Summe der genannten Preise 577,02',
    ])
      expect(text).toContain(said);
    expect(
      inGerman(() => purchaseCsv(order))
        .split('\r\n')
        .slice(0, 2),
    ).toEqual([
      'Bestellung,Position,Bezeichnung,Menge,Einheit,"Preis, EUR",Gewünscht am',
      'P-1,1,Silk 135 g,6000,sheets,577.02,2026-12-01',
    ]);
  });

  it('certifies in German what was destroyed', async () => {
    const sign = (by: string) => ({ by, entry: 1_234, at: '2026-11-28 10:12', sha256: 'a'.repeat(64) });
    const text = await textOf(
      await inGerman(() =>
        destructionPdf({
          ...{
            number: 'HB-1',
            title: 'Dauerkarten',
            customer: 'Ferry',
            how: 'shredded',
            place: 'Hof',
            locale: 'de-DE',
          },
          works: { name: 'Haldenbruck' },
          at: new Date('2026-11-28T09:12:00Z'),
          bags: [
            {
              ...{ bag: 'B-1', seal: 'S-77', station: 'Druck', count: 1_029, unit: 'sheet', pieces: 20_580 },
              counted: [sign('A')],
            },
          ],
          witnesses: [sign('B'), sign('C')],
          voided: [{ number: '000101', reason: 'verschmiert', remade: '000101' }],
          head: { entry: 12, sha256: 'e'.repeat(64) },
        }),
      ),
    );
    for (const said of [
      'Vernichtungsnachweis',
      '1 Beutel mit 1.029 gezählten Einheiten Makulatur, 20.580 Stück, wurde geschreddert. Ort: Hof.',
      'B-1 S-77 Druck 1.029 Bogen 20.580',
      'A, Beutel B-1 28.11.2026, 10:12 1.234',
      'Ungültige Nummern',
      'Bei Ausdruck endete das Buch mit Eintrag 12',
      'Das örtliche Recht und die Vorschriften des Ausgebers gehen vor',
    ])
      expect(text).toContain(said);
    expect(text).not.toMatch(/\b(bag|spoils|Counted|Seal|Entry|Hash|Voided|Reason|book)\b/);
  });
});
