import fs from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import { TmplAstBoundText, TmplAstRecursiveVisitor, parseTemplate, tmplAstVisitAll } from '@angular/compiler';

/** Said to whoever runs or programs the server, or typed by people: English in every language. */
const NOT_FOR_READERS =
  /\/(endpoints|demo|db|letters|practice\/exercises|reckoner\/read-typed|endpoint-examples|reckon|openapi|metrics|settings|main|locale|shipped-works|shipped-presses|watch-folder)(\/|\.ts$)/;
const HERE = path.resolve(import.meta.dirname, '../..');
/** Words of a sentence, at least: fewer may be a name. */
const LEAST_WORDS = 4;
/** Attributes of a template that people read or hear. */
const READ = new Set([
  'aria-label',
  'label',
  'placeholder',
  'matTooltip',
  'alt',
  'title',
  'hint',
  'result',
  'norm',
  'xTitle',
]);

const wordsIn = (text) => text.split(/\s+/).filter((word) => /^[“(]?\p{L}[\p{L}’'-]+[.,:;!?)”]*$/u.test(word)).length;
/** Lists of what is kept, and what is typed into the reckoner. */
const LISTED = /^[a-z[][\w\]-]*(, [a-z[][\w\]-]*)+$|^hardcover book|^74 lb text in gsm$/;
const isSentence = (text) =>
  wordsIn(text) >= LEAST_WORDS && !LISTED.test(text) && !/[<>{}=|]|::| [*/+] |\w\.\w+\(/.test(text);

/** Where a text is no words for people: errors of ours, descriptions for programs, styles, logs. */
function isApart(node) {
  for (let at = node; at; at = at.parent) {
    if (ts.isNewExpression(at) && /Error$/.test(at.expression.getText()) && at.expression.getText() !== 'ProblemError')
      return true;
    if (ts.isDecorator(at) || ts.isImportDeclaration(at) || ts.isTypeNode(at) || ts.isTaggedTemplateExpression(at))
      return true;
    if (
      ts.isCallExpression(at) &&
      /\.(describe|meta|warn|error|info|fatal|query\w*)$|^(expect|setTimeout)$/.test(at.expression.getText())
    )
      return true;
    if (ts.isPropertyAssignment(at) && /^(tells|summary|description|styles|words)$/.test(at.name.getText()))
      return true;
  }
  return false;
}

/** Sentences of a file of code that nobody can say in another language. @param {(text: string, line: number) => void} found */
export function unmarkedInCode(file, code, found) {
  const source = ts.createSourceFile(file, code, ts.ScriptTarget.Latest, true);
  const lineOf = (node) => source.getLineAndCharacterOfPosition(node.getStart()).line + 1;
  const visit = (node) => {
    const text = ts.isStringLiteralLike(node)
      ? node.text
      : ts.isTemplateExpression(node)
        ? [node.head, ...node.templateSpans.map(({ literal }) => literal)].map((part) => part.text).join(' … ')
        : '';
    if (isSentence(text) && !isApart(node)) found(text, lineOf(node));
    if (ts.isPropertyAssignment(node) && ts.isStringLiteralLike(node.initializer)) {
      const name = node.name.getText();
      if (name === 'template') unmarkedInTemplate(node.initializer.text, (words) => found(words, lineOf(node)));
      if (name === 'templateUrl')
        unmarkedInTemplate(fs.readFileSync(path.join(path.dirname(file), node.initializer.text), 'utf8'), (words) =>
          found(words, lineOf(node)),
        );
    }
    ts.forEachChild(node, visit);
  };
  if (!NOT_FOR_READERS.test(path.relative(HERE, file))) visit(source);
}

/** Words of a template that are not marked. */
function unmarkedInTemplate(template, found) {
  const isWord = (text) => /\p{L}{5}/u.test(text);
  let marked = 0;
  const within = (element, go) => {
    const more = element.i18n ? 1 : 0;
    marked += more;
    go();
    marked -= more;
  };
  class Texts extends TmplAstRecursiveVisitor {
    visitElement(element) {
      if (!['mat-icon', 'code', 'style'].includes(element.name)) within(element, () => super.visitElement(element));
    }
    visitTemplate(element) {
      within(element, () => super.visitTemplate(element));
    }
    visitText(text) {
      if (marked === 0 && isWord(text.value)) found(text.value.trim());
    }
    visitBoundText(text) {
      const said = text instanceof TmplAstBoundText ? text.value.ast.strings.join(' … ') : '';
      if (marked === 0 && isWord(said)) found(said.trim());
    }
    visitTextAttribute({ name, value, i18n }) {
      if (!i18n && READ.has(name) && isWord(value) && !value.includes('://')) found(`${name}="${value}"`);
    }
  }
  tmplAstVisitAll(new Texts(), parseTemplate(template, '', { enableI18nLegacyMessageIdFormat: false }).nodes);
}
