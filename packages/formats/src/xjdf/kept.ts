import { type XmlElement, ParseOption, XmlC14NMode, XmlDocument } from 'libxml2-wasm';
import type { ForeignElement } from '@druckerei/core';
import { OWN, SUBSET, XJDF } from './subset.js';
import { elementsOf } from './tree.js';

/** Nothing is fetched, no entity is put in. */
export const SAFELY = { option: (ParseOption.XML_PARSE_NONET | ParseOption.XML_PARSE_NO_XXE) as ParseOption } as const;

/** An element that is not of the subset, and the line it was found on. */
export interface FoundForeign extends ForeignElement {
  readonly name: string;
  readonly line: number;
}

/** An element by itself, with the namespaces that it stands in. */
const alone = (node: XmlElement): string => node.canonicalizeToString({ mode: XmlC14NMode.XML_C14N_EXCLUSIVE_1_0 });

const isOurs = ({ namespaceUri, name }: XmlElement, parent: string): boolean =>
  namespaceUri === XJDF
    ? (SUBSET[parent]?.children.includes(name) ?? false)
    : namespaceUri === OWN && parent === 'XJDF';

/** Takes what is not of the subset out of an element. @param at path of the element from the root, with places from 1 where several are alike. */
export function takeForeign(node: XmlElement, at = ''): FoundForeign[] {
  const seen = new Map<string, number>();
  return elementsOf(node).flatMap((child) => {
    if (!isOurs(child, node.name)) {
      const found = { at, xml: alone(child), name: child.name, line: child.line };
      child.remove();
      return [found];
    }
    if (child.namespaceUri === OWN) return [];
    const nth = (seen.get(child.name) ?? 0) + 1;
    seen.set(child.name, nth);
    return takeForeign(child, `${at}/${child.name}[${nth}]`);
  });
}

/** The element as it may be put into another file; undefined where it is no element by itself. */
export function foreignXml(xml: string): string | undefined {
  let document: XmlDocument | undefined;
  try {
    document = XmlDocument.fromString(xml, SAFELY);
    return document.dtd ? undefined : alone(document.root);
  } catch {
    return undefined;
  } finally {
    document?.dispose();
  }
}
