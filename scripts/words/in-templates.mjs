import {
  Binary,
  Conditional,
  Interpolation,
  LiteralPrimitive,
  ParenthesizedExpression,
  RecursiveAstVisitor,
  TmplAstRecursiveVisitor,
  parseTemplate,
  tmplAstVisitAll,
} from '@angular/compiler';

/** Attributes that people read or hear. */
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
/** Elements whose text is no words: names of icons, what is typed. */
const NO_WORDS = ['mat-icon', 'code', 'style'];
/** Whether a text has a word in it; what is shorter is a unit or a mark. */
const hasWord = (text) => /\p{L}{5}/u.test(text);

/** Words that an expression may come to as they stand: `{{ open ? 'Close' : 'Open' }}`. */
function comesTo(expression) {
  if (expression instanceof Interpolation) return expression.expressions.flatMap(comesTo);
  if (expression instanceof Conditional) return [expression.trueExp, expression.falseExp].flatMap(comesTo);
  if (expression instanceof ParenthesizedExpression) return comesTo(expression.expression);
  if (expression instanceof Binary && ['+', '??', '||'].includes(expression.operation))
    return [expression.left, expression.right].flatMap(comesTo);
  const isText = expression instanceof LiteralPrimitive && typeof expression.value === 'string';
  // A place in a pattern, `{yy}`, is typed as it is.
  return isText && /(?<![{\p{L}])\p{L}{2}/u.test(expression.value) ? [expression] : [];
}

/** The text of a message of Angular's, as its id is made of: `Take out {$INTERPOLATION}`. */
const textOf = (nodes) =>
  nodes
    .map((node) => {
      if ('value' in node && typeof node.value === 'string' && !('name' in node)) return node.value;
      if ('startName' in node)
        return `{$${node.startName}}${textOf(node.children)}${node.closeName ? `{$${node.closeName}}` : ''}`;
      if ('name' in node) return `{$${node.name}}`;
      if ('children' in node) return textOf(node.children);
      throw new Error(`A message holds what is not known here: ${node.constructor.name}`);
    })
    .join('');

/**
 * What a template says: texts that are marked, or that the pipe `word` looks up; words that nobody has marked, and all literals.
 * @param {string} template @param {string} file
 * @returns {{ said: { meaning: string, text: string, at: number, looked?: boolean }[], unmarked: { text: string, at: number, shown?: boolean }[], literals: string[] }}
 */
export function readTemplate(template, file) {
  const { nodes, errors } = parseTemplate(template, file, { enableI18nLegacyMessageIdFormat: false });
  if (errors) throw new Error(`${file}: ${errors[0]}`);
  const [said, unmarked, literals] = [[], [], []];
  let marked = 0;
  class Expressions extends RecursiveAstVisitor {
    inPipe = 0;
    visitLiteralPrimitive({ value, sourceSpan }) {
      if (typeof value !== 'string') return;
      literals.push(value);
      if (this.inPipe > 0) said.push({ meaning: '', text: value, at: sourceSpan.start, looked: true });
    }
    visitPipe(pipe, context) {
      if (pipe.name !== 'word') return super.visitPipe(pipe, context);
      this.inPipe++;
      this.visit(pipe.exp);
      this.inPipe--;
      return this.visitAll(pipe.args, context);
    }
  }
  const expressions = new Expressions();
  const message = ({ i18n, sourceSpan }) => {
    if (i18n && 'nodes' in i18n)
      said.push({ meaning: i18n.meaning, text: textOf(i18n.nodes), at: sourceSpan.start.offset });
  };
  /** Goes through what is within an element; it is marked with it. */
  const within = (element, go) => {
    message(element);
    const more = element.i18n ? 1 : 0;
    marked += more;
    go();
    marked -= more;
  };
  const text = (words, { sourceSpan }) => {
    if (marked === 0 && hasWord(words)) unmarked.push({ text: words.trim(), at: sourceSpan.start.offset });
  };
  class Elements extends TmplAstRecursiveVisitor {
    visitElement(element) {
      if (!NO_WORDS.includes(element.name)) within(element, () => super.visitElement(element));
    }
    visitTemplate(element) {
      within(element, () => super.visitTemplate(element));
    }
    visitContent(element) {
      within(element, () => super.visitContent(element));
    }
    visitTextAttribute(attribute) {
      const { name, value, i18n } = attribute;
      message(attribute);
      if (!i18n && READ.has(name) && !value.includes('://') && hasWord(value))
        unmarked.push({ text: `${name}="${value}"`, at: attribute.sourceSpan.start.offset });
    }
    visitBoundAttribute(attribute) {
      message(attribute);
      if (READ.has(attribute.name))
        for (const { value, sourceSpan } of comesTo(attribute.value.ast))
          unmarked.push({ text: value, at: sourceSpan.start, shown: true });
      expressions.visit(attribute.value);
    }
    visitBoundEvent(event) {
      expressions.visit(event.handler);
    }
    visitText(node) {
      text(node.value, node);
    }
    visitBoundText(node) {
      text(node.value.ast.strings.join(' … '), node);
      for (const { value, sourceSpan } of comesTo(node.value.ast))
        unmarked.push({ text: value, at: sourceSpan.start, shown: true });
      expressions.visit(node.value);
    }
    visitIfBlockBranch(branch) {
      if (branch.expression) expressions.visit(branch.expression);
      super.visitIfBlockBranch(branch);
    }
    visitForLoopBlock(block) {
      expressions.visit(block.expression);
      super.visitForLoopBlock(block);
    }
    visitLetDeclaration(declaration) {
      expressions.visit(declaration.value);
    }
  }
  tmplAstVisitAll(new Elements(), nodes);
  return { said, unmarked, literals };
}
