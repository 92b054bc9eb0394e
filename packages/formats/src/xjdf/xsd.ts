import { type SubsetElement, type ValueKind, OWN, SUBSET, XJDF } from './subset.js';

const SIMPLE: Readonly<Record<Exclude<ValueKind, readonly string[]>, string>> = {
  text: 'xs:string',
  name: 'xs:NMTOKEN',
  names: 'xs:NMTOKENS',
  count: 'xs:nonNegativeInteger',
  counts: 'Counts',
  number: 'Measure',
  numbers: 'Measures',
  flag: 'xs:boolean',
  time: 'xs:dateTime',
  duration: 'xs:duration',
};

/** Numbers that are no infinity, and lists of them. */
const LISTS = `  <xs:simpleType name="Measure"><xs:restriction base="xs:double"><xs:minInclusive value="0"/><xs:maxInclusive value="1e15"/></xs:restriction></xs:simpleType>
  <xs:simpleType name="Measures"><xs:list itemType="Measure"/></xs:simpleType>
  <xs:simpleType name="Counts"><xs:list itemType="xs:nonNegativeInteger"/></xs:simpleType>`;

function attributeXsd([name, kind]: readonly [string, ValueKind], wants: readonly string[]): string {
  const use = wants.includes(name) ? ' use="required"' : '';
  if (typeof kind === 'string') return `    <xs:attribute name="${name}" type="${SIMPLE[kind]}"${use}/>`;
  const words = kind.map((word) => `<xs:enumeration value="${word}"/>`).join('');
  return `    <xs:attribute name="${name}"${use}><xs:simpleType><xs:restriction base="xs:NMTOKEN">${words}</xs:restriction></xs:simpleType></xs:attribute>`;
}

function typeXsd([name, { attributes, wants = [], children }]: readonly [string, SubsetElement]): string {
  const ours = name === 'XJDF' ? [`      <xs:any namespace="${OWN}" processContents="skip"/>`] : [];
  const inside = [...children.map((child) => `      <xs:element name="${child}" type="${child}"/>`), ...ours];
  return [
    `  <xs:complexType name="${name}">`,
    ...(inside.length > 0
      ? ['    <xs:choice minOccurs="0" maxOccurs="unbounded">', ...inside, '    </xs:choice>']
      : []),
    ...Object.entries(attributes).map((attribute) => attributeXsd(attribute, wants)),
    '    <xs:anyAttribute namespace="##any" processContents="skip"/>',
    '  </xs:complexType>',
  ].join('\n');
}

/** The schema of the subset (XML Schema 1.0), made of {@link SUBSET}. */
export const subsetXsd = (): string =>
  [
    '<?xml version="1.0" encoding="UTF-8"?>',
    '<!-- What Druckerei reads and writes of XJDF 2.x, from memory; it is not the schema of the standard. Made by npm run schema. -->',
    `<xs:schema xmlns:xs="http://www.w3.org/2001/XMLSchema" xmlns="${XJDF}" targetNamespace="${XJDF}" elementFormDefault="qualified">`,
    LISTS,
    '  <xs:element name="XJDF" type="XJDF"/>',
    ...Object.entries(SUBSET).map(typeXsd),
    '</xs:schema>',
    '',
  ].join('\n');

const kindText = (kind: ValueKind): string => (typeof kind === 'string' ? kind : kind.join(' or '));

/** The subset as a table, in Markdown. */
export const subsetTable = (): string =>
  [
    '',
    '| element | attributes (those in bold have to be there) | elements in it |',
    '| --- | --- | --- |',
    ...Object.entries(SUBSET).map(([name, { attributes, wants = [], children }]) => {
      const told = Object.entries(attributes).map(
        ([attribute, kind]) => `${wants.includes(attribute) ? `**${attribute}**` : attribute} (${kindText(kind)})`,
      );
      return `| ${name} | ${told.join(', ')} | ${children.join(', ')} |`;
    }),
    '',
    '',
  ].join('\n');
