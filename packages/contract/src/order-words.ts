import type { OrderedJob, Question } from '@druckerei/core';

const QUESTIONS: Partial<Readonly<Record<Question, string>>> = {
  size: 'size',
  measures: 'size',
  pages: 'pages',
  stock: 'paper',
  coverStock: $localize`paper of the cover`,
};

/** What a line of a list of orders does not tell, and is taken as usual. */
export const usualText = (usual: OrderedJob['usual']): string =>
  usual.map((question) => QUESTIONS[question] ?? question).join(', ');
