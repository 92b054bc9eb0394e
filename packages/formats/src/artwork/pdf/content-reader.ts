/** What an operator was given: numbers, and names with a slash before them; all else is left out. */
export type Operand = number | `/${string}`;

const isSpace = (byte: number): boolean => byte <= 32;
const DELIMITERS = new Set(Array.from('()<>[]{}/%', (sign) => sign.charCodeAt(0)));
const REGULAR = Uint8Array.from({ length: 256 }, (_, byte) => (isSpace(byte) || DELIMITERS.has(byte) ? 0 : 1));
const isRegular = (byte: number): boolean => REGULAR[byte] === 1;

const [PLUS, MINUS, POINT, ZERO] = [43, 45, 46, 48];
const [PERCENT, OPEN, CLOSE, LESS, MORE, SLASH, BACKSLASH] = [37, 40, 41, 60, 62, 47, 92];
/** Operands that are kept for one operator: colours of more inks are told by none. */
const MOST_OPERANDS = 64;

/** The operators of a page's content, one after another, with what they were given. */
export class ContentReader {
  private at = 0;
  operands: Operand[] = [];

  constructor(private readonly bytes: Uint8Array) {}

  /** The next operator; undefined at the end. Behind `BI` comes a picture within the content. */
  next(): string | undefined {
    this.operands = [];
    for (;;) {
      const word = this.word();
      if (word === undefined || typeof word === 'string') return word;
    }
  }

  /** The space of a picture within the content, of a table of colours that of its colours; its data is left behind. */
  picture(): Operand | undefined {
    this.next();
    const at = this.operands.findIndex((one) => one === '/CS' || one === '/ColorSpace');
    const [space, base] = at < 0 ? [] : this.operands.slice(at + 1);
    this.passData();
    return space === '/I' || space === '/Indexed' ? base : space;
  }

  /** To behind the `EI` that stands alone. */
  private passData(): void {
    const { bytes } = this;
    for (let i = this.at + 1; i < bytes.length; i++)
      if (bytes[i] === 0x45 && bytes[i + 1] === 0x49 && isSpace(bytes[i - 1] ?? 0) && isSpace(bytes[i + 2] ?? 0)) {
        this.at = i + 2;
        return;
      }
    this.at = bytes.length;
  }

  /** An operator as text; null for what was an operand; undefined at the end. */
  private word(): string | null | undefined {
    const { bytes } = this;
    while (this.at < bytes.length) {
      const byte = bytes[this.at] ?? 0;
      if (isSpace(byte)) this.at++;
      else if (byte === PERCENT) this.toLineEnd();
      else if (byte === OPEN) this.passText();
      else if (byte === LESS && bytes[this.at + 1] !== LESS) this.passTo(MORE);
      else if (byte === SLASH) return this.name();
      else if (isRegular(byte)) return this.regular();
      else this.at++;
    }
    return undefined;
  }

  private keep(operand: Operand): null {
    if (this.operands.length < MOST_OPERANDS) this.operands.push(operand);
    return null;
  }

  private name(): null {
    const from = ++this.at;
    this.passRegular();
    return this.keep(`/${this.text(from)}`);
  }

  private regular(): string | null {
    const number = this.number();
    if (number !== undefined) return this.keep(number);
    const from = this.at;
    this.passRegular();
    const text = this.text(from);
    return text === 'true' || text === 'false' || text === 'null' ? this.keep(`/${text}`) : text;
  }

  /** A number where one stands, as pages write them: a sign, digits and a point. */
  private number(): number | undefined {
    const { bytes } = this;
    let at = this.at;
    const first = bytes[at];
    if (first === MINUS || first === PLUS) at++;
    let [value, scale, digits] = [0, 1, 0];
    let point = false;
    for (; at < bytes.length; at++) {
      const byte = bytes[at] ?? 0;
      if (byte >= ZERO && byte <= ZERO + 9) {
        value = value * 10 + byte - ZERO;
        if (point) scale *= 10;
        digits++;
      } else if (byte === POINT && !point) point = true;
      else break;
    }
    if (digits === 0 || (at < bytes.length && isRegular(bytes[at] ?? 0))) return undefined;
    this.at = at;
    return (first === MINUS ? -value : value) / scale;
  }

  private passRegular(): void {
    while (this.at < this.bytes.length && isRegular(this.bytes[this.at] ?? 0)) this.at++;
  }

  private text(from: number): string {
    let text = '';
    // A name is a hundred signs at most; what goes on is no word of a page.
    for (let i = from; i < Math.min(this.at, from + 128); i++) text += String.fromCharCode(this.bytes[i] ?? 0);
    return text;
  }

  private toLineEnd(): void {
    while (this.at < this.bytes.length && this.bytes[this.at] !== 10 && this.bytes[this.at] !== 13) this.at++;
  }

  private passTo(end: number): void {
    const found = this.bytes.indexOf(end, this.at);
    this.at = found === -1 ? this.bytes.length : found + 1;
  }

  /** A text in brackets, which may hold brackets. */
  private passText(): void {
    let depth = 0;
    for (; this.at < this.bytes.length; this.at++) {
      const byte = this.bytes[this.at];
      if (byte === BACKSLASH) this.at++;
      else if (byte === OPEN) depth++;
      else if (byte === CLOSE && --depth === 0) break;
    }
    this.at++;
  }
}
