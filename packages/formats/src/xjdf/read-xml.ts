import { type ErrorDetail, XmlDocument, XmlLibError, XsdValidator } from 'libxml2-wasm';
import { type FoundForeign, SAFELY, takeForeign } from './kept.js';
import { XJDF } from './subset.js';
import { type Tree, treeOf } from './tree.js';
import { subsetXsd } from './xsd.js';

/** What is wrong with a file, and on which line of it. */
export interface FileFault {
  readonly line: number;
  readonly message: string;
}

/** A file that is sound: its elements that are understood, and what is not. */
export interface SoundFile {
  readonly root: Tree;
  readonly foreign: readonly FoundForeign[];
}

/** Faults that are told of one file. */
const MOST_FAULTS = 50;

/** Names as they stand in the file, types as people read them. */
const plain = (message: string): string =>
  message
    .trim()
    .replace(/\{[^}]*\}/g, '')
    .replace(/ is not a valid value of the (?:atomic|list|union|local atomic) type /, $localize` is not a `)
    .replace(/'xs:nonNegativeInteger'/g, 'whole number')
    .replace(/'xs:dateTime'/g, 'time (2026-12-01T14:05:00Z)')
    .replace(/'xs:duration'/g, 'duration (PT90M)')
    .replace(/'xs:boolean'/g, $localize`true or false`)
    .replace(/'xs:NMTOKENS?'/g, 'name (letters, digits, . - _)')
    .replace(/'(?:Measure|Measures|xs:double)'/g, 'number');

const faultsOf = (details: readonly ErrorDetail[]): FileFault[] =>
  details.slice(0, MOST_FAULTS).map(({ line, message }) => ({ line, message: plain(message) }));

let validator: XsdValidator | undefined;
/** The schema is made ready once. */
function schema(): XsdValidator {
  if (!validator) {
    const xsd = XmlDocument.fromString(subsetXsd());
    validator = XsdValidator.fromDoc(xsd);
    xsd.dispose();
  }
  return validator;
}

function wrongRoot(document: XmlDocument): string | undefined {
  if (document.dtd)
    return $localize`A DOCTYPE is not read: take it out. Nothing of an exchange file is defined by one.`;
  const { name, namespaceUri } = document.root;
  if (name === 'XJDF' && namespaceUri === XJDF) return undefined;
  if (name === 'XJDF') return $localize`The root has the namespace "${namespaceUri}"; ${XJDF} is read.`;
  return $localize`The root is ${name}; XJDF of the namespace ${XJDF} is read.`;
}

/** The faults of a document that the parser, or the schema of the subset, finds; undefined where none. */
function schemaFaults(run: () => void): FileFault[] | undefined {
  try {
    run();
    return undefined;
  } catch (error) {
    if (error instanceof XmlLibError) return faultsOf(error.details);
    throw error;
  }
}

/**
 * Reads the elements of a file that are understood and holds them to the schema of the subset; what is not is taken out first, and told. Bytes of any
 * encoding that the file names. Nothing is fetched, no entity is put in.
 */
export function readXml(bytes: Uint8Array): SoundFile | readonly FileFault[] {
  let document: XmlDocument | undefined;
  try {
    const unread = schemaFaults(() => {
      document = XmlDocument.fromBuffer(bytes, SAFELY);
    });
    if (!document) return unread ?? [];
    const wrong = wrongRoot(document);
    if (wrong !== undefined) return [{ line: document.root.line, message: wrong }];
    const foreign = takeForeign(document.root);
    const { root } = document;
    const faults = schemaFaults(() => schema().validate(root.doc));
    return faults ?? { root: treeOf(root), foreign };
  } finally {
    document?.dispose();
  }
}
