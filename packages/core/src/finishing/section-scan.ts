/** What a reader of section codes can find. */
export const SCAN_FAULTS = ['missing', 'doubled', 'wrong', 'turned', 'foreign'] as const;
/** What a section reader finds wrong: a section missing, doubled, of another place, turned, or of another book. */
export type ScanFault = (typeof SCAN_FAULTS)[number];

/** One code as it was read: the text, and whether it came the right way up. */
export interface Scan {
  readonly code: string;
  readonly upright: boolean;
}

/** What a reading of codes comes to: whole blocks, or the first fault and where it is. */
export type ScanResult =
  | { readonly ok: true; readonly blocks: number }
  | {
      readonly ok: false;
      readonly fault: ScanFault;
      readonly at: number;
      readonly block: number;
      readonly wanted: string;
      readonly read: string;
    };

/**
 * Checks a stream of scans against the codes of a block, again and again, and stops at the first error, as a reader at
 * the gatherer does. Positions and blocks count from 0. Source: handbook chapter 7 "Section marks".
 */
export function checkScans(codes: readonly string[], scans: readonly Scan[]): ScanResult {
  for (const [at, scan] of scans.entries()) {
    const place = at % codes.length;
    const wanted = codes[place] ?? '';
    const stop = (fault: ScanFault): ScanResult => ({
      ok: false,
      fault,
      at,
      block: Math.floor(at / codes.length),
      wanted,
      read: scan.code,
    });
    if (scan.code !== wanted) {
      if (!codes.includes(scan.code)) return stop('foreign');
      if (place > 0 && scan.code === codes[place - 1]) return stop('doubled');
      if (scan.code === codes[(place + 1) % codes.length]) return stop('missing');
      return stop('wrong');
    }
    if (!scan.upright) return stop('turned');
  }
  const over = scans.length % codes.length;
  if (over !== 0)
    return {
      ok: false,
      fault: 'missing',
      at: scans.length,
      block: Math.floor(scans.length / codes.length),
      wanted: codes[over] ?? '',
      read: '',
    };
  return { ok: true, blocks: scans.length / codes.length };
}
