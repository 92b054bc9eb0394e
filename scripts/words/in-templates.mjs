import { RecursiveAstVisitor, TmplAstRecursiveVisitor, parseTemplate, tmplAstVisitAll } from '@angular/compiler';

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
 * Every text of a template that is marked for translation, with where it stands; and what goes through the pipe `word`.
 * @param {string} template @param {string} file @param {(said: { meaning: string, text: string }, at: number) => void} found
 */
export function wordsOfTemplate(template, file, found) {
  const { nodes, errors } = parseTemplate(template, file, { enableI18nLegacyMessageIdFormat: false });
  if (errors) throw new Error(`${file}: ${errors[0]}`);
  class Literals extends RecursiveAstVisitor {
    visitLiteralPrimitive(literal) {
      if (typeof literal.value === 'string') found({ meaning: '', text: literal.value }, literal.sourceSpan.start);
    }
  }
  class Expressions extends RecursiveAstVisitor {
    visitPipe(pipe, context) {
      if (pipe.name === 'word') new Literals().visit(pipe.exp);
      super.visitPipe(pipe, context);
    }
  }
  const expressions = new Expressions();
  const message = (i18n, at) => {
    if (i18n && 'nodes' in i18n) found({ meaning: i18n.meaning, text: textOf(i18n.nodes) }, at);
  };
  class Elements extends TmplAstRecursiveVisitor {
    visitElement(element) {
      message(element.i18n, element.sourceSpan.start.offset);
      super.visitElement(element);
    }
    visitTemplate(element) {
      message(element.i18n, element.sourceSpan.start.offset);
      super.visitTemplate(element);
    }
    visitContent(element) {
      message(element.i18n, element.sourceSpan.start.offset);
      super.visitContent(element);
    }
    visitTextAttribute(attribute) {
      message(attribute.i18n, attribute.sourceSpan.start.offset);
    }
    visitBoundAttribute(attribute) {
      message(attribute.i18n, attribute.sourceSpan.start.offset);
      expressions.visit(attribute.value);
    }
    visitBoundEvent(event) {
      expressions.visit(event.handler);
    }
    visitBoundText(text) {
      expressions.visit(text.value);
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
}
