import { type Issue, type Kg, type Outcome, error } from '../kernel/index.js';

/** A mixed colour: parts of base inks that add to 100. */
export interface RecipePart {
  readonly ink: string;
  readonly parts: number;
}

/** A rest of a mixed colour from an earlier job, to be used up first: it already has the recipe's colour. */
export interface Rest {
  readonly name: string;
  readonly kg: Kg;
}

/** An ink of a mix, and the kilograms of it that are weighed in. */
export interface MixingLine {
  readonly ink: string;
  readonly kg: Kg;
}

/** A mix of a colour: what is weighed in, and how much of what is left over goes into it. Kilograms. */
export interface Mixing {
  /** Rests taken, in the order given, and how much of each. */
  readonly rests: readonly { readonly name: string; readonly kg: Kg }[];
  /** What is weighed of each base ink for the remainder. */
  readonly bases: readonly MixingLine[];
  /** Kilograms mixed anew. */
  readonly newKg: Kg;
}

const WHOLE = 100;
/** Parts are told to a thousandth. */
const SAME = 5e-4;

/** What is wrong with a recipe. Issues: `ink.recipe-empty`, `ink.recipe-part`, `ink.recipe-sum`. */
export function checkRecipe(recipe: readonly RecipePart[], path: string): Issue[] {
  if (recipe.length === 0) return [error('ink.recipe-empty', path)];
  const parts = recipe.flatMap(({ ink, parts: value }, i) =>
    Number.isFinite(value) && value > 0 ? [] : [error('ink.recipe-part', `${path}[${i}].parts`, { ink, value })],
  );
  if (parts.length > 0) return parts;
  const sum = recipe.reduce((total, { parts: value }) => total + value, 0);
  return Math.abs(sum - WHOLE) <= SAME ? [] : [error('ink.recipe-sum', path, { sum: Math.round(sum * 1000) / 1000 })];
}

/**
 * The mixing list for so much of a colour: rests of it first, the remainder from its bases, each kg = remainder x part.
 * @param wantedKg 0 or more. Issues: those of {@link checkRecipe}, `ink.quantity`.
 * Source: identity, handbook chapter 5 "Mixed colours".
 */
export function mixInk(
  recipe: readonly RecipePart[],
  wantedKg: Kg,
  rests: readonly Rest[],
  path: string,
): Outcome<Mixing> {
  const issues = checkRecipe(recipe, `${path}.recipe`);
  if (!Number.isFinite(wantedKg) || wantedKg < 0) issues.push(error('ink.quantity', `${path}.kg`, { value: wantedKg }));
  if (issues.length > 0) return { ok: false, issues };
  let left = wantedKg;
  const taken = rests.flatMap(({ name, kg }) => {
    const take = Math.min(Math.max(0, kg), left);
    left -= take;
    return take > 0 ? [{ name, kg: take }] : [];
  });
  const newKg = left;
  return {
    ok: true,
    value: { rests: taken, newKg, bases: recipe.map(({ ink, parts }) => ({ ink, kg: (newKg * parts) / WHOLE })) },
  };
}

/** The weight to draw as supplied: a dry film divided by the solids share. Source: identity, handbook chapter 5. */
export const asSuppliedKg = (dryKg: Kg, solidsShare: number): Kg => dryKg / solidsShare;
