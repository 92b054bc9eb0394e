import type { XmlElement, XmlTreeNode } from 'libxml2-wasm';
import { table } from '@druckerei/core';
import { OWN } from './subset.js';

/** An element apart from any library: attributes of the standard by their names, ours with "d:" before them. */
export interface Tree {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly Tree[];
  /** Text of an element that holds no others. */
  readonly text?: string | undefined;
  /** Elements in it as they were read, each as XML with its namespaces. */
  readonly verbatim?: readonly string[] | undefined;
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
  attributes: table(
    Object.entries(attributes).flatMap(([key, value]) =>
      value === undefined ? [] : [[key, valueText(value)] as const],
    ),
  ),
  children: children.flatMap((child) => child ?? []),
  line: 0,
});

/** The children of a name. */
export const named = ({ children }: Tree, name: string): readonly Tree[] => children.filter((one) => one.name === name);

/** An element of a file, as a tree. */
export function treeOf(node: XmlElement): Tree {
  const attributes = table(
    node.attrs.flatMap(({ name, namespaceUri, value }) => {
      if (namespaceUri !== '' && namespaceUri !== OWN) return [];
      return [[namespaceUri === OWN ? `${PREFIX}:${name}` : name, value] as const];
    }),
  );
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

const ESCAPES: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  '\t': '&#9;',
  '\n': '&#10;',
  '\r': '&#13;',
};
const sign = (one: string): string => ESCAPES[one] ?? one;
const inAttribute = (text: string): string => text.replace(/[&<>"\t\n\r]/g, sign);
const inText = (text: string): string => text.replace(/[&<>\r]/g, sign);

/** A tree as XML, an element a line. @param verbatim XML that stands in an element as it is */
export function treeText({ name, attributes, children, text, verbatim = [] }: Tree, indent = ''): string {
  const told = Object.entries(attributes).map(([key, value]) => ` ${key}="${inAttribute(value)}"`);
  const open = `${indent}<${name}${told.join('')}`;
  if (text !== undefined) return `${open}>${inText(text)}</${name}>\n`;
  const inside = [
    ...verbatim.map((xml) => `${indent}  ${xml}\n`),
    ...children.map((child) => treeText(child, `${indent}  `)),
  ];
  return inside.length === 0 ? `${open}/>\n` : `${open}>\n${inside.join('')}${indent}</${name}>\n`;
}
