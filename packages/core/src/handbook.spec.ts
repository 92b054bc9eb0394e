import fs from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const REPO = fileURLToPath(new URL('../../../', import.meta.url));
const HANDBOOK = path.join(REPO, 'docs/handbook');

/** Sources of ours, tests too. */
function filesIn(folder: string): string[] {
  return fs.readdirSync(path.join(REPO, folder), { withFileTypes: true }).flatMap((entry) => {
    const name = `${folder}/${entry.name}`;
    if (entry.isDirectory()) return ['node_modules', 'dist', '.angular'].includes(entry.name) ? [] : filesIn(name);
    return /\.(ts|mjs|sql|html)$/.test(entry.name) && !name.endsWith('handbook.spec.ts') ? [name] : [];
  });
}

interface Chapter {
  readonly file: string;
  readonly text: string;
  /** Headings, and terms in bold, in small letters. */
  readonly places: readonly string[];
}

const CHAPTERS = new Map(
  fs.readdirSync(HANDBOOK).flatMap((file): [number, Chapter][] => {
    const text = fs.readFileSync(path.join(HANDBOOK, file), 'utf8');
    const number = /^# (\d+)\. /.exec(text)?.[1];
    const places = [...text.matchAll(/^## (.+)$|\*\*(.+?)\*\*/gm)].map(([, heading, bold]) =>
      (heading ?? bold ?? '').toLowerCase(),
    );
    return number === undefined ? [] : [[Number(number), { file, text, places }]];
  }),
);

/** What a text cites: chapters, and a section of the last of them where it is named. */
function citesIn(text: string): { chapters: number[]; section: string | undefined }[] {
  const plain = text.replace(/\n\s*(?:\*|\/\/|--)?\s*/g, ' ');
  return [...plain.matchAll(/handbook,? chapters? (\d+(?:(?:, | and )\d+)*)(?:,? \(?["“]([^"”]+)["”])?/gi)].map(
    ([, chapters = '', section]) => ({ chapters: (chapters.match(/\d+/g) ?? []).map(Number), section }),
  );
}

const isPlace = (chapter: number, section: string): boolean =>
  CHAPTERS.get(chapter)?.places.some((place) => place.startsWith(section.toLowerCase())) ?? false;

describe('the handbook', () => {
  it('has every chapter and section that a source cites', () => {
    const files = ['packages', 'apps', 'e2e', 'scripts'].flatMap(filesIn);
    let cited = 0;
    const missing = files.flatMap((file) =>
      citesIn(fs.readFileSync(path.join(REPO, file), 'utf8')).flatMap(({ chapters, section }) => {
        cited += chapters.length;
        const found =
          chapters.every((chapter) => CHAPTERS.has(chapter)) &&
          (section === undefined || chapters.some((chapter) => isPlace(chapter, section)));
        return found ? [] : [`${file}: chapter ${chapters.join(', ')} ${section ?? ''}`];
      }),
    );
    expect(missing).toEqual([]);
    expect(cited).toBeGreaterThan(350);
  });

  it('finds a cite that has no place', () => {
    expect(citesIn('Source: handbook chapter 6,\n * "Step by step".')).toEqual([
      { chapters: [6], section: 'Step by step' },
    ]);
    expect(isPlace(6, 'Step by step')).toBe(true);
    expect(isPlace(6, 'No such thing')).toBe(false);
    expect(isPlace(12, 'Table')).toBe(false);
  });

  it('names in every section the code that stands on it, and that code is there', () => {
    for (const { file, text } of CHAPTERS.values()) {
      const sections = text.split(/^## /m).slice(text.includes('\n## ') ? 1 : 0);
      for (const section of sections) {
        const [title = ''] = section.split('\n');
        const code = [...(/^Code: (.+)$/m.exec(section)?.[1] ?? '').matchAll(/`([^`]+)`/g)].map(
          ([, name]) => name ?? '',
        );
        expect([file, title, code.length > 0]).toEqual([file, title, true]);
        for (const name of code) expect([name, fs.existsSync(path.join(REPO, name))]).toEqual([name, true]);
      }
    }
  });

  it('is in its list of contents', () => {
    const contents = fs.readFileSync(path.join(HANDBOOK, 'README.md'), 'utf8');
    for (const [number, { file }] of CHAPTERS)
      expect(contents).toMatch(new RegExp(`^${number}\\. \\[.+\\]\\(${file}\\)$`, 'm'));
  });
});
