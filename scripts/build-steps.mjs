// The steps of a build, each skipped when nothing it reads has changed since it last ran.
import { spawnSync } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import zlib from 'node:zlib';
import { fileURLToPath } from 'node:url';

export const repo = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');
const stamps = path.join(repo, '.data', 'stamps');

/** A secret of this checkout, made once under its name: sign-ins outlive a restart of the server. */
export function keptSecret(name) {
  const file = path.join(repo, '.data', name);
  if (!fs.existsSync(file)) {
    fs.mkdirSync(path.dirname(file), { recursive: true });
    fs.writeFileSync(file, randomBytes(32).toString('hex'), { mode: 0o600 });
  }
  return fs.readFileSync(file, 'utf8');
}

/** Runs a command to its end; its output goes to standard error, so that a caller's standard output stays its own. */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: repo, stdio: ['ignore', 2, 2], ...options });
  if (result.status !== 0) {
    process.stderr.write(
      `${command} ${args.join(' ')} failed (${result.status ?? result.signal ?? result.error?.message})\n`,
    );
    process.exit(result.status ?? 1);
  }
  return result;
}

function filesBelow(entry) {
  const at = path.join(repo, entry);
  if (!fs.existsSync(at)) return [];
  if (fs.statSync(at).isFile()) return [at];
  return fs
    .readdirSync(at, { withFileTypes: true })
    .filter(({ name }) => !['node_modules', 'dist', '.angular'].includes(name))
    .flatMap(({ name }) => filesBelow(path.join(entry, name)));
}

function fingerprint(entries) {
  const hash = createHash('sha256');
  for (const file of entries.flatMap(filesBelow).sort())
    hash.update(path.relative(repo, file)).update(fs.readFileSync(file));
  return hash.digest('hex');
}

/** Runs `work` unless the inputs are as they were after it last ran and the output is still there. */
function unlessFresh(name, inputs, output, work) {
  const stamp = path.join(stamps, name);
  const now = fingerprint(inputs);
  if (fs.existsSync(path.join(repo, output)) && fs.existsSync(stamp) && fs.readFileSync(stamp, 'utf8') === now) return;
  work();
  fs.mkdirSync(stamps, { recursive: true });
  fs.writeFileSync(stamp, now);
}

const tsc = path.join(repo, 'node_modules/typescript/bin/tsc');
const base = ['tsconfig.base.json', 'package-lock.json'];
const wordsFrom = ['words', 'scripts/words', 'scripts/words.mjs'];
const words = path.join(repo, 'scripts/words.mjs');
const packages = ['packages/core', 'packages/contract', 'packages/formats'];

/** node_modules as the lock file says. Install scripts are not needed by anything here. */
export const installPackages = () =>
  unlessFresh('npm', ['package.json', 'package-lock.json'], 'node_modules/.package-lock.json', () => {
    run('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund', '--loglevel=error']);
  });

export const buildPackages = () =>
  unlessFresh('packages', [...base, ...packages.map((p) => `${p}/src`)], 'packages/formats/dist/index.js', () => {
    run(process.execPath, [tsc, '-b', ...packages.map((p) => `${p}/tsconfig.build.json`)]);
  });

export const buildServer = () =>
  unlessFresh(
    'server',
    [...base, ...wordsFrom, 'apps/server/src', ...packages.map((p) => `${p}/src`)],
    'apps/server/dist/words-de.json',
    () => {
      run(process.execPath, [tsc, '-b', 'apps/server/tsconfig.build.json']);
      run(process.execPath, [words, 'server']);
    },
  );

/**
 * What the build takes from the public folder, since its assets may not lie outside the web's own: the solver's program,
 * the fonts that a PDF may leave out, and the guide with its pictures.
 */
function placeAssets() {
  const [from, to] = [path.join(repo, 'node_modules'), path.join(repo, 'apps/web/public')];
  fs.copyFileSync(path.join(from, 'highs/build/highs.wasm'), path.join(to, 'highs.wasm'));
  fs.copyFileSync(path.join(from, 'zxing-wasm/dist/reader/zxing_reader.wasm'), path.join(to, 'zxing_reader.wasm'));
  fs.cpSync(path.join(from, 'pdfjs-dist/standard_fonts'), path.join(to, 'pdf-fonts'), { recursive: true });
  const docs = path.join(repo, 'docs');
  fs.rmSync(path.join(to, 'guide-pages'), { recursive: true, force: true });
  fs.cpSync(path.join(docs, 'guide'), path.join(to, 'guide-pages'), { recursive: true });
  fs.cpSync(path.join(docs, 'screenshots'), path.join(to, 'screenshots'), { recursive: true });
}

/** Folders with the scripts of a page in other languages. */
const spokenIn = (built, page) =>
  fs
    .readdirSync(path.join(built, page))
    .filter((name) => /^[a-z]{2}-[A-F0-9]{8}$/.test(name))
    .map((name) => path.join(page, name));

export const buildWeb = () => {
  placeAssets();
  unlessFresh(
    'web',
    [...base, ...wordsFrom, 'apps/web', ...packages.map((p) => `${p}/src`)],
    'apps/web/dist/index.html',
    () => {
      const ng = path.join(repo, 'node_modules/@angular/cli/bin/ng.js');
      // The whole clears the folder that the reckoner alone is put into.
      for (const target of ['web:build', 'web:reckoner'])
        run(process.execPath, [ng, 'run', target], { cwd: path.join(repo, 'apps/web') });
      run(process.execPath, [words, 'pages']);
      const built = path.join(repo, 'apps/web/dist');
      const guides = fs
        .readdirSync(path.join(built, 'guide-pages'))
        .map((language) => path.join('guide-pages', language));
      for (const folder of ['', ...spokenIn(built, ''), ...guides]) packFiles(path.join(built, folder), PACKED_AS);
      for (const folder of ['reckoner', ...spokenIn(built, 'reckoner')])
        packFiles(path.join(built, folder), zlib.constants.BROTLI_MAX_QUALITY);
    },
  );
};

/** One less than the most that Brotli can, for what is large: a third of the time for a fiftieth of the size. */
const PACKED_AS = 10;
/** Puts a packed copy beside every file of text, as small as it gets: packed once here, not at every answer. */
function packFiles(folder, quality) {
  for (const name of fs.readdirSync(folder).filter((file) => /\.(js|css|html|svg|md)$/.test(file))) {
    const file = path.join(folder, name);
    fs.writeFileSync(
      `${file}.br`,
      zlib.brotliCompressSync(fs.readFileSync(file), { params: { [zlib.constants.BROTLI_PARAM_QUALITY]: quality } }),
    );
  }
}

export function buildAll() {
  buildPackages();
  buildServer();
  buildWeb();
}
