import { searchGuide, sectionsOf, slugOf } from './guide-text';

const PAGE = `# Stations

What each does.

## Case in

The block is hung into its case,
by the end papers.

<!-- made: station case-in -->
- Nips: \`guards\` closed

## Fold

![A fold](../screenshots/fold.png)

| word | what it is |
|---|---|
| **skew** | not square |
| dog-ear | a corner turned over |
`;

describe('the text of the guide', () => {
  const sections = sectionsOf('stations', PAGE);

  it('is parted by headings into lines without marks; broken lines are joined', () => {
    expect(sections).toEqual([
      { page: 'stations', heading: 'Stations', lines: ['What each does.'] },
      {
        page: 'stations',
        heading: 'Case in',
        lines: ['The block is hung into its case, by the end papers.', 'Nips: guards closed'],
      },
      {
        page: 'stations',
        heading: 'Fold',
        lines: ['word · what it is', 'skew · not square', 'dog-ear · a corner turned over'],
      },
    ]);
  });
  it('names headings as addresses have them', () => {
    expect(['Case in', 'Seal gum, dried open', 'Wie groß?', '  Print  again '].map(slugOf)).toEqual([
      'case-in',
      'seal-gum-dried-open',
      'wie-groß',
      'print-again',
    ]);
  });
  it('is found by all words, in whatever order and case; a heading comes first', () => {
    expect(searchGuide(sections, 'CORNER turned')).toEqual([
      { page: 'stations', heading: 'Fold', line: 'dog-ear · a corner turned over' },
    ]);
    expect(searchGuide(sections, 'papers case').map(({ line }) => line)).toEqual([
      'The block is hung into its case, by the end papers.',
    ]);
    expect(searchGuide(sections, 'fold')[0]).toMatchObject({ heading: 'Fold' });
    expect(searchGuide(sections, 'fold skew')).toHaveLength(1);
    expect(searchGuide(sections, '  ')).toEqual([]);
    expect(searchGuide(sections, 'wash-up')).toEqual([]);
  });
  it('tells so many hits and no more', () => {
    const rows = Array.from({ length: 500 }, (_, i) => `| row ${i} | x |`).join('\n');
    const many = Array.from({ length: 20 }, (_, i) => sectionsOf('norms', `## Part ${i}\n\n${rows}`)).flat();
    expect(searchGuide(many, 'row').filter(({ heading }) => heading === 'Part 0')).toHaveLength(8);
    expect(searchGuide(many, 'row')).toHaveLength(40);
  });
});
