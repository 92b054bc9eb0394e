import { dirname, join } from 'node:path';
import { readFileSync } from 'node:fs';
import ts from 'typescript';
import { namesIn } from './in-formulas.mjs';
import { readTemplate } from './in-templates.mjs';
import { isTagged, unmarkedOf } from './unmarked.mjs';

const BLOCK = /^:([^:]*):/;

/** What is told before a part of a tagged template, `:so:`, and the part; a sign that is meant as itself stands behind a backslash. */
function blockOf(node) {
  const raw = node.rawText ?? node.text;
  const block = raw.startsWith('\\:') ? null : BLOCK.exec(node.text);
  return { told: block?.[1] ?? '', text: block ? node.text.slice(block[0].length) : node.text };
}

/** A tagged template as its id is made of it: `{$PH} sheets of {$PH_1}`; before a bar, what tells it from its like. */
function taggedText(template) {
  const spans = ts.isTemplateExpression(template) ? template.templateSpans : [];
  const { told, text } = blockOf(ts.isTemplateExpression(template) ? template.head : template);
  const rest = spans.map(({ literal }, n) => {
    const part = blockOf(literal);
    return `{$${part.told || `PH${n === 0 ? '' : `_${n}`}`}}${part.text}`;
  });
  return { meaning: told.includes('|') ? told.slice(0, told.indexOf('|')) : '', text: [text, ...rest].join('') };
}

/** The template of a component, where a property is it or names its file; where it begins in the code, where it stands there. */
function templateOf(node, file) {
  if (!ts.isPropertyAssignment(node) || !ts.isStringLiteralLike(node.initializer)) return undefined;
  const { text } = node.initializer;
  const name = node.name.getText();
  if (name === 'template') return { template: text, begins: node.initializer.getStart() + 1 };
  return name === 'templateUrl' ? { template: readFileSync(join(dirname(file), text), 'utf8') } : undefined;
}

/**
 * What a file of code says to people: texts that are tagged, and those of its templates; what it says to everybody in English; and
 * every literal, with 0 for what is put into it; names of properties and of several; names in formulas. @param {string} file @param {string} code what stands in it
 * @returns {{ said: { meaning: string, text: string, line: number, looked?: boolean }[], unmarked: { text: string, line: number, shown?: boolean }[], literals: string[], names: string[], symbols: string[] }}
 */
export function readCode(file, code = readFileSync(file, 'utf8')) {
  const source = ts.createSourceFile(file, code, ts.ScriptTarget.Latest, true);
  const lineOf = (at) => source.getLineAndCharacterOfPosition(at).line + 1;
  const [said, unmarked, literals, names] = [[], [], [], []];
  const visit = (node) => {
    const line = lineOf(node.getStart());
    if (isTagged(node)) said.push({ ...taggedText(node.template), line });
    if (ts.isStringLiteralLike(node) && !ts.isTaggedTemplateExpression(node.parent)) literals.push(node.text);
    if (ts.isPropertyAssignment(node) || ts.isShorthandPropertyAssignment(node)) names.push(node.name.getText());
    // A formula may have its parts put together, and names of several their numbers.
    if (ts.isTemplateExpression(node)) {
      const parts = [node.head, ...node.templateSpans.map(({ literal }) => literal)].map(({ text }) => text);
      literals.push(parts.join('0'));
      names.push(parts[0]);
    }
    const found = unmarkedOf(node, file);
    if (found) unmarked.push({ ...found, line });
    const own = templateOf(node, file);
    if (own) {
      const read = readTemplate(own.template, file);
      const placed = ({ at, ...one }) => ({ ...one, line: own.begins === undefined ? line : lineOf(own.begins + at) });
      said.push(...read.said.map(placed));
      unmarked.push(...read.unmarked.map(placed));
      literals.push(...read.literals);
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return { said, unmarked, literals, names, symbols: literals.flatMap(namesIn) };
}
