import type { ForeignElement } from '@druckerei/core';
import { MOST_FOREIGN, MOST_FOREIGN_ELEMENTS } from '@druckerei/contract';
import { type ToldProduct, rootProduct, toldProduct } from './read-product.js';
import { type FileFault, readXml } from './read-xml.js';
import { type ToldAudit, toldAudits } from './read-audits.js';
import { everywhere, referenceFaults } from './references.js';
import { SUBSET } from './subset.js';
import { type Tree, PREFIX, named } from './tree.js';

/** What an XJDF tells. */
export interface ToldXjdf {
  readonly number: string;
  readonly title: string | undefined;
  readonly customer: string | undefined;
  readonly quantity: string | undefined;
  /** ISO 8601 date. */
  readonly due: string | undefined;
  readonly product: ToldProduct | undefined;
  /** The job file, where one of ours wrote it. */
  readonly jobFile: string | undefined;
  readonly audits: readonly ToldAudit[];
  readonly foreign: readonly ForeignElement[];
  /** What is not understood, in words, with its line. */
  readonly notes: readonly string[];
}
/** What came of a file. */
export type ReadXjdf =
  { readonly ok: true; readonly value: ToldXjdf } | { readonly ok: false; readonly faults: readonly FileFault[] };

const inFile = ({ line, message }: FileFault): string => $localize`Line ${line}\: ${message}`;

/** Attributes that the subset has not. */
function unknownAttributes(tree: Tree): FileFault[] {
  const known = SUBSET[tree.name]?.attributes ?? {};
  return [
    ...Object.keys(tree.attributes).flatMap((name) =>
      name in known || name.startsWith(`${PREFIX}:`)
        ? []
        : [{ line: tree.line, message: $localize`${tree.name}/@${name} is not understood, and left.` }],
    ),
    ...tree.children.flatMap(unknownAttributes),
  ];
}

const ISO_DAY = 10;
/** The last day that something of it is wanted on, where it is delivered at once. */
function dueOf(root: Tree): string | undefined {
  const days = everywhere(root, 'DeliveryParams').flatMap(
    ({ attributes }) => attributes['Required']?.trim().slice(0, ISO_DAY) ?? [],
  );
  return days.sort().at(-1);
}

const NOTES = 100;

/** Reads an XJDF of the subset: what is ordered, the job file that one of ours put in, what other programs counted, and what is not understood. */
export function readXjdf(bytes: Uint8Array): ReadXjdf {
  const file = readXml(bytes);
  if (!('root' in file)) return { ok: false, faults: file };
  const { root } = file;
  const { audits, faults } = toldAudits(root);
  const wrong = [...referenceFaults(root), ...faults];
  if (wrong.length > 0) return { ok: false, faults: wrong };
  const list = named(root, 'ProductList')[0];
  const foreign: ForeignElement[] = [];
  const notes: string[] = [];
  let letters = 0;
  for (const { at, xml, name, line } of file.foreign) {
    letters += xml.length;
    const fits = letters <= MOST_FOREIGN && foreign.length < MOST_FOREIGN_ELEMENTS;
    if (fits) foreign.push({ at, xml });
    notes.push(
      inFile({
        line,
        message: $localize`${name} is not understood, and ${fits ? $localize`kept as it is` : $localize`too much to be kept`}.`,
      }),
    );
  }
  notes.push(...unknownAttributes(root).map(inFile));
  return {
    ok: true,
    value: {
      number: root.attributes['JobID'] ?? '',
      title: root.attributes['DescriptiveName'] ?? rootProduct(list)?.attributes['DescriptiveName'],
      customer: everywhere(root, 'Company').at(0)?.attributes['OrganizationName'],
      quantity: rootProduct(list)?.attributes['Amount'],
      due: dueOf(root),
      product: toldProduct(list),
      jobFile: named(root, `${PREFIX}:Job`).at(0)?.text,
      audits,
      foreign,
      notes: notes.length > NOTES ? [...notes.slice(0, NOTES), $localize`And ${notes.length - NOTES} more.`] : notes,
    },
  };
}
