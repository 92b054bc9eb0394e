import type { Request, Response } from 'express';

/**
 * Tells what an answer is known by, and whether who asks holds that very answer: 304 has been sent then (RFC 9110).
 *
 * @param mark changes whenever the answer does; letters and digits.
 */
export function unchanged(request: Request, response: Response, mark: string): boolean {
  const tag = `"${mark}"`;
  response.setHeader('ETag', tag);
  const held = (request.headers['if-none-match'] ?? '').split(',').map((one) => one.trim().replace(/^W\//, ''));
  if (!held.includes(tag)) return false;
  response.status(304).end();
  return true;
}
