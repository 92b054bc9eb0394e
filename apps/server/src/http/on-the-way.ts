import type { Request, Response } from 'express';
import { JSON_LINES } from '@druckerei/contract';

/** What is done with the entries of a list. */
export type Doing = 'looking' | 'entering';

/** Milliseconds between two lines of how far work is. */
const BETWEEN = 200;

/**
 * Tells whoever asks for lines of JSON how far the work is that they wait for, each a line; the last one is written by
 * {@link endOfTheWay}. Whoever does not ask is answered as ever.
 */
export function onTheWay(request: Request, response: Response): (doing: Doing, done: number, of: number) => void {
  if (request.get('accept') !== JSON_LINES) return () => undefined;
  let last = 0;
  return (doing, done, of) => {
    const now = performance.now();
    if (now - last < BETWEEN) return;
    last = now;
    if (!response.headersSent) response.status(200).setHeader('Content-Type', JSON_LINES);
    response.write(`${JSON.stringify({ doing, done, of })}\n`);
  };
}

/** Whether somebody has been told on the way. */
export const isOnTheWay = (response: Response): boolean =>
  response.headersSent && !response.writableEnded && response.getHeader('content-type') === JSON_LINES;

/** The last line of what was told on the way. */
export const endOfTheWay = (response: Response, told: { answer: unknown } | { problem: unknown }): void =>
  void response.end(`${JSON.stringify(told)}\n`);
