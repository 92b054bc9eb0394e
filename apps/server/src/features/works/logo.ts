import type { WorksSettings } from '@druckerei/core';
import { type Letterhead, pictureOf } from '@druckerei/formats';
import type { Queries } from '../../db/database.js';
import { ProblemError, invalid } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import type { Bench } from '../jobs/bench.js';

/** What the works says of itself at the head of a paper, without its logo. */
export const headOf = ({ name, place, letterhead }: WorksSettings): Letterhead => ({
  name,
  ...(place ? { place } : {}),
  ...(letterhead ? { letterhead } : {}),
});

/** The logo of the works, as a data URL. */
export const currentLogo = async (queries: Queries): Promise<string | undefined> =>
  (await queries.one<{ logo: string }>('works/logo'))?.logo;

const wrong = (message: string): ProblemError => invalid([{ path: 'image', message }]);

export const logoHandlers = ({ database, workshop }: Bench): Pick<Handlers, 'logo' | 'setLogo' | 'dropLogo'> => ({
  logo: async () => ({ logo: (await currentLogo(database)) ?? null }),
  setLogo: async ({ account, body }) => {
    const read = pictureOf(Buffer.from(body.image, 'base64'));
    if ('wrong' in read) throw wrong(read.wrong);
    // What cannot be drawn now would keep every paper from being made later.
    await workshop.run('letterhead', { name: '', logo: read.logo }).catch((error: unknown) => {
      if (error instanceof ProblemError && error.status !== 422) throw error;
      throw wrong($localize`This picture is damaged: it cannot be drawn. Save it anew as PNG or JPEG.`);
    });
    await database.one('works/put-logo', read.logo, account.id);
    return { logo: read.logo };
  },
  dropLogo: async () => {
    await database.one('works/drop-logo');
    return { logo: null };
  },
});
