/** Zeros of the scripts that digits are typed in, beside the European ones. Source: standard, Unicode 15, Nd. */
const ZEROS = [0x0660, 0x06f0, 0x0966, 0x09e6, 0x0e50, 0xff10];

/** Digits in a row, or in threes with what any language puts between them. */
const WHOLE = /^(?:\d+|\d{1,3}(?:([.,'’٬\s])\d{3})(?:\1\d{3})*)$/u;
/** Digits of the largest number that is read. */
const MOST = 9;

/** A whole number as people write it, in the digits and with the thousands of any language. Undefined where it is none. */
export function wholeOf(text: string): number | undefined {
  const plain = Array.from(text.trim(), (letter) => {
    const code = letter.codePointAt(0) ?? 0;
    const zero = ZEROS.find((first) => code >= first && code < first + 10);
    return zero === undefined ? letter : String(code - zero);
  }).join('');
  const digits = plain.replace(/\D/g, '');
  return WHOLE.test(plain) && digits.length <= MOST ? Number(digits) : undefined;
}
