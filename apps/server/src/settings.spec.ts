import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { readSettings, settingsHelp } from './settings.js';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'druckerei-settings-'));
afterAll(() => fs.rmSync(folder, { recursive: true }));
const file = (name: string, text: string): string => {
  const at = path.join(folder, name);
  fs.writeFileSync(at, text);
  return at;
};
const HERE = path.dirname(fileURLToPath(import.meta.url));
/** The built server in another process, which speaks one language. */
const SPEAKING = `
  const { speakOnly } = await import('../dist/http/tongue.js');
  speakOnly(process.argv.at(-1));
  const settings = await import('../dist/settings.js');`;
const DATABASE = { DATABASE_URL: 'postgres://a@b/c' };
const wrong = (env: NodeJS.ProcessEnv): string => readSettings(env).wrong.join('\n');

describe('the settings of the server', () => {
  it('come from a file, and the environment comes first', () => {
    const DRUCKEREI_CONFIG = file(
      'works.env',
      '# of the works\nDATABASE_URL=postgres://a@b/c\nPORT=4100\nHOST="127.0.0.2"\n',
    );
    const { settings } = readSettings({ DRUCKEREI_CONFIG, PORT: '4200', UNRELATED: 'x' });
    expect(settings).toMatchObject({ ...DATABASE, PORT: 4200, HOST: '127.0.0.2', LOG_LEVEL: 'info', TLS: false });
  });

  it.each([
    ['a file that is not there', { ...DATABASE, DRUCKEREI_CONFIG: '/nowhere/works.env' }, /cannot be read.*ENOENT/],
    ['no database', {}, /DATABASE_URL is wanted: postgres:/],
    ['a port that is none', { ...DATABASE, PORT: '99999' }, /PORT must be at most 65,535/],
    ['a certificate without its key', { ...DATABASE, TLS_CERT: '/a.pem' }, /go together/],
    [
      'a certificate that is not there',
      { ...DATABASE, TLS_CERT: '/a.pem', TLS_KEY: '/b.pem' },
      /TLS_CERT, TLS_KEY: .*ENOENT/,
    ],
    ['a folder without who takes in', { ...DATABASE, INBOX_DIR: '/tmp' }, /INBOX_DIR and INBOX_LOGIN go together/],
    [
      'a folder that is none',
      { ...DATABASE, INBOX_DIR: '/nowhere', INBOX_LOGIN: 'x' },
      /INBOX_DIR: \/nowhere is no folder/,
    ],
    ['a name without its password', { ...DATABASE, ADMIN_LOGIN: 'x' }, /ADMIN_LOGIN and ADMIN_PASSWORD go together/],
  ])('are refused with %s', (_, env, words) => {
    expect(wrong(env)).toMatch(words);
  });

  it('are refused with a line or a name of the file that says nothing', () => {
    const DRUCKEREI_CONFIG = file('typo.env', 'DATABSE_URL=postgres://a@b/c\nlisten on 80\n');
    const told = wrong({ ...DATABASE, DRUCKEREI_CONFIG });
    expect(told).toContain('DATABSE_URL is no setting');
    expect(told).toContain('line 2 is no NAME=value');
  });

  it('take a certificate that belongs to its key, and no other', () => {
    const make = (name: string): [string, string] => {
      const [key, cert] = [path.join(folder, `${name}.key`), path.join(folder, `${name}.pem`)];
      execFileSync(
        'openssl',
        [
          'req',
          '-x509',
          '-newkey',
          'ec',
          '-pkeyopt',
          'ec_paramgen_curve:prime256v1',
          '-nodes',
          '-days',
          '2',
          '-subj',
          '/CN=localhost',
          '-keyout',
          key,
          '-out',
          cert,
        ],
        { stdio: 'ignore' },
      );
      return [cert, key];
    };
    const [[TLS_CERT, TLS_KEY], [, other]] = [make('one'), make('other')];
    expect(readSettings({ ...DATABASE, TLS_CERT, TLS_KEY }).tlsFiles?.cert).toContain('BEGIN CERTIFICATE');
    expect(wrong({ ...DATABASE, TLS_CERT, TLS_KEY: other })).toContain('they cannot be used');
  });

  it('are all told with their meaning', () => {
    const help = settingsHelp();
    expect(help.filter(({ meaning }) => meaning === '').map(({ name }) => name)).toEqual([]);
    expect(help.find(({ name }) => name === 'PORT')?.usual).toBe('3900');
    const running = fs.readFileSync(new URL('../../../docs/deploy.md', import.meta.url), 'utf8');
    for (const { name } of help) expect(running).toContain(`\`${name}\``);
  });

  it('are told, and what is wrong with them, in the language of the terminal', () => {
    const said = (language: string, what: string): string =>
      execFileSync(process.execPath, ['--input-type=module', '-e', `${SPEAKING} ${what}`, language], {
        cwd: HERE,
      }).toString();
    const meanings = 'for (const { meaning } of settings.settingsHelp()) console.log(meaning)';
    const lines = (language: string): string[] => said(language, meanings).trim().split('\n');
    const [english, german] = [lines('en'), lines('de')];
    expect(german).toHaveLength(settingsHelp().length);
    expect(german.filter((line) => english.includes(line))).toEqual([]);
    const wrong = "console.log(settings.readSettings({ PORT: '99999' }).wrong.join())";
    expect(said('de', wrong)).toContain('PORT muss höchstens 65.535 sein');
    expect(said('de', wrong)).toContain('DATABASE_URL fehlt');
  });
});
