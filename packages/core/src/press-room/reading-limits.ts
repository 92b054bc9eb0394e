import type { Reading } from '../book/index.js';
import { AIM_SETS } from '../colour/index.js';
import { own } from '../kernel/index.js';
import { normsOf } from '../norms/index.js';
import type { Tolerance } from '../quality/index.js';
import { type Works, printingOf } from '../works/index.js';

/**
 * What a reading may be, by the norms of the works: register of its process about nothing, density about the aim of its ink, a colour
 * difference from nothing on. Undefined where the works tells nothing. Source: norms; handbook chapter 9 "Measuring on press".
 * @param machine its id. @param name ink, mark or place.
 */
export function readingLimits(works: Works, machine: string | null, of: Reading, name: string): Tolerance | undefined {
  const norms = normsOf(works, {});
  switch (of) {
    case 'register': {
      const press = works.machines.find(({ id }) => id === machine);
      if (!press?.press) return undefined;
      const most = norms(`register.${printingOf(press)}`).value;
      return { lower: -most, upper: most };
    }
    case 'density': {
      const aim = own(AIM_SETS[0]?.densities, name);
      const off = norms('quality.density').value;
      return aim === undefined ? undefined : { lower: aim - off, upper: aim + off };
    }
    case 'colour':
      return { upper: norms('quality.colour').value };
    default:
      return undefined;
  }
}
