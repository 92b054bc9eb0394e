import { cuttingProgramme } from '../../finishing/index.js';
import { reckonSum } from '../sum.js';
import { sumOf } from '../sums.js';

describe('cuts of a sheet', () => {
  const cuts = (values: Record<string, number | string>) => {
    const sum = sumOf('cuts');
    return sum ? reckonSum(sum, values).figures : {};
  };
  it('are 8 by strips and 10 one by one for two by two with gutters (handbook chapter 7 "Guillotine")', () => {
    const { cuts: strips, alone } = cuts({ across: 2, around: 2 });
    expect([strips?.value, alone?.value]).toEqual([8, 10]);
  });
  it('are as many as the cutting programme of such a sheet has (identity)', () => {
    for (const gutterMm of [0, 6])
      for (const across of [1, 2, 3, 5])
        for (const around of [1, 2, 4]) {
          const pieces = Array.from({ length: across * around }, (_, i) => ({
            xMm: 10 + (i % across) * (80 + gutterMm),
            yMm: 10 + Math.floor(i / across) * (90 + gutterMm),
            ...{ widthMm: 80, heightMm: 90 },
          }));
          const sheet = {
            widthMm: 20 + across * (80 + gutterMm) - gutterMm,
            heightMm: 20 + around * (90 + gutterMm) - gutterMm,
          };
          const programme = cuttingProgramme(sheet, pieces, 20);
          const gutter = gutterMm > 0 ? 'yes' : 'no';
          expect([across, around, gutter, cuts({ across, around, gutter })['cuts']?.value]).toEqual([
            ...[across, around, gutter],
            programme?.cuts.length,
          ]);
        }
  });
});
