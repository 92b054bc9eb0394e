import fs from 'node:fs';
import { fileURLToPath } from 'node:url';
import { SCHOOLS } from './flow/index.js';
import { LESSONS } from './practice/index.js';
import { CAUTION_RULE, OPERATION_RULES, OPERATIONS, ROUTE_RULES } from './route/index.js';

const repo = fileURLToPath(new URL('../../..', import.meta.url));
const page = (name: string, language = 'en'): string =>
  fs.readFileSync(`${repo}/docs/guide/${language}/${name}.md`, 'utf8');
const headings = (text: string): string[] => [...text.matchAll(/^## (.+)$/gm)].map(([, heading]) => heading ?? '');

describe('the guide', () => {
  const stations = page('stations');

  it('has every station, and no other', () => {
    const [figures, ...told] = headings(stations);
    expect(figures).toBe('The figures of a station');
    expect(told).toEqual(OPERATIONS.map((operation) => OPERATION_RULES[operation].name));
  });

  it.each(OPERATIONS)('says of %s what it does, what goes wrong and what to take care of', (operation) => {
    const { name, cautions } = OPERATION_RULES[operation];
    const [, section = ''] = stations.split(`\n## ${name}\n`);
    const [own = ''] = section.split('\n## ');
    expect(own.trim()).toMatch(/^\p{Lu}[^]{30,}\*\*What goes wrong:\*\* \S[^]{20,}/u);
    expect(own).toContain(`<!-- made: station ${operation} -->`);
    for (const caution of cautions) expect(own).toContain(`- ${caution}`);
  });

  it('says whose word counts before its cautions', () => {
    expect(stations.replaceAll('\n', ' ')).toContain(CAUTION_RULE.replace(/^L/, 'l'));
  });

  it('says of every school when which', () => {
    const named: Readonly<Record<(typeof SCHOOLS)[number], string>> = {
      step: 'Step by step',
      added: 'Added up',
      table: 'By table',
      sure: 'By sureness',
    };
    const schools = page('schools');
    for (const school of SCHOOLS) {
      const [, section = ''] = schools.split(`\n## ${named[school]}\n`);
      expect([school, section.split('\n## ')[0]?.includes('**Use it**')]).toEqual([school, true]);
    }
  });

  it('has every lesson of the exercises, in their order, and says where to look', () => {
    const lessons = page('lessons');
    expect(headings(lessons)).toHaveLength(LESSONS.length);
    for (const section of lessons.split('\n## ').slice(1))
      expect([section.split('\n')[0], section.includes('**Look at**: ')]).toEqual([section.split('\n')[0], true]);
  });

  it('has every rule of the route as it ships, and no other', () => {
    const rows = [...page('rules').matchAll(/^\| (.+) \| (.+) \| (off|soft|hard) \|$/gm)].map(([, ...cells]) => cells);
    expect(rows).toEqual(Object.values(ROUTE_RULES).map(({ name, reason, weight }) => [name, reason, weight]));
  });
});

describe.each(fs.readdirSync(`${repo}/words`))('the guide in %s', (language) => {
  const words = JSON.parse(fs.readFileSync(`${repo}/words/${language}/core.json`, 'utf8')) as Record<string, string>;
  const pagesOf = (of: string): string[] =>
    fs.readdirSync(`${repo}/docs/guide/${of}`).filter((file) => file.endsWith('.md'));
  const pages = pagesOf('en');

  it('has the same pages', () => {
    expect(pagesOf(language)).toEqual(pages);
  });

  it('has a picture of its own for each that the page shows, and no other', () => {
    const shown = pages.flatMap((file) =>
      [...page(file.replace('.md', ''), language).matchAll(/\]\(pictures\/(\S+)\)/g)].map(([, name]) => name),
    );
    expect(fs.readdirSync(`${repo}/docs/guide/${language}/pictures`)).toEqual([...new Set(shown)].sort());
  });

  it.each(pages.map((file) => file.replace('.md', '')))('has all of the page %s', (name) => {
    const unmade = (text: string): string => text.replace(/<!-- made: .*? -->[^]*?<!-- end -->/g, '');
    const parts = (text: string): unknown => ({
      headings: headings(text).length,
      made: text.match(/<!-- made: .*? -->/g) ?? [],
      pictures: [...text.matchAll(/\]\(\S+\/(\S+)\)/g)].map(([, file]) => file),
      // What is made has its formulas in each language, and so have lines that are typed.
      keys: new Set(unmade(text).match(/`[^ `]+(?: [^ `]+)?`/g)),
      typed: unmade(text).match(/`[^ `]+(?: [^ `]+){2,}`/g)?.length,
      rows: (text.match(/^\|/gm) ?? []).length,
    });
    const [english, own] = [page(name), page(name, language)];
    if (name === 'words') expect(own.match(/^\|/gm)).toHaveLength(english.match(/^\|/gm)?.length ?? 0);
    else expect(parts(own)).toEqual(parts(english));
    for (const [paragraph] of english.matchAll(/^[A-Z][^|\n]{60,}$/gm)) expect(own).not.toContain(paragraph);
  });

  it('has every station under its name there', () => {
    const [, ...told] = headings(page('stations', language));
    const names = OPERATIONS.map((operation) => OPERATION_RULES[operation].name);
    expect(told).toEqual(names.map((name) => words[`station|${name}`] ?? words[name]));
  });
});
