const cookiesOf = (answer) => answer.headers.getSetCookie().map((one) => one.split(';')[0]);
const tokenOf = (cookies) =>
  decodeURIComponent(cookies.findLast((one) => one.startsWith('XSRF-TOKEN='))?.slice('XSRF-TOKEN='.length) ?? '');

/** Somebody who is signed in at an instance: calls it; a body that is text are lines of JSON. */
export async function signedIn(address) {
  let cookies = cookiesOf(await fetch(`${address}/api/session`));
  const call = (method, url, body) =>
    fetch(`${address}${url}`, {
      method,
      headers: {
        'Content-Type': typeof body === 'string' ? 'application/x-ndjson' : 'application/json',
        'X-XSRF-TOKEN': tokenOf(cookies),
        Cookie: cookies.join('; '),
      },
      ...(body ? { body: typeof body === 'string' ? body : JSON.stringify(body) } : {}),
    });
  cookies = cookiesOf(await call('POST', '/api/session', { login: 'manager', password: 'weir-and-wheel' }));
  return call;
}
