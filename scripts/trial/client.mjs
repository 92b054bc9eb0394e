// A browser without a face for the trials: keeps its cookies and its token.
import http from 'node:http';
import { setTimeout as wait } from 'node:timers/promises';

const agent = new http.Agent({ keepAlive: true });
const SIGN_IN = { login: 'manager', password: 'weir-and-wheel' };
/** Milliseconds after which an answer is no longer waited for. */
const PATIENCE_MS = 20_000;

export class Client {
  cookies = new Map();
  constructor(address) {
    this.address = address;
  }
  /** A request as it is given; cookies of the answer are kept where it was sent with ours. */
  async raw(method, at, body, headers = {}) {
    const response = await fetch(`${this.address}${at}`, {
      method,
      headers: {
        cookie: this.cookie(),
        'x-xsrf-token': decodeURIComponent(this.cookies.get('XSRF-TOKEN') ?? ''),
        ...(body === undefined ? {} : { 'content-type': 'application/json' }),
        ...headers,
      },
      ...(body === undefined ? {} : { body }),
      signal: AbortSignal.timeout(PATIENCE_MS),
    });
    if (headers.cookie === undefined)
      for (const cookie of response.headers.getSetCookie()) {
        const [name, value] = cookie.split(';', 1)[0].split('=', 2);
        this.cookies.set(name, value);
      }
    // A stream is left where it begins: it has no end to wait for.
    const isStream = response.headers.get('content-type')?.startsWith('text/event-stream');
    if (isStream) await response.body?.cancel();
    return { status: response.status, text: isStream ? '' : await response.text() };
  }
  /** Reads something as cheaply as can be, so that it is the server that is timed: neither unpacked nor read. @returns its status. */
  get(at) {
    return new Promise((resolve, reject) => {
      const headers = { cookie: this.cookie(), 'accept-encoding': 'gzip' };
      const asked = http.get(`${this.address}${at}`, { agent, headers, timeout: PATIENCE_MS }, (response) => {
        response.resume();
        response.once('end', () => resolve(response.statusCode));
      });
      asked.once('error', reject);
    });
  }
  cookie() {
    return [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; ');
  }
  async call(method, at, body) {
    const { status, text } = await this.raw(method, at, body === undefined ? undefined : JSON.stringify(body));
    return { status, body: text === '' ? undefined : JSON.parse(text) };
  }
  async signIn() {
    await this.call('GET', '/api/session');
    const { status } = await this.call('POST', '/api/session', SIGN_IN);
    if (status !== 200) throw new Error(`sign-in: ${status}`);
  }
}

const healthy = (address) =>
  fetch(`${address}/api/health`, { signal: AbortSignal.timeout(2_000) }).then(
    ({ ok }) => ok,
    () => false,
  );

/** @returns milliseconds until the server is healthy. */
export async function untilHealthy(address) {
  const began = performance.now();
  while (!(await healthy(address))) {
    if (performance.now() - began > 60_000) throw new Error('the server does not come back');
    await wait(20);
  }
  return performance.now() - began;
}
