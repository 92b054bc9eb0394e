import { readTyped } from './read-typed.js';

/** What a line is understood as: its sum, and what goes into it. */
const heard = (text: string): readonly [string, Record<string, unknown>] => {
  const understood = readTyped(text);
  return [understood?.sum.id ?? '', { ...understood?.values }];
};

const ROLL = { outer: 1000, core: 76, caliper: 100 };
const N_UP = { pieceWidth: 210, pieceHeight: 297, width: 640, height: 900 };

describe('a line as people type it', () => {
  it.each<[string, string, Record<string, unknown>]>([
    // Grades.
    ['74 lb text in gsm', 'basis-to-gsm', { pounds: 74, grade: 'text' }],
    ['74lb text to gsm', 'basis-to-gsm', { pounds: 74, grade: 'text' }],
    ['74# text', 'basis-to-gsm', { pounds: 74, grade: 'text' }],
    ['100 pounds cover', 'basis-to-gsm', { pounds: 100, grade: 'cover' }],
    ['20 lb bond as gsm', 'basis-to-gsm', { pounds: 20, grade: 'bond' }],
    ['110 lb index in g/m2', 'basis-to-gsm', { pounds: 110, grade: 'index' }],
    ['80 LB COVER in GSM', 'basis-to-gsm', { pounds: 80, grade: 'cover' }],
    ['67.5 lb bristol', 'basis-to-gsm', { pounds: 67.5, grade: 'bristol' }],
    ['150 lb tag paper', 'basis-to-gsm', { pounds: 150, grade: 'tag' }],
    ['120 gsm in lb text', 'gsm-to-basis', { gsm: 120, grade: 'text' }],
    ['300 gsm to cover', 'gsm-to-basis', { gsm: 300, grade: 'cover' }],
    ['90 g/m2 as pounds of bond', 'gsm-to-basis', { gsm: 90, grade: 'bond' }],
    ['115 gsm in text pounds', 'gsm-to-basis', { gsm: 115, grade: 'text' }],
    // Units.
    ['25.4 mm in inch', 'convert', { value: 25.4, way: 'mm to in' }],
    ['8.5 in to mm', 'convert', { value: 8.5, way: 'in to mm' }],
    ['8,5 inches as mm', 'convert', { value: 8.5, way: 'in to mm' }],
    ['100 kg in lb', 'convert', { value: 100, way: 'kg to lb' }],
    ['250 pounds to kg', 'convert', { value: 250, way: 'lb to kg' }],
    ['1200 m in feet', 'convert', { value: 1200, way: 'm to ft' }],
    ['300 ft to m', 'convert', { value: 300, way: 'ft to m' }],
    ['100 um in thou', 'convert', { value: 100, way: 'um to thou' }],
    ['12 mil to microns', 'convert', { value: 12, way: 'thou to um' }],
    ['12 pt in mm', 'convert', { value: 12, way: 'pt to mm' }],
    ['3 mm to points', 'convert', { value: 3, way: 'mm to pt' }],
    // Books.
    ['50 pallets on a truck', 'truck', { pallets: 50 }],
    ['50 pallets of 620 kg into containers', 'truck', { pallets: 50, kg: 620 }],
    ['truck 50 pallets 620 kg', 'truck', { pallets: 50, kg: 620 }],
    ['spine 240 pp 110 um', 'spine', { pages: 240, caliper: 110 }],
    ['spine 240pp 110µm', 'spine', { pages: 240, caliper: 110 }],
    ['spine of 240 pages, 0.11 mm', 'spine', { pages: 240, caliper: 110 }],
    ['240 pages 110 um spine', 'spine', { pages: 240, caliper: 110 }],
    ['spine 320 pp 90 micron cover 280', 'spine', { pages: 320, caliper: 90, cover: 280 }],
    ['creep 64 pp 0.1 mm', 'creep', { pages: 64, caliper: 100 }],
    ['creep 48 pages 110 um round', 'creep', { pages: 48, caliper: 110, method: 'round' }],
    ['sections of 300 pages', 'signatures', { pages: 300 }],
    ['signatures 196 pp', 'signatures', { pages: 196 }],
    // Rolls.
    ['roll 1000/76 0.1 mm', 'roll', ROLL],
    ['roll 1000/76 100 um', 'roll', ROLL],
    ['roll 1000 mm core 76 mm 100 um', 'roll', ROLL],
    ['reel 1000/76 0.1mm', 'roll', ROLL],
    ['diameter of 5000 m 90 um', 'roll-diameter', { length: 5000, caliper: 90 }],
    ['diameter 12,000 m 0.06 mm', 'roll-diameter', { length: 12_000, caliper: 60 }],
    // Paper.
    ['caliper 115 gsm bulk 0.8', 'caliper', { gsm: 115, bulk: 0.8 }],
    ['caliper of 150 g/m2 1.3 cm3/g', 'caliper', { gsm: 150, bulk: 1.3 }],
    ['bulk 110 um 90 gsm', 'bulk', { caliper: 110, gsm: 90 }],
    ['weight 700x1000 135 gsm 2500 sheets', 'paper-weight', { width: 700, height: 1000, gsm: 135, sheets: 2500 }],
    ['weight of 5000 sheets A1 90 gsm', 'paper-weight', { width: 594, height: 841, gsm: 90, sheets: 5000 }],
    ['weight SRA1 150 gsm', 'paper-weight', { width: 640, height: 900, gsm: 150 }],
    ['weight 25x38 in 104 gsm', 'paper-weight', { width: 635, height: 965.2, gsm: 104 }],
    ['conditioning 1 m3 10 k', 'conditioning', { volume: 1, kelvin: 10 }],
    ['cold paper 0.5 m3 15 degrees', 'conditioning', { volume: 0.5, kelvin: 15 }],
    // Layout.
    [
      '2500 x 44pp A4 on B1',
      'pages-on-sheet',
      { copies: 2500, pages: 44, pieceWidth: 210, pieceHeight: 297, width: 707, height: 1000 },
    ],
    [
      '2,500 x 44 pages A4 on B1',
      'pages-on-sheet',
      { copies: 2500, pages: 44, pieceWidth: 210, pieceHeight: 297, width: 707, height: 1000 },
    ],
    [
      '1000 copies of 64 pp A5 on 640x900',
      'pages-on-sheet',
      { copies: 1000, pages: 64, pieceWidth: 148, pieceHeight: 210, width: 640, height: 900 },
    ],
    ['A4 on SRA1', 'n-up', N_UP],
    ['A4 on sra1', 'n-up', N_UP],
    ['210x297 on 640x900', 'n-up', N_UP],
    ['210 x 297 mm on 640 x 900 mm', 'n-up', N_UP],
    ['5000 A4 on SRA1', 'n-up', { ...N_UP, wanted: 5000 }],
    ['A4 on SRA1 bleed 5', 'n-up', { ...N_UP, bleed: 5 }],
    ['85x55 on 450x320', 'n-up', { pieceWidth: 85, pieceHeight: 55, width: 450, height: 320 }],
    ['450x640 out of 640x900', 'out-of-parent', { pieceWidth: 450, pieceHeight: 640, width: 640, height: 900 }],
    ['A3 from 700x1000', 'out-of-parent', { pieceWidth: 297, pieceHeight: 420, width: 700, height: 1000 }],
    // Counts.
    ['10000 print 200 1.5 %, fold 60 1 %', 'press-sheets', { quantity: 10_000, route: 'print 200 1.5 %, fold 60 1 %' }],
    [
      '10,000 print 200 1.5 %, fold 60 1 %',
      'press-sheets',
      { quantity: 10_000, route: 'print 200 1.5 %, fold 60 1 %' },
    ],
    ['mix 5 kg Yellow 60, Red 30', 'mix', { kg: 5, parts: 'Yellow 60, Red 30' }],
    ['two stations Map 90 40, Card 30 60', 'two-stations', { jobs: 'Map 90 40, Card 30 60' }],
    ['Order at one machine: Map 90 1; Card 30 2', 'one-machine', { jobs: 'Map 90 1; Card 30 2' }],
    ['5000 x print 100 2%', 'press-sheets', { quantity: 5000, route: 'print 100 2%' }],
    [
      '800 copies, print 50 1 %, cut 5 0.2 % x8',
      'press-sheets',
      { quantity: 800, route: 'print 50 1 %, cut 5 0.2 % x8' },
    ],
    // Press and finishing.
    ['ink 10000 700x1000 30 %', 'ink', { impressions: 10_000, width: 700, height: 1000, coverage: 30 }],
    ['die force 12 m', 'die-force', { cut: 12 }],
    ['letter fold 297x210', 'panels', { kind: 'letter', length: 297, other: 210 }],
    ['gate fold 420 x 297', 'panels', { kind: 'gate', length: 420, other: 297 }],
    ['run 12000 8000 sheets/h', 'run-time', { sheets: 12_000, speed: 8000 }],
    // Quality and numbers.
    ['sample 1000', 'sampling', { lot: 1000 }],
    ['sampling lot 3200 level I', 'sampling', { lot: 3200 }],
    ['lot 500', 'sampling', { lot: 500 }],
    ['check 123456 mod 97-10', 'check-character', { digits: '123456', system: 'MOD 97-10' }],
    ['123456 mod 11-2', 'check-character', { digits: '123456', system: 'MOD 11-2' }],
    ['check digit of 400638133393 gs1', 'check-character', { digits: '400638133393', system: 'GS1 mod 10' }],
    ['check 079', 'check-character', { digits: '079' }],
    ['numbers 5000', 'number-list', { count: 5000 }],
  ])('%s', (text, sum, values) => {
    const [id, found] = heard(text);
    expect([id, found]).toEqual([sum, expect.objectContaining(values)]);
  });

  it('that nothing is known by gives nothing, and what was not made anything of is told', () => {
    for (const text of ['', '   ', 'hello', '12', 'a b c', '%%%', '9'.repeat(400), 'x'.repeat(10_000)])
      expect(readTyped(text)?.sum.id).toBeUndefined();
    expect(readTyped('spine 240 pp 110 um tomorrow 7 kg')?.unread).toEqual(['tomorrow', '7 kg']);
    expect(readTyped('spine 240 pp 110 um')?.unread).toEqual([]);
  });

  it('is read as far as it goes: what is missing stays open', () => {
    expect(heard('spine 240 pp')).toEqual(['spine', { pages: 240 }]);
    expect(heard('roll')).toEqual(['roll', {}]);
  });
});
