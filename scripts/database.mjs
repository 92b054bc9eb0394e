// A private PostgreSQL cluster on loopback: one that stays for the demo, or a throwaway one for tests.
import { execFileSync, spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { repo, run } from './build-steps.mjs';
import { $localize, fail, warn } from './terminal.mjs';

const isRoot = process.getuid?.() === 0;
/** PostgreSQL refuses to run as root, so its packaged account runs it then. */
const ACCOUNT = 'postgres';
/** The application's role, and the one that owns the tables: the application cannot change what guards them. */
const ROLE = 'druckerei';
const OWNER = 'druckerei_owner';

function binDir() {
  const base = '/usr/lib/postgresql'; // Debian keeps initdb and pg_ctl off the PATH
  const versions = fs.existsSync(base)
    ? fs
        .readdirSync(base)
        .filter((name) => /^\d+$/.test(name))
        .sort((a, b) => b - a)
    : [];
  return versions
    .map((version) => path.join(base, version, 'bin'))
    .find((dir) => fs.existsSync(path.join(dir, 'initdb')));
}

/** Installs a Debian package when `present` says that it is missing; without root it says what to do. */
export function needPackage(name, present) {
  if (present()) return;
  if (!isRoot) fail($localize`Debian package ${name} is missing. Install it with: sudo apt-get install ${name}`);
  warn($localize`Installing Debian package ${name} ...`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  run('apt-get', ['update', '-qq'], { env });
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', name], { env });
  if (!present()) fail($localize`${name} was installed, but what it should bring is not there`);
}

/** The server's programs; the package's own cluster is not wanted, ours is private. */
export function installPostgres() {
  needPackage('postgresql', () => binDir() !== undefined);
}

/**
 * A cluster in `home` on `port`. `durable` keeps what is written through a power cut; only a throwaway one may do without.
 */
export function cluster({ home, port, durable }) {
  const data = path.join(home, 'data');
  const log = path.join(home, 'server.log');
  const secrets = { [ROLE]: path.join(home, 'password'), [OWNER]: path.join(home, 'owner-password') };
  const socket = path.join('/tmp', `druckerei-pg-${port}-${isRoot ? ACCOUNT : process.getuid()}`); // a socket's path has 107 bytes at most
  const inBin = (program) => path.join(binDir(), program);

  function pg(program, args, { check = true } = {}) {
    const command = [inBin(program), ...args];
    const [file, argv] = isRoot ? ['runuser', ['-u', ACCOUNT, '--', ...command]] : [command[0], command.slice(1)];
    // A daemon inherits its parent's streams: with a pipe the call would wait for it for ever.
    const stdio = program === 'pg_ctl' ? 'ignore' : ['ignore', 'pipe', 'pipe'];
    const result = spawnSync(file, argv, {
      cwd: home,
      stdio,
      encoding: 'utf8',
      env: { PATH: process.env.PATH, LC_ALL: 'C.UTF-8', TZ: 'UTC' },
    });
    if (check && result.status !== 0) {
      const tail = fs.existsSync(log) ? fs.readFileSync(log, 'utf8').split('\n').slice(-12).join('\n') : '';
      throw new Error(`${program} failed (${result.status ?? result.signal}): ${result.stderr ?? ''}\n${tail}`);
    }
    return result;
  }
  const made = () => fs.existsSync(path.join(data, 'PG_VERSION'));
  const running = () => made() && pg('pg_ctl', ['status', '-D', data], { check: false }).status === 0;
  const psql = (sql, database = 'postgres') =>
    pg('psql', [
      '-X',
      '-q',
      '-At',
      '-v',
      'ON_ERROR_STOP=1',
      '-h',
      socket,
      '-p',
      String(port),
      '-U',
      'postgres',
      '-d',
      database,
      '-c',
      sql,
    ]).stdout.trim();
  const url = (role, database) =>
    `postgres://${role}:${fs.readFileSync(secrets[role], 'utf8')}@127.0.0.1:${port}/${database}`;

  /** A role with a password that only this home knows; a new one where the file is gone. */
  function makeRole(role, rights) {
    const known = psql(`SELECT 1 FROM pg_roles WHERE rolname = '${role}'`) === '1';
    if (known && fs.existsSync(secrets[role])) return;
    const password = randomBytes(24).toString('hex');
    fs.writeFileSync(secrets[role], password, { mode: 0o600 });
    psql(`${known ? 'ALTER' : 'CREATE'} ROLE ${role} LOGIN ${rights} PASSWORD '${password}'`);
  }
  const inArchive = (folder) => {
    if (!/^[\w./-]+$/.test(folder))
      throw new Error($localize`${folder} holds letters that a shell takes otherwise; name another folder`);
    return { base: path.join(folder, 'base'), log: path.join(folder, 'log') };
  };

  function own(dir) {
    fs.mkdirSync(dir, { recursive: true, mode: 0o700 });
    fs.chmodSync(dir, 0o700);
    if (isRoot) execFileSync('chown', [ACCOUNT, dir]);
  }

  return {
    home,
    data,
    isMade: made,
    /** Returns whether this call started it (and so should stop it). */
    start() {
      own(home);
      own(socket);
      if (!made()) {
        fs.rmSync(data, { recursive: true, force: true }); // half made
        // The socket lies in a folder of the account's own; over the port a password is asked.
        pg('initdb', [
          '-D',
          data,
          '-U',
          'postgres',
          '--auth-local=trust',
          '--auth-host=scram-sha-256',
          '--encoding=UTF8',
          '--locale=C.UTF-8',
          '--no-instructions',
          // A page that the disk has changed is told when it is read.
          '--data-checksums',
        ]);
      }
      const started = !running();
      if (started) {
        const careless = durable ? '' : ' -c fsync=off -c synchronous_commit=off -c full_page_writes=off';
        pg('pg_ctl', [
          'start',
          '-w',
          '-t',
          '60',
          '-D',
          data,
          '-l',
          log,
          '-o',
          `-p ${port} -k ${socket} -c listen_addresses=127.0.0.1 -c timezone=UTC${careless}`,
        ]);
      }
      // Until an archive has been read to its end, the roles cannot be looked after.
      while (psql('SELECT pg_is_in_recovery()') === 't') spawnSync('sleep', ['0.1']);
      makeRole(OWNER, 'CREATEDB');
      makeRole(ROLE, 'NOCREATEDB');
      return started;
    },
    /** Makes a database unless it is there. The name is one of our own. @returns what the server's environment says of it. */
    database(name) {
      if (psql(`SELECT 1 FROM pg_database WHERE datname = '${name}'`) !== '1')
        psql(`CREATE DATABASE ${name} OWNER ${OWNER}`);
      else if (psql(`SELECT datdba::regrole FROM pg_database WHERE datname = '${name}'`) !== OWNER) {
        // Of a time when the application's role owned what it writes.
        psql(`REASSIGN OWNED BY ${ROLE} TO ${OWNER}`, name);
        psql(`ALTER DATABASE ${name} OWNER TO ${OWNER}`);
        psql(`ALTER ROLE ${ROLE} NOCREATEDB`);
      }
      return { DATABASE_URL: url(ROLE, name), OWNER_DATABASE_URL: url(OWNER, name) };
    },
    /**
     * From now on every change goes into `folder` as PostgreSQL's own log, a minute late at most, behind a copy of all that is there.
     */
    archive(folder) {
      const { base, log: logs } = inArchive(folder);
      if (fs.existsSync(base)) throw new Error($localize`${base} is there already; name another folder`);
      for (const dir of [folder, logs]) own(dir);
      const keep = `test ! -f ${logs}/%f && cp %p ${logs}/%f.half && mv ${logs}/%f.half ${logs}/%f`;
      psql("ALTER SYSTEM SET archive_mode = 'on'");
      psql(`ALTER SYSTEM SET archive_command = '${keep}'`);
      psql("ALTER SYSTEM SET archive_timeout = '60s'");
      this.stop();
      this.start();
      pg('pg_basebackup', ['-D', base, '-c', 'fast', '-h', socket, '-p', String(port), '-U', 'postgres']);
    },
    /** Writes out what the log holds so far, and waits until the archive has it. */
    settleArchive() {
      const file = psql('SELECT pg_walfile_name(pg_switch_wal())');
      for (let tries = 0; psql('SELECT last_archived_wal FROM pg_stat_archiver') < file; tries++) {
        if (tries > 300) throw new Error($localize`the archive does not take the log`);
        spawnSync('sleep', ['0.1']);
      }
    },
    /** Makes the cluster anew, out of an archive: as it was last. Refused while there is one. */
    recover(folder) {
      const { base, log: logs } = inArchive(folder);
      if (made()) throw new Error($localize`${data} is there; move it away first`);
      if (!fs.existsSync(base)) throw new Error($localize`${base} is not there: this folder is no archive`);
      own(home);
      fs.rmSync(data, { recursive: true, force: true });
      if (isRoot) execFileSync('runuser', ['-u', ACCOUNT, '--', 'cp', '-a', base, data]);
      else fs.cpSync(base, data, { recursive: true, preserveTimestamps: true });
      fs.appendFileSync(path.join(data, 'postgresql.auto.conf'), `restore_command = 'cp ${logs}/%f %p'\n`);
      fs.writeFileSync(path.join(data, 'recovery.signal'), '');
      if (isRoot) execFileSync('chown', [ACCOUNT, path.join(data, 'recovery.signal')]);
      this.start();
    },
    stop() {
      if (running()) pg('pg_ctl', ['stop', '-w', '-t', '30', '-m', 'fast', '-D', data]);
    },
    destroy() {
      this.stop();
      for (const dir of [home, socket]) fs.rmSync(dir, { recursive: true, force: true });
    },
  };
}

/** A cluster that stays. As root it lies where the postgres account can go; a checkout under /root could not hold it. */
const keptCluster = (asRoot, inCheckout, port) =>
  cluster({
    home: path.resolve(
      process.env.DRUCKEREI_DATA ?? (isRoot ? path.join('/var/lib', asRoot) : path.join(repo, '.data', inCheckout)),
    ),
    port: Number(process.env.DRUCKEREI_PG_PORT ?? port),
    durable: true,
  });

/** The demo's cluster, and that of a works of one's own: never the same. */
export const demoCluster = () => keptCluster('druckerei', 'postgres', 54_610);
export const worksCluster = () => keptCluster('druckerei-works', 'works', 54_620);

/**
 * Runs `work` with the addresses of the database that DATABASE_URL names, else of the works' own where it has been started once,
 * else of the demo's; started for so long if it is not running.
 */
export async function withKeptDatabase(work) {
  const { DATABASE_URL, OWNER_DATABASE_URL } = process.env;
  if (DATABASE_URL !== undefined) return work({ DATABASE_URL, OWNER_DATABASE_URL });
  installPostgres();
  const isWorks = worksCluster().isMade();
  const kept = isWorks ? worksCluster() : demoCluster();
  warn(
    isWorks
      ? $localize`This is the works' own database, in ${kept.home}.`
      : $localize`This is the database of the demo, in ${kept.home}.`,
  );
  const started = kept.start();
  try {
    return await work(kept.database('druckerei'));
  } finally {
    if (started) kept.stop();
  }
}

/** A throwaway cluster of this process's own. @param durable what is acknowledged outlives a kill of it. */
export const testCluster = (durable = false) => {
  const port = 55_000 + (process.pid % 5_000);
  return cluster({ home: path.join(os.tmpdir(), `druckerei-test-${process.pid}`), port, durable });
};
