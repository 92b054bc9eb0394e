import type { XmlElement, XmlTreeNode } from 'libxml2-wasm';
import { OWN } from './subset.js';

/** An element apart from any library: attributes of the standard by their names, ours with "d:" before them. */
export interface Tree {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly Tree[];
  /** Text of an element that holds no others. */
  readonly text?: string | undefined;
  readonly comments?: readonly string[] | undefined;
  /** Line of the file that it was read from. */
  readonly line: number;
}

/** Prefix of our namespace. */
export const PREFIX = 'd';

/** What may not stand in XML 1.0 at all. */
const UNWRITABLE = /[^\t\n\r\u0020-\uD7FF\uE000-\uFFFD\u{10000}-\u{10FFFF}]/gu;
/** Text as it can be written: what XML has no way to say becomes the sign for it. */
export const writable = (text: string): string => text.replace(UNWRITABLE, '\uFFFD');

type Value = string | number | boolean | readonly (string | number)[] | undefined;

/** Digits behind the point of what is measured. */
const DECIMALS = 1e6;
const valueText = (value: Exclude<Value, undefined>): string => {
  if (typeof value === 'number') return String(Math.round(value * DECIMALS) / DECIMALS);
  return typeof value === 'object' ? value.map(valueText).join(' ') : writable(String(value));
};

/** An element to be written; what is undefined is left out. */
export const element = (
  name: string,
  attributes: Readonly<Record<string, Value>> = {},
  children: readonly (Tree | undefined)[] = [],
): Tree => ({
  name,
  attributes: Object.fromEntries(
    Object.entries(attributes).flatMap(([key, value]) => (value === undefined ? [] : [[key, valueText(value)]])),
  ),
  children: children.flatMap((child) => child ?? []),
  line: 0,
});

/** The children of a name. */
export const named = ({ children }: Tree, name: string): readonly Tree[] => children.filter((one) => one.name === name);

/** An element of a file, as a tree. */
export function treeOf(node: XmlElement): Tree {
  const attributes: Record<string, string> = {};
  for (const { name, namespaceUri, value } of node.attrs)
    if (namespaceUri === '' || namespaceUri === OWN)
      attributes[namespaceUri === OWN ? `${PREFIX}:${name}` : name] = value;
  const children = elementsOf(node).map(treeOf);
  const ours = node.namespaceUri === OWN;
  return {
    name: ours ? `${PREFIX}:${node.name}` : node.name,
    attributes,
    children,
    ...(children.length > 0 ? {} : { text: node.content }),
    line: node.line,
  };
}

/** The elements inside one. */
export function elementsOf(node: XmlElement): XmlElement[] {
  const found: XmlElement[] = [];
  for (let child: XmlTreeNode | null = node.firstChild; child; child = child.next)
    if ('attrs' in child) found.push(child as XmlElement);
  return found;
}

/** Writes a tree into an element that is there already. */
export function fill(node: XmlElement, { attributes, children, text, comments = [] }: Tree): void {
  for (const [name, value] of Object.entries(attributes)) {
    const [own, bare = ''] = name.split(':');
    if (own === PREFIX) node.setAttr(bare, value, PREFIX);
    else node.setAttr(name, value);
  }
  if (text !== undefined) node.addText(text);
  for (const comment of comments) node.addComment(comment);
  for (const child of children) {
    const [own, bare = ''] = child.name.split(':');
    fill(own === PREFIX && bare !== '' ? node.addElement(bare, PREFIX) : node.addElement(child.name), child);
  }
}
