/** Words that a formula of the working may call. */
type Called = keyof typeof FUNCTIONS;
type By<Text extends string, Mark extends string> = Text extends `${infer Left}${Mark}${infer Right}`
  ? Left | By<Right, Mark>
  : Text;
/** Names in a formula that is written with a space on both sides of + - * and /: what it has to be given. */
export type NamesIn<Text extends string> = Exclude<
  By<By<By<By<Text, ' '>, '('>, ')'>, ','>,
  '' | '+' | '-' | '*' | '/' | Called | `${number}`
>;

/** A quotient of decimals that should be whole stays whole, however large. */
const slack = (value: number): number => Math.max(1e-9, Math.abs(value) * 1e-15);

const FUNCTIONS = {
  ceil: (value: number): number => Math.ceil(value - slack(value)),
  floor: (value: number): number => Math.floor(value + slack(value)),
  max: Math.max,
  min: Math.min,
  pow: Math.pow,
  sqrt: Math.sqrt,
} as const;
/** Whether a name in a formula is that of a function. */
export const isFunction = (name: string): name is Called => Object.hasOwn(FUNCTIONS, name);

type ValueOf = (name: string) => number;
/** A formula read once: what its names stand for in, its value out. */
export type Compiled = (valueOf: ValueOf) => number;

const OPERATORS: Readonly<Record<string, (left: Compiled, right: Compiled) => Compiled>> = {
  '+': (left, right) => (of) => left(of) + right(of),
  '-': (left, right) => (of) => left(of) - right(of),
  '*': (left, right) => (of) => left(of) * right(of),
  '/': (left, right) => (of) => left(of) / right(of),
};

function call(name: Called, values: readonly Compiled[]): Compiled {
  const [first, second] = values;
  if (!first) throw new Error(`${name} of nothing`);
  if (!second) {
    if (name === 'max' || name === 'min') return first;
    const one: (value: number) => number = name === 'ceil' || name === 'floor' ? FUNCTIONS[name] : Math.sqrt;
    return (of) => one(first(of));
  }
  const many: (...all: number[]) => number = FUNCTIONS[name];
  return (of) => many(...values.map((value) => value(of)));
}

/** Reads a formula by descent. Errors: throws where it cannot be read. */
function parse(text: string): Compiled {
  const tokens = text.match(/[0-9.]+|[A-Za-z_][A-Za-z0-9_]*|[-+*/(),]/g) ?? [];
  let at = 0;
  const take = (wanted: string): void => {
    if (tokens[at++] !== wanted) throw new Error(`${wanted} wanted in ${text}`);
  };
  const atom = (): Compiled => {
    const token = tokens[at++];
    if (token === undefined) throw new Error(`${text} ends early`);
    if (token === '-') {
      const value = atom();
      return (of) => -value(of);
    }
    if (token === '(') {
      const value = sum();
      take(')');
      return value;
    }
    if (/^[0-9.]/.test(token)) {
      const value = Number(token);
      return () => value;
    }
    if (!Object.hasOwn(FUNCTIONS, token) || tokens[at] !== '(') return (of) => of(token);
    take('(');
    const values = [sum()];
    while (tokens[at] === ',') {
      at++;
      values.push(sum());
    }
    take(')');
    return call(token as Called, values);
  };
  const chain = (next: () => Compiled, signs: readonly string[]): Compiled => {
    let value = next();
    for (let sign = tokens[at]; sign !== undefined && signs.includes(sign); sign = tokens[at]) {
      at++;
      const join = OPERATORS[sign];
      if (join) value = join(value, next());
    }
    return value;
  };
  const product = (): Compiled => chain(atom, ['*', '/']);
  const sum = (): Compiled => chain(product, ['+', '-']);
  const value = sum();
  if (at !== tokens.length) throw new Error(`${text} goes on after its end`);
  return value;
}

const compiled = new Map<string, Compiled>();

/**
 * A formula of the working as a function, read once: numbers, names, + - * / ( ), ceil, floor, max, min, pow and sqrt.
 * Errors: throws where it cannot be read; formulas are ours, so that is our own bug.
 */
export function compile(text: string): Compiled {
  const before = compiled.get(text);
  if (before) return before;
  const made = parse(text);
  compiled.set(text, made);
  return made;
}

/** The value of a formula of the working over what its names stand for. */
export const evaluate = (text: string, valueOf: ValueOf): number => compile(text)(valueOf);
