import * as z from 'zod';
import { type Role } from '../session.js';

export interface Endpoint {
  readonly id: string;
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** OpenAPI path with `{parameters}`. */
  readonly path: string;
  readonly summary: string;
  /** Who may call it: nobody signed in ('public'), or one of these roles. */
  readonly roles: 'public' | readonly Role[];
  readonly params?: z.ZodObject;
  readonly query?: z.ZodObject;
  readonly body?: z.ZodType;
  /** Media type of a body that is no JSON; it is read as it comes in. */
  readonly takes?: string;
  readonly status: number;
  /** JSON answer; a media type in `media` where it is no JSON. */
  readonly answer?: z.ZodType;
  readonly media?: string;
}

export const ALL: readonly Role[] = ['manager', 'operator', 'viewer'];
export const MANAGER: readonly Role[] = ['manager'];
export const HANDS: readonly Role[] = ['manager', 'operator'];
export const whole = z.coerce.number().int().min(1).max(2_147_483_647);
export const job = z.object({ id: whole });
export const revision = z.object({ id: whole, revision: whole });
