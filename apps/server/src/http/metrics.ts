import { Counter, Histogram, Registry, collectDefaultMetrics } from 'prom-client';
import type { RequestHandler } from 'express';

/** Seconds that answers are counted by: a keystroke's, a plan's, a document's. */
const BUCKETS = [0.005, 0.02, 0.1, 0.3, 1, 3, 10];

/** How the server fares, in the text format of Prometheus: what it answers and how fast, its process, what went wrong. */
export interface Metrics {
  /** Counts an answer. @param what id of the endpoint. */
  answered(what: string, status: number, seconds: number): void;
  /** Counts something that is written to the log as an error. */
  failed(where: string): void;
  readonly handler: RequestHandler;
}

export function makeMetrics(): Metrics {
  const register = new Registry();
  collectDefaultMetrics({ register });
  const answers = new Histogram({
    name: 'druckerei_answer_seconds',
    help: 'Seconds to an answer, by endpoint and status',
    labelNames: ['endpoint', 'status'],
    buckets: BUCKETS,
    registers: [register],
  });
  const failures = new Counter({
    name: 'druckerei_failures_total',
    help: 'Errors that nobody asked for, by where they were',
    labelNames: ['where'],
    registers: [register],
  });
  return {
    answered: (endpoint, status, seconds) => answers.observe({ endpoint, status: String(status) }, seconds),
    failed: (where) => failures.inc({ where }),
    handler: (_request, response, next) => {
      register.metrics().then((text) => response.type(register.contentType).send(text), next);
    },
  };
}
