import { type DestinationStream, type Logger, pino, stdSerializers } from 'pino';
import { type HttpLogger, pinoHttp } from 'pino-http';
import { errorForLog, withoutToken } from '../db/errors.js';

/** What an error is written as is settled here, for every line: whoever logs one gives it as it is. */
export const openLog = (level: string, into?: DestinationStream): Logger =>
  pino({ level, serializers: { err: errorForLog } }, into ?? pino.destination());

/** Lines of requests: nothing of them that lets somebody in. */
export const requestLog = (log: Logger): HttpLogger =>
  pinoHttp({
    logger: log,
    // A line for every request costs, and is asked for by its level.
    autoLogging: log.isLevelEnabled('info'),
    redact: [
      'req.headers.cookie',
      'req.headers.authorization',
      'req.headers["x-xsrf-token"]',
      'res.headers["set-cookie"]',
    ],
    // Not wrapped in those of the library: they would be given what is written already.
    wrapSerializers: false,
    serializers: {
      err: errorForLog,
      req: (request: Parameters<typeof stdSerializers.req>[0]) => withoutToken(stdSerializers.req(request)),
      res: stdSerializers.res,
    },
  });
