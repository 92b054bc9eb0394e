import type { Express, Request, RequestHandler, Response } from 'express';
import type * as z from 'zod';
import { type Account, type Endpoint, type EndpointId, ENDPOINTS, fieldErrors, isAudited } from '@druckerei/contract';
import type { Database } from '../db/database.js';
import { type Entries, withEntries } from './entries.js';
import { JsonText } from './json-text.js';
import { endOfTheWay, isOnTheWay } from './on-the-way.js';
import { once } from './sent-once.js';
import type { SecurityLog } from './security-log.js';
import type { Metrics } from './metrics.js';
import { permit } from './permit.js';
import { ProblemError, invalid } from './problem.js';
import { type SessionMemory, accountOf } from './session.js';

type EndpointOf<Id extends EndpointId> = Extract<(typeof ENDPOINTS)[number], { id: Id }>;
type Parsed<E, Field extends string> = E extends Record<Field, infer S extends z.ZodType> ? z.output<S> : undefined;
type ListOf<E> = E extends { readonly list: infer Name extends keyof Parsed<E, 'body'> } ? Name : never;
type BodyOf<E> = [ListOf<E>] extends [never] ? Parsed<E, 'body'> : Omit<Parsed<E, 'body'>, ListOf<E>>;
type EntriesOf<E> = Parsed<E, 'body'>[ListOf<E>] extends readonly (infer Entry)[] ? Entries<Entry> : undefined;

/** What a handler gets: its checked input and who asks (undefined on public routes without a session). */
export interface Call<Id extends EndpointId> {
  readonly params: Parsed<EndpointOf<Id>, 'params'>;
  readonly query: Parsed<EndpointOf<Id>, 'query'>;
  readonly body: BodyOf<EndpointOf<Id>>;
  /** Of a body with a list that may be long: its entries. */
  readonly entries: EntriesOf<EndpointOf<Id>>;
  readonly account: EndpointOf<Id>['right'] extends 'public' ? Account | undefined : Account;
  readonly request: Request;
  readonly response: Response;
}

export type Handlers = { readonly [Id in EndpointId]: (call: Call<Id>) => unknown };
type AnyHandler = (call: unknown) => unknown;

function parse(schema: z.ZodType | undefined, value: unknown, fail: (error: z.ZodError) => ProblemError): unknown {
  if (!schema) return undefined;
  const parsed = schema.safeParse(value, { reportInput: true });
  if (!parsed.success) throw fail(parsed.error);
  return parsed.data;
}

const badAddress = (error: z.ZodError): ProblemError =>
  new ProblemError(400, $localize`The address cannot be used`, { errors: fieldErrors(error) });

export interface RegisterOptions {
  readonly database: Database;
  readonly memory: SessionMemory;
  readonly security: SecurityLog;
  readonly checkAnswers: boolean;
  readonly metrics: Metrics | undefined;
  /** Does what somebody asked for, and notes what that wrote. */
  readonly audit: <T>(account: Account, endpoint: Endpoint, request: Request, work: () => Promise<T>) => Promise<T>;
  /** An answer as somebody may see it. */
  readonly toldTo: (id: EndpointId, account: Account | undefined, answer: unknown) => unknown;
  /** Tells others of it. */
  readonly tell: (account: Account, endpoint: Endpoint, request: Request) => Promise<void>;
  /** What runs ahead of single endpoints (rate limits). */
  readonly before: Partial<Record<EndpointId, readonly RequestHandler[]>>;
}

function handle(endpoint: Endpoint, handler: AnyHandler, options: RegisterOptions): RequestHandler {
  const { database, memory, security, checkAnswers, audit, tell, toldTo } = options;
  return async (request, response) => {
    const account = await accountOf(database, memory, request);
    permit(endpoint, account, ({ login }) => void security.note(request, 'role', login, 'refused'));
    const params = parse(endpoint.params, request.params, badAddress);
    const query = parse(endpoint.query, request.query, badAddress);
    const bodyOf = (schema: z.ZodType | undefined): unknown =>
      parse(schema, request.body, (error) => invalid(fieldErrors(error)));
    const noted = account && isAudited(endpoint);
    const made = await withEntries(endpoint, request, response, bodyOf, (body, entries) => {
      const call = { params, query, body, entries, account, request, response };
      const work = (): Promise<unknown> => Promise.resolve(handler(call));
      return once(database, endpoint, request, account, () =>
        noted ? audit(account, endpoint, request, work) : work(),
      );
    });
    const answer = await toldTo(endpoint.id as EndpointId, account, made);
    if (account) await tell(account, endpoint, request);
    if (isOnTheWay(response)) endOfTheWay(response, { answer });
    if (response.headersSent) return;
    // Tests hold every answer to the contract; in production the cost is saved.
    if (checkAnswers) endpoint.answer?.parse(answer instanceof JsonText ? JSON.parse(answer.text) : answer);
    response.status(endpoint.status);
    if (answer === undefined) response.end();
    else if (answer instanceof JsonText) answer.send(request, response);
    else if (endpoint.media) response.type(endpoint.media).send(answer);
    else response.json(answer);
  };
}

/** Tells how long an answer took, once it is out. */
const timed = ({ id, stream }: Endpoint, { metrics }: RegisterOptions): RequestHandler[] =>
  metrics && !stream
    ? [
        (_request, response, next) => {
          const begun = performance.now();
          response.once('finish', () => metrics.answered(id, response.statusCode, (performance.now() - begun) / 1000));
          next();
        },
      ]
    : [];

/** Registers every endpoint of the contract. */
export function registerEndpoints(app: Express, handlers: Handlers, options: RegisterOptions): void {
  for (const endpoint of ENDPOINTS) {
    const path = endpoint.path.replace(/\{(\w+)\}/g, ':$1');
    const first = [...timed(endpoint, options), ...(options.before[endpoint.id] ?? [])];
    app[endpoint.method](path, ...first, handle(endpoint, handlers[endpoint.id] as AnyHandler, options));
  }
}
