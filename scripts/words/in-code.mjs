import { dirname, join } from 'node:path';
import { readFileSync } from 'node:fs';
import ts from 'typescript';
import { wordsOfTemplate } from './in-templates.mjs';

const BLOCK = /^:([^:]*):/;

/** What is told before a part of a tagged template, `:so:`, and the part; a sign that is meant as itself stands behind a backslash. */
function blockOf(node) {
  const raw = node.rawText ?? node.text;
  const block = raw.startsWith('\\:') ? null : BLOCK.exec(node.text);
  return { told: block?.[1], text: block ? node.text.slice(block[0].length) : node.text };
}

/** `meaning|` tells a text from its like. */
const meaningOf = (told) => (told?.includes('|') ? told.slice(0, told.indexOf('|')) : '');

/** A tagged template as its id is made of it: `{$PH} sheets of {$PH_1}`, and what tells it from its like. */
function taggedText(template) {
  if (ts.isNoSubstitutionTemplateLiteral(template)) {
    const { told, text } = blockOf(template);
    return { meaning: meaningOf(told), text };
  }
  const { told, text: head } = blockOf(template.head);
  let text = head;
  template.templateSpans.forEach(({ literal }, n) => {
    const part = blockOf(literal);
    text += `{$${part.told ?? `PH${n === 0 ? '' : `_${n}`}`}}${part.text}`;
  });
  return { meaning: meaningOf(told), text };
}

/**
 * Every text for people of a file of code: what is tagged with $localize, and what its templates say.
 * @param {string} file @param {(said: { meaning: string, text: string }, line: number) => void} found
 */
export function wordsOfCode(file, found) {
  const code = readFileSync(file, 'utf8');
  const source = ts.createSourceFile(file, code, ts.ScriptTarget.Latest, true);
  const lineOf = (at) => source.getLineAndCharacterOfPosition(at).line + 1;
  const visit = (node) => {
    if (ts.isTaggedTemplateExpression(node) && node.tag.getText() === '$localize')
      found(taggedText(node.template), lineOf(node.getStart()));
    if (ts.isPropertyAssignment(node) && ts.isStringLiteralLike(node.initializer)) {
      const name = node.name.getText();
      const { text } = node.initializer;
      if (name === 'template') {
        const start = node.initializer.getStart() + 1;
        wordsOfTemplate(text, file, (said, at) => found(said, lineOf(start + at)));
      }
      if (name === 'templateUrl') {
        const url = join(dirname(file), text);
        wordsOfTemplate(readFileSync(url, 'utf8'), url, (said) => found(said, lineOf(node.getStart())));
      }
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
}
