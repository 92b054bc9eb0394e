const FUNCTION = /^(ceil|floor|max|min|pow|sqrt)$/;
const isFormula = (text) =>
  /^[a-z\d(][\w\s+*/().,-]*$/.test(text) &&
  / [*/+-] |\b(ceil|floor|max|min)\(/.test(text) &&
  !/\b[A-Z]/.test(text) &&
  !/\w [a-z(]/i.test(text);

/** Names of values in a formula, without the numbers of several; none in any other text. */
export const namesIn = (text) =>
  isFormula(text)
    ? (text.match(/[a-z]\w*/gi) ?? []).map((name) => name.replace(/\d+$/, '')).filter((name) => !FUNCTION.test(name))
    : [];
