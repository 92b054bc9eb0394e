#!/usr/bin/env node
// npm run checks: writes docs/checks.md, what is checked against what, from the labels in the titles of the tests.
// With --check it writes nothing and fails where the page is not what the tests say.
import fs from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import prettier from 'prettier';
import { repo } from './build-steps.mjs';

const PAGE = path.join(repo, 'docs/checks.md');
/** Scores of `npm run mutate -- AREA --write`. */
const MUTANTS = JSON.parse(fs.readFileSync(path.join(repo, 'docs/mutants.json'), 'utf8'));
/** The label is what stands in the last brackets of a title; its kind is the first of these words in it. */
const KINDS = [
  ['from memory', 'From memory', 'recalled by whoever wrote the test, and marked so until somebody has looked it up'],
  ['library', 'Library', 'a general-purpose library of the registry comes to the same'],
  ['standard', 'Standard', 'a published standard, named in the title'],
  ['literature', 'Literature', 'a published formula or table, named in the title'],
  ['identity', 'Identity', 'arithmetic or a law that can be worked by hand, or every case tried'],
  ['handbook', 'Handbook', 'a table or worked example of the handbook of the trade'],
  ['common practice', 'Common practice, no source', 'what works do, without a source'],
  [
    'kept',
    'Kept, no source',
    'what the program itself said when somebody last looked: a change shows, nothing outside is held against it',
  ],
];
const LABEL = /\(([^()]*)\)$/;
const kindOf = (title) => {
  const label = LABEL.exec(title)?.[1];
  return label === undefined ? undefined : KINDS.find(([word]) => label.includes(word))?.[1];
};

const specs = ['packages', 'apps', 'e2e']
  .flatMap((folder) =>
    fs
      .readdirSync(path.join(repo, folder), { recursive: true })
      .map((file) => path.join(folder, file))
      .filter((file) => /\.spec\.ts$/.test(file) && !/node_modules|dist/.test(file)),
  )
  .sort();

/** How many rows `it.each` has: those of the list itself, or of the constant that names it; 1 where it is computed. */
function rowsOf(list) {
  if (ts.isAsExpression(list)) return rowsOf(list.expression);
  if (ts.isArrayLiteralExpression(list)) return list.elements.length;
  if (!ts.isIdentifier(list)) return 1;
  const named = list
    .getSourceFile()
    .statements.filter(ts.isVariableStatement)
    .flatMap(({ declarationList }) => declarationList.declarations)
    .find(({ name, initializer }) => name.getText() === list.text && initializer !== undefined);
  return named ? rowsOf(named.initializer) : 1;
}

/** `it`, `it.each`, `describe` and the like, by name; undefined for any other call. */
function callOf(node) {
  let callee = node.expression;
  const each = ts.isCallExpression(callee) && callee.expression.getText().endsWith('.each') ? callee : undefined;
  if (each) callee = each.expression.expression;
  const name = callee.getText().split('.')[0];
  if (!['it', 'test', 'describe'].includes(name)) return undefined;
  const title = node.arguments[0];
  if (!title || !ts.isStringLiteralLike(title)) return undefined;
  return { name, title: title.text.replaceAll(/%[a-z]/g, '…'), cases: each ? rowsOf(each.arguments[0]) : 1 };
}

/** Every labelled test of one file: its own label, or that of the group that it stands in. */
function checksOf(file) {
  const found = [];
  const source = ts.createSourceFile(
    file,
    fs.readFileSync(path.join(repo, file), 'utf8'),
    ts.ScriptTarget.Latest,
    true,
  );
  const walk = (node, groups, kind) => {
    const call = ts.isCallExpression(node) ? callOf(node) : undefined;
    if (!call) return ts.forEachChild(node, (child) => walk(child, groups, kind));
    const own = kindOf(call.title) ?? kind;
    if (call.name === 'describe') return ts.forEachChild(node, (child) => walk(child, [...groups, call.title], own));
    if (own) found.push({ kind: own, file, title: [...groups, call.title].join(': '), cases: call.cases });
  };
  walk(source, [], undefined);
  return found;
}

const checks = specs.flatMap(checksOf);
const cell = (text) => text.replaceAll('|', '\\|').replaceAll('<', '&lt;');
const tableOf = (own) =>
  ['| Test | Cases | File |', '|---|---|---|']
    .concat(own.map(({ title, cases, file }) => `| ${cell(title)} | ${cases} | \`${file}\` |`))
    .join('\n');
const sections = KINDS.map(([, kind, meaning]) => ({
  kind,
  meaning,
  own: checks.filter((check) => check.kind === kind),
})).filter(({ own }) => own.length > 0);
const count = (own) => own.reduce((sum, { cases }) => sum + cases, 0);
const mutants = ['| Area | Noticed | Tried | Of |', '|---|---|---|---|']
  .concat(
    Object.entries(MUTANTS)
      .sort(([a], [b]) => a.localeCompare(b))
      .map(([area, { noticed, tried, of }]) => `| ${area} | ${noticed} % | ${tried} | ${of} |`),
  )
  .join('\n');
const page = await prettier.format(
  [
    '# What is checked against what',
    'Made by `npm run checks` from the labels in the titles of the tests; `npm run lint` tells when it is behind. ' +
      `A label says what outside the program a figure is held against: ${count(checks)} cases in ${checks.length} tests.`,
    ['| Label | Tests | Cases | Meaning |', '|---|---|---|---|']
      .concat(sections.map(({ kind, meaning, own }) => `| ${kind} | ${own.length} | ${count(own)} | ${meaning} |`))
      .join('\n'),
    '## Faults put in by hand',
    'What the tests of an area notice of faults that `npm run mutate -- AREA` puts into it, one at a time: a sample drawn by ' +
      'a seed. Texts, and `?.` where the compiler already asks for it, are left alone.',
    mutants,
    ...sections.flatMap(({ kind, own }) => [`## ${kind}`, tableOf(own)]),
  ].join('\n\n'),
  { ...(await prettier.resolveConfig(PAGE)), parser: 'markdown' },
);

if (!process.argv.includes('--check')) fs.writeFileSync(PAGE, page);
else if (!fs.existsSync(PAGE) || fs.readFileSync(PAGE, 'utf8') !== page) {
  console.error('docs/checks.md is behind the tests: run npm run checks.');
  process.exitCode = 1;
}
