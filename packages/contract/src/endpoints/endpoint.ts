import * as z from 'zod';
import type { Topic } from '../live.js';
import type { Right } from '../people.js';

export interface Endpoint {
  readonly id: string;
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** OpenAPI path with `{parameters}`. */
  readonly path: string;
  readonly summary: string;
  /** Who may call it: anybody ('public'), everybody who is signed in, or those whose role has this right. */
  readonly right: 'public' | 'signed in' | Right;
  /** For somebody at a browser alone: it is about their session or their own account. */
  readonly browser?: true;
  /** Leaves no line in the audit though it writes: it reckons, says who somebody is, or what it writes is a record itself. */
  readonly unaudited?: true;
  /** What it changes that somebody else may have open: they are told. */
  readonly tells?: Topic;
  /** Answers until its asker leaves, as server-sent events. */
  readonly stream?: true;
  readonly params?: z.ZodObject;
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType;
  /**
   * The member of the body that is a list: it may also come as lines of JSON (`JSON_LINES`), as they are read. The first
   * line is then the body without its list, each other one an entry; up to `MOST_ENTRIES`.
   */
  readonly list?: string;
  /** Media type of a body that is no JSON; it is read as it comes in. */
  readonly takes?: string;
  readonly status: number;
  /** JSON answer; a media type in `media` where it is no JSON. */
  readonly answer?: z.ZodType;
  readonly media?: string;
}

/** Whether what somebody does there leaves a line in the audit. */
export const isAudited = ({ method, unaudited }: Pick<Endpoint, 'method' | 'unaudited'>): boolean =>
  method !== 'get' && unaudited !== true;

export const whole = z.coerce.number().int().min(1).max(2_147_483_647);
export const job = z.object({ id: whole });
export const revision = z.object({ id: whole, revision: whole });
