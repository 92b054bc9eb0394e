import * as z from 'zod';
import { jobSchema } from './job-file.js';
import { MOST_COUNTED, countLine } from './room.js';

/** Most letters of an exchange file as it is sent: a megabyte of bytes. */
const MOST_EXCHANGED = 1_400_000;
/** A file of another program (XJDF), in base64. */
export const exchangeFileSchema = z
  .strictObject({
    file: z
      .base64({ error: () => $localize`send the file itself, in base64` })
      .min(4)
      .max(MOST_EXCHANGED),
  })
  .meta({ id: 'ExchangeFile' });
/** What a file of another program tells; nothing of it has been taken in. */
export const exchangedSchema = z
  .strictObject({
    job: jobSchema.nullable().describe('the job that it asks for, to be begun'),
    why: z.array(z.string()).describe('why there is no such job'),
    said: z.array(z.string()).describe('what was taken as usual, what is kept without being understood'),
    counts: z.array(countLine).max(MOST_COUNTED).describe('what other programs counted, to be entered in the book'),
  })
  .meta({ id: 'Exchanged' });
export type Exchanged = z.output<typeof exchangedSchema>;
