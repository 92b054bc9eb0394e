import path from 'node:path';
import ts from 'typescript';
import { repo } from '../build-steps.mjs';

/** Said to whoever runs or programs the server, or typed by people: English in every language. */
const NOT_FOR_READERS =
  /\/(endpoints|demo|db|practice\/exercises|reckoner\/read-typed|endpoint-examples|reckon|openapi|metrics|locale|shipped-works|shipped-presses|watch-folder)(\/|\.ts$)/;
const SERVER = 'apps/server/';
/** Words of a sentence, at least: fewer may be a name. */
const LEAST_WORDS = 4;
/** Lists of what is kept, and what is typed into the reckoner. */
const LISTED = /^[a-z[][\w\]-]*(, [a-z[][\w\]-]*)+$|^hardcover book|^74 lb text in gsm$/;
/** Calls and properties whose texts are for whoever programs or looks after the server. */
const APART_CALLS = /\.(describe|meta|warn|error|info|fatal|query\w*)$|^(expect|setTimeout|told)$/;
const APART_PROPERTIES = /^(tells|summary|description|styles|words)$/;

/** What the database is told. */
const isStatement = (text) => /^[A-Z]{5,}( [A-Z]{5,} |$)/.test(text);
const wordsIn = (text) => text.split(/\s+/).filter((word) => /^[“(]?\p{L}[\p{L}’'-]+[.,:;!?)”]*$/u.test(word)).length;
const isSentence = (text) =>
  wordsIn(text) >= LEAST_WORDS &&
  !LISTED.test(text) &&
  !isStatement(text) &&
  !/[<>{}=|]|::| [*/+] |\w\.\w+\(/.test(text);

const above = (node, is) => {
  for (let at = node.parent; at; at = at.parent) if (is(at)) return at;
  return undefined;
};
export const isTagged = (node) => ts.isTaggedTemplateExpression(node) && node.tag.getText() === '$localize';

/** Where a text is no words for people: errors of ours, descriptions for programs, styles, logs. */
const isApart = (node) =>
  above(
    node,
    (at) =>
      (ts.isNewExpression(at) && /^(?!Problem)\w*Error$/.test(at.expression.getText())) ||
      (ts.isCallExpression(at) && APART_CALLS.test(at.expression.getText())) ||
      (ts.isPropertyAssignment(at) && APART_PROPERTIES.test(at.name.getText())) ||
      [ts.isDecorator, ts.isImportDeclaration, ts.isTypeNode, ts.isTaggedTemplateExpression].some((is) => is(at)),
  ) !== undefined;

/** Whether a blank stands beside what is put into a template: it is a word of it, and not a part of a key. */
function standsApart({ head, templateSpans }, span) {
  const before = span === templateSpans[0] ? head : templateSpans[templateSpans.indexOf(span) - 1].literal;
  return before.text.endsWith(' ') || span.literal.text.startsWith(' ');
}

/** A word that comes into a sentence as one of two, `${many ? 'have' : 'has'}`: it is said in English beside the rest. */
function isPut(node) {
  let at = node;
  while (
    ts.isConditionalExpression(at.parent) ||
    ts.isParenthesizedExpression(at.parent) ||
    ts.isBinaryExpression(at.parent)
  ) {
    if (ts.isConditionalExpression(at.parent) && at === at.parent.condition) return false;
    if (ts.isBinaryExpression(at.parent) && !['??', '||', '+'].includes(at.parent.operatorToken.getText()))
      return false;
    at = at.parent;
  }
  if (!ts.isTemplateSpan(at.parent)) return false;
  const template = at.parent.parent;
  return isTagged(template.parent) || standsApart(template, at.parent);
}

/** What is said of a function one way or another: `a ? b : c` and the like, taken apart. */
function* waysOf(expression) {
  if (ts.isParenthesizedExpression(expression)) yield* waysOf(expression.expression);
  else if (ts.isConditionalExpression(expression)) {
    yield* waysOf(expression.whenTrue);
    yield* waysOf(expression.whenFalse);
  } else if (ts.isBinaryExpression(expression) && ['??', '||'].includes(expression.operatorToken.getText())) {
    yield* waysOf(expression.left);
    yield* waysOf(expression.right);
  } else yield expression;
}
function* returnsOf(node) {
  if (ts.isReturnStatement(node) && node.expression) yield* waysOf(node.expression);
  if (ts.isFunctionLike(node)) return;
  for (const child of node.getChildren()) yield* returnsOf(child);
}
/** What a function answers, one way or another. */
const answersOf = ({ body }) => [...(ts.isBlock(body) ? returnsOf(body) : waysOf(body))];
/** A word that a function answers which answers a tagged text otherwise. */
function isAnswer(node) {
  const within = above(node, ts.isFunctionLike);
  if (!within?.body) return false;
  const answers = answersOf(within);
  return answers.includes(node) && answers.some((one) => isTagged(one));
}

/** What the tab of the browser is called at a place: one word is enough. */
const isTitle = ({ parent }, file) =>
  /\.routes\.ts$/.test(file) && ts.isPropertyAssignment(parent) && parent.name.getText() === 'title';

/** Heads of a table on paper, likewise. */
const isHead = ({ parent, text }) =>
  ts.isCallExpression(parent) && parent.expression.getText() === 'heads' && /\p{Lu}\p{Ll}{2}/u.test(text);

/**
 * A text that everybody is told in English; undefined where it is none. What is put into a sentence as it stands is shown, though it
 * may be a word that is kept. @param {ts.Node} node @param {string} file of it @returns {{ text: string, shown?: boolean } | undefined}
 */
export function unmarkedOf(node, file) {
  const at = path.relative(repo, file);
  if (NOT_FOR_READERS.test(at)) return undefined;
  // A module of the server is loaded once, and answers everybody.
  if (isTagged(node) && at.startsWith(SERVER))
    return above(node, ts.isFunctionLike) ? undefined : { text: `${node.getText()} once for all` };
  if (ts.isTemplateExpression(node)) {
    const text = [node.head, ...node.templateSpans.map(({ literal }) => literal)].map((part) => part.text).join(' … ');
    return isSentence(text) && !isTagged(node.parent) && !isApart(node) ? { text } : undefined;
  }
  if (!ts.isStringLiteralLike(node)) return undefined;
  const { text } = node;
  if (/\p{L}{2}/u.test(text) && !isStatement(text)) {
    if (isPut(node) || isAnswer(node)) return { text, shown: true };
    if (isTitle(node, file) || isHead(node)) return { text };
  }
  return isSentence(text) && !isApart(node) ? { text } : undefined;
}
