import { AGENT } from './audits.js';
import type { FileFault } from './read-xml.js';
import { everywhere } from './references.js';
import { type Tree, named } from './tree.js';

/** What another program counted at a station, or when it ran. */
export interface ToldAudit {
  readonly job: string;
  readonly station: string;
  /** ISO 8601. */
  readonly at: string;
  readonly good: number;
  readonly spoiled: number;
  /** When the run began that ended at `at`. */
  readonly begun?: string;
  readonly line: number;
}

/** What a book takes: with its offset, or by the clock of the works; undefined where there is no such moment. */
function moment(text: string | undefined): string | undefined {
  const [, local = '', offset = ''] =
    /^(\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2})(?:\.\d+)?(Z|[+-]\d{2}:\d{2})?$/.exec(text?.trim() ?? '') ?? [];
  const ms = Date.parse(`${local}${offset === '' ? 'Z' : offset}`);
  if (Number.isNaN(ms)) return undefined;
  return offset === '' ? local : new Date(ms).toISOString();
}

/** Counts are whole. */
const countOf = (tree: Tree, name: 'Amount' | 'Waste'): number =>
  everywhere(tree, 'PartAmount').reduce((sum, { attributes }) => sum + Number(attributes[name] ?? 0), 0);

/**
 * What the audits of other programs tell; those that we wrote ourselves are left out. The station is the one that an attribute of ours names, else the part
 * of the job that the file is of, else the device.
 */
export function toldAudits(root: Tree): { audits: readonly ToldAudit[]; faults: readonly FileFault[] } {
  const audits: ToldAudit[] = [];
  const faults: FileFault[] = [];
  const all = [...everywhere(root, 'AuditProcessRun'), ...everywhere(root, 'AuditResource')];
  for (const audit of all) {
    const { line, attributes } = audit;
    const header = named(audit, 'Header')[0];
    if (header?.attributes['AgentName'] === AGENT) continue;
    const station = attributes['d:Station'] ?? root.attributes['JobPartID'] ?? header?.attributes['DeviceID'];
    const run = named(audit, 'ProcessRun')[0];
    const at = moment(run?.attributes['End'] ?? header?.attributes['Time']);
    const begun = moment(run?.attributes['Start']);
    const [good, spoiled] = [countOf(audit, 'Amount'), countOf(audit, 'Waste')];
    if (station === undefined)
      faults.push({
        line,
        message: $localize`${audit.name} names no station: JobPartID of the XJDF or DeviceID of its Header does.`,
      });
    else if (at === undefined)
      faults.push({
        line,
        message: $localize`${audit.name} does not say when: it wants a Header with a Time as 2026-12-01T14:05:00Z.`,
      });
    else if (![good, spoiled].every(Number.isInteger))
      faults.push({ line, message: $localize`${audit.name} counts ${good} and ${spoiled}\: counts are whole.` });
    else if (begun !== undefined || good + spoiled > 0)
      audits.push({
        job: root.attributes['JobID'] ?? '',
        station,
        at,
        good,
        spoiled,
        line,
        ...(begun === undefined ? {} : { begun }),
      });
  }
  return { audits, faults };
}
