import { impose, pageRows, schemeById } from '../imposition/index.js';
import { type WebSetting, impressionsFor, layWeb, webMetres } from './commercial.js';
import { FLUTES, chooseDeckle, corrugatedKg, mediumMetres, planCorrugator } from './corrugated.js';
import { chooseRepeat, gravureCylinder, madeRepeats, repeatMm } from './repeat.js';

const setting: WebSetting = {
  webWidthMm: 880,
  cutOffMm: 578,
  edgeTrimMm: 5,
  pageAcrossMm: 216,
  pageAroundMm: 289,
  pagesPerCopy: 16,
  folder: 'straight',
  webs: 1,
  colours: 4,
};

describe('commercial web', () => {
  it('holds four pages across and two around, 16 a cut-off on both sides, 64 panel plates (identity)', () => {
    expect(layWeb(setting, 'web').layout).toMatchObject({
      across: 4,
      around: 2,
      pagesPerCutOff: 16,
      copiesPerCutOff: 1,
      plates: 1 * 2 * 4 * 2 * 4,
    });
  });

  it('halves the copies a cut-off when it collects', () => {
    const collect = (pagesPerCopy: number) =>
      layWeb({ ...setting, folder: 'collect', pagesPerCopy }, 'web').layout?.copiesPerCutOff;
    expect(collect(32)).toBe(0.5);
    expect(collect(16)).toBe(1);
    expect(layWeb({ ...setting, pagesPerCopy: 8 }, 'web').layout?.copiesPerCutOff).toBe(2);
  });

  it('runs the timetable: two copies a cut-off of 578 mm, 73,022.2 m (identity, handbook chapter 6)', () => {
    // 240,241 good copies at 3 % and 2,500 of set-up
    const impressions = Math.ceil(impressionsFor(240_241, 2) / 0.97 - 0.5 / 0.97) + 2500;
    expect(impressions).toBe(126_336);
    expect(webMetres(126_336, 578)).toBeCloseTo(73_022.2, 1);
  });

  it.each<[string, Partial<WebSetting>]>([
    ['web.page-too-large', { pageAroundMm: 600 }],
    ['web.copy-too-thick', { pagesPerCopy: 32 }],
    ['web.pages-left-over', { pagesPerCopy: 12 }],
  ])('%s', (code, change) => {
    expect(layWeb({ ...setting, ...change }, 'web').issues.map((issue) => issue.code)).toEqual([code]);
  });

  it('is imposed by the same folds: slit and ribbons, former, jaw, chopper (identity)', () => {
    const scheme = schemeById('32-slit');
    const { imposition } = scheme ? impose(scheme, 1, '') : {};
    expect(
      imposition &&
        pageRows(imposition.outer, 8, 2)
          .flat()
          .sort((a, b) => a - b),
    ).toHaveLength(16);
  });
});

describe('narrow web', () => {
  it('82 teeth hold two labels of 127 + 3.175 mm, whatever doubles say (handbook chapter 6, identity)', () => {
    const [choice] = chooseRepeat({
      widthMm: 100,
      heightMm: 127,
      gapMm: 3.175,
      sideGapMm: 3,
      webWidthMm: 330,
      edgeMm: 8,
      cylinders: [82],
    });
    expect(choice).toMatchObject({ around: 2, across: 3 });
    expect(choice?.repeatMm).toBeCloseTo(260.35, 9);
    expect(choice?.gapMm).toBeCloseTo(3.175, 9);
  });

  it('takes the cylinder with least web a thousand, and shows the next', () => {
    const choices = chooseRepeat({
      widthMm: 70,
      heightMm: 50,
      gapMm: 3,
      sideGapMm: 3,
      webWidthMm: 250,
      edgeMm: 8,
      cylinders: [60, 64, 68, 84, 10],
    });
    // repeats 190.5 / 203.2 / 215.9 / 266.7: around 3, 3, 4, 5; across (250 - 16 + 3) / 73 = 3
    expect(choices.map(({ teeth, around }) => [teeth, around])).toEqual([
      [84, 5],
      [68, 4],
      [60, 3],
      [64, 3],
    ]);
    expect(choices[0]?.metresPerThousand).toBeCloseTo((1000 / 15) * 0.2667, 9);
  });

  it('finds none where the piece is wider than the web', () => {
    expect(
      chooseRepeat({ widthMm: 300, heightMm: 50, gapMm: 3, sideGapMm: 3, webWidthMm: 250, edgeMm: 8, cylinders: [80] }),
    ).toEqual([]);
  });

  it('turns teeth into a repeat (identity)', () => {
    expect(repeatMm(126)).toBeCloseTo(400.05, 9);
  });

  it('makes a gravure cylinder as large as its pages around', () => {
    expect(gravureCylinder(300, 3, 1000, 20)).toEqual({ circumferenceMm: 900, faceMm: 1040 });
  });

  it('makes a cylinder for the job as large as its pieces around, within what the press takes (identity)', () => {
    expect(madeRepeats(297, 3, 400, 1000)).toEqual([
      { repeatMm: 600, around: 2 },
      { repeatMm: 900, around: 3 },
    ]);
    expect(madeRepeats(1200, 0, 400, 1000)).toEqual([]);
    expect(madeRepeats(0, 0, 400, 1000)).toEqual([]);
  });
});

describe('corrugated', () => {
  it('chooses the paper width with least trim (identity)', () => {
    const choices = chooseDeckle({
      blankWidthMm: 562,
      blankLengthMm: 1447,
      edgeTrimMm: 15,
      decklesMm: [1200, 1400, 1750, 400],
    });
    expect(choices.map(({ deckleMm, lanes }) => [deckleMm, lanes])).toEqual([
      [1750, 3],
      [1200, 2],
      [1400, 2],
    ]);
    expect(choices[0]?.trimShare).toBeCloseTo(1 - (3 * 562) / 1750, 12);
  });
  it('runs a blank of 1,447 mm in three lanes on 0.69 m of C medium (identity)', () => {
    const choice = { deckleMm: 1750, lanes: 3, cutOffMm: 1447, trimShare: 0 };
    expect(mediumMetres(choice, 1.43)).toBeCloseTo((1.447 * 1.43) / 3, 12);
  });
  it('weighs liners and medium with its take-up (identity)', () => {
    const c = FLUTES.find(({ id }) => id === 'C');
    expect(corrugatedKg(1000, 2000, [125, 125], 110, c?.takeUp ?? 0)).toBeCloseTo((1000 * 2 * (250 + 157.3)) / 1000, 9);
  });
  it('runs 9,000 blanks in three lanes: 3,077 cut-offs at 2.5 %, and 60 m of set-up (identity, handbook chapter 6)', () => {
    const choice = { deckleMm: 1750, lanes: 3, cutOffMm: 1447, trimShare: 1 - (3 * 562) / 1750 };
    const run = { blanks: 9000, choice, setupM: 60, running: 0.025, mediumGsm: 110, takeUp: 1.43 } as const;
    const found = planCorrugator({ ...run, linersGsm: [125, 140] });
    // ceil(3,000 / 0.975) = 3,077
    expect(found.boardM).toBeCloseTo(3077 * 1.447 + 60, 9);
    expect(found.mediumM).toBeCloseTo(found.boardM * 1.43, 9);
    const kg = found.linerKg[0] + found.linerKg[1] + found.mediumKg;
    expect(kg).toBeCloseTo(corrugatedKg(found.boardM, 1750, [125, 140], 110, 1.43), 9);
    expect(found.trimKg).toBeCloseTo((kg * (1750 - 3 * 562)) / 1750, 9);
  });
});
