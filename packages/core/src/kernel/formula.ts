/** Functions that a formula of the working may call. */
const FUNCTIONS: Readonly<Record<string, (...values: number[]) => number>> = {
  // Quotients of decimals that should be whole stay whole.
  ceil: (value = 0) => Math.ceil(value - 1e-9),
  floor: (value = 0) => Math.floor(value + 1e-9),
  max: Math.max,
  min: Math.min,
  pow: Math.pow,
  sqrt: Math.sqrt,
};

/**
 * The value of a formula of the working: numbers, names, + - * / ( ), ceil, floor, max, min, pow and sqrt.
 * Errors: throws where it cannot be read or a name has no value; formulas are ours, so that is our own bug.
 */
export function evaluate(formula: string, valueOf: (name: string) => number): number {
  const tokens = formula.match(/[0-9.]+|[A-Za-z_][A-Za-z0-9_]*|[-+*/(),]/g) ?? [];
  let at = 0;
  const take = (wanted: string): void => {
    if (tokens[at++] !== wanted) throw new Error(`${wanted} wanted in ${formula}`);
  };
  const atom = (): number => {
    const token = tokens[at++];
    if (token === undefined) throw new Error(`${formula} ends early`);
    if (token === '-') return -atom();
    if (token === '(') {
      const value = sum();
      take(')');
      return value;
    }
    if (/^[0-9.]/.test(token)) return Number(token);
    const call = FUNCTIONS[token];
    if (!call || tokens[at] !== '(') return valueOf(token);
    take('(');
    const values = [sum()];
    while (tokens[at] === ',') {
      at++;
      values.push(sum());
    }
    take(')');
    return call(...values);
  };
  const product = (): number => {
    let value = atom();
    while (tokens[at] === '*' || tokens[at] === '/') value = tokens[at++] === '*' ? value * atom() : value / atom();
    return value;
  };
  const sum = (): number => {
    let value = product();
    while (tokens[at] === '+' || tokens[at] === '-')
      value = tokens[at++] === '+' ? value + product() : value - product();
    return value;
  };
  const value = sum();
  if (at !== tokens.length) throw new Error(`${formula} goes on after its end`);
  return value;
}
