import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import {
  CHECKLISTS,
  DIFFERENCES,
  DIFFERS,
  INCIDENTS,
  LOSS_KINDS,
  SHIPPED_WORKS,
  NORM_GROUPS,
  OPERATIONS,
  STOPS,
  faultsAt,
  normsOfGroup,
} from '@druckerei/core';
import { ENDPOINTS, isAudited } from './endpoints.js';
import { RIGHTS } from './people.js';

const repo = fileURLToPath(new URL('../../../', import.meta.url));
const home = path.join(repo, 'words/de');
const german = fs
  .readdirSync(home)
  .flatMap((file) =>
    Object.entries(JSON.parse(fs.readFileSync(path.join(home, file), 'utf8')) as Record<string, string>),
  );
const kept = JSON.parse(fs.readFileSync(path.join(home, 'kept.json'), 'utf8')) as Record<string, string>;
/** What stands for a value or a mark-up of the page, in order of name. */
const placesIn = (text: string): string[] => [...text.matchAll(/\{\$?\w+\}/g)].map(([place]) => place).sort();
const wordsIn = (text: string): number =>
  text
    .replaceAll(/\{\$?\w+\}/g, '')
    .split(/\s+/)
    .filter((word) => /\p{L}{2}/u.test(word)).length;

describe('the catalogue', () => {
  it('has everything that the sources say, and nothing that they do not', () => {
    const { status, stderr } = spawnSync(process.execPath, ['scripts/words.mjs', '--check'], {
      cwd: repo,
      encoding: 'utf8',
      env: { ...process.env, NODE_OPTIONS: '' },
    });
    expect(stderr.split('\n').filter((line) => line.startsWith('de '))).toEqual([]);
    expect(status).toBe(0);
  }, 120_000);

  it.each([
    ['const why = `${count} sheets are short of paper`;', 1],
    ['const why = $localize`${count} sheets are short of paper`;', 0],
    ["throw new Error('nobody ought to come here ever');", 0],
    ["throw new ProblemError(404, 'nobody has seen this job');", 1],
    ["sheet.show('kg', 'units * area * film / 1000');", 0],
    ["const why = $localize`${count} ${count === 1 ? 'is' : 'are'} short`;", 2],
    ["const why = $localize`${count} ${wordOf(count === 1 ? 'is' : 'are')} short`;", 0],
    ["const kept = `${count} ${count === 1 ? 'unit' : 'units'}`;", 2],
    ["const key = `norm/${coated ? 'coated' : 'uncoated'}`;", 0],
    ["const said = (on) => (on ? 'yes' : $localize`not told`);", 1],
    ["const kind = (on) => (on ? 'open' : 'closed');", 0],
    ["const page = { template: '<p>Nothing is here</p>' };", 1],
    ["const page = { template: '<p i18n>Nothing <b>is here</b></p>' };", 0],
    ["const page = { template: \"<p>{{ open ? 'in' : count + ' h' }}</p>\" };", 1],
    ["const page = { template: \"<p>{{ (open ? 'in' : kind === 'out') | word }}</p>\" };", 0],
    ["const page = { template: '<dk-box label=\\'Height of it\\' />' };", 1],
  ])('misses nothing that is not marked: %s', async (code, times) => {
    const { readCode } = (await import(path.join(repo, 'scripts/words/in-code.mjs'))) as {
      readCode: (file: string, code: string) => { unmarked: readonly unknown[] };
    };
    const { unmarked } = readCode(path.join(repo, 'packages/core/src/sample.ts'), code);
    expect(unmarked).toHaveLength(times);
  });

  it.each([
    ['de_DE.UTF-8', /Sagen Sie, welche Datei: npm run backup -- DATEI/],
    ['en_GB.UTF-8', /Say which file: npm run backup -- FILE/],
    ['C', /Say which file: npm run backup -- FILE/],
  ])('is what a command says at a terminal: %s', (LC_ALL, said) => {
    const env = { ...process.env, NODE_OPTIONS: '', LC_ALL };
    const { status, stderr } = spawnSync(process.execPath, ['scripts/backup.mjs', 'backup'], { cwd: repo, env });
    expect(stderr.toString()).toMatch(said);
    expect(status).toBe(2);
  });

  it('is one: no text stands in it twice', () => {
    const twice = german.map(([key]) => key).filter((key, i, all) => all.indexOf(key) !== i);
    expect(twice.filter((key) => !(key in kept))).toEqual([]);
  });

  it('puts every value into what it says, and no other', () => {
    const wrong = german.filter(([key, words]) => {
      const [own, other] = [placesIn(key.replace(/^[^|{]*\|/, '')), placesIn(words)];
      return own.some((place) => !other.includes(place)) || other.some((place) => !own.includes(place));
    });
    expect(wrong).toEqual([]);
  });

  it('leaves no sentence in English (from memory)', () => {
    const same = german.filter(([key, words]) => key === words && wordsIn(words) > 3).map(([key]) => key);
    expect(same).toEqual([]);
  });

  it.each([
    ['faults', OPERATIONS.flatMap(faultsAt)],
    ['stops', STOPS],
    ['differences', DIFFERENCES],
    ['incidents', INCIDENTS],
    ['faults of carriers', Object.values(CHECKLISTS).flat()],
    ['losses', LOSS_KINDS],
    ['what differs', DIFFERS],
    ['rights', Object.values(RIGHTS)],
    ['what is audited', ENDPOINTS.filter((endpoint) => isAudited(endpoint)).map(({ summary }) => summary)],
    [
      'choices of norms',
      NORM_GROUPS.flatMap((group) => normsOfGroup(SHIPPED_WORKS, group))
        .flatMap(({ choices = [] }) => choices)
        .filter((choice) => !/^[\d.]+( %)?$|^[IVS]/.test(choice)),
    ],
  ])('has every word that is kept: %s', (_, words) => {
    expect([...new Set(words)].filter((word) => !(word in kept))).toEqual([]);
  });
});
