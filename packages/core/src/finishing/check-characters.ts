/**
 * Check characters of ISO/IEC 7064 and GS1. Each takes the digits before its check character and returns it.
 * Source: ISO/IEC 7064 (pure systems MOD 11-2 and MOD 97-10, from memory, recomputed); GS1 General Specifications,
 * "Standard check digit calculation" (from memory, recomputed).
 */
export const CHECK_SYSTEMS = ['none', 'MOD 11-2', 'MOD 97-10', 'GS1 mod 10'] as const;
/** The systems of check characters that numbering knows. */
export type CheckSystem = (typeof CHECK_SYSTEMS)[number];

const digitsOf = (text: string): number[] => Array.from(text, Number);

function mod11radix2(text: string): string {
  const sum = digitsOf(text).reduce((p, digit) => ((p + digit) * 2) % 11, 0);
  const check = (12 - sum) % 11;
  return check === 10 ? 'X' : String(check);
}

function mod97radix10(text: string): string {
  // Appending the two characters makes the whole 1 modulo 97; the standard's procedure gives 02 to 98.
  const rest = digitsOf(text).reduce((p, digit) => (p * 10 + digit) % 97, 0);
  const check = 98 - ((rest * 100) % 97);
  return String(check).padStart(2, '0');
}

function mod10(text: string): string {
  const sum = digitsOf(text)
    .reverse()
    .reduce((total, digit, i) => total + digit * (i % 2 === 0 ? 3 : 1), 0);
  return String((10 - (sum % 10)) % 10);
}

/** The check characters of a string of digits; empty where none are asked for. Errors: throws for anything but digits. */
export function checkCharacters(digits: string, system: CheckSystem): string {
  if (!/^\d*$/.test(digits)) throw new Error(`digits wanted, not ${digits}`);
  switch (system) {
    case 'none':
      return '';
    case 'MOD 11-2':
      return mod11radix2(digits);
    case 'MOD 97-10':
      return mod97radix10(digits);
    case 'GS1 mod 10':
      return mod10(digits);
  }
}
