// The built server, started again when it ends by itself, and the address that it answers at.
import { spawn } from 'node:child_process';
import { repo } from './build-steps.mjs';
import { $localize, warn } from './terminal.mjs';

/** Milliseconds before a server that ended by itself is started again, and how often within a minute. */
const AGAIN_MS = 500;
const MOST_STARTS = 10;

/** Runs the server until it is told to stop (Ctrl-C). @param env what it is told @param ended called once, at the end */
export function keepRunning(env, ended) {
  let stopping = false;
  let server;
  const starts = [];
  function start() {
    starts.push(Date.now());
    server = spawn(process.execPath, ['--enable-source-maps', 'apps/server/dist/main.js'], {
      cwd: repo,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, NODE_ENV: 'production', ...env },
    });
    server.on('exit', (code) => {
      const lately = starts.filter((at) => at > Date.now() - 60_000).length;
      if (!stopping && lately < MOST_STARTS) {
        warn($localize`The server ended (${code}); starting it again.`);
        setTimeout(start, AGAIN_MS);
        return;
      }
      ended();
      process.exit(stopping ? 0 : (code ?? 1));
    });
  }
  function stop() {
    if (stopping) return;
    stopping = true;
    server.kill('SIGTERM');
  }
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
  start();
  return { isStopping: () => stopping };
}

/** Whether a server answers at an address. */
export const answers = (address) =>
  fetch(`${address}/api/health`).then(
    (response) => response.ok,
    () => false,
  );
