/** Remembers answers for a moment, so that a burst of requests asks once; what is changed here is forgotten here at once. */
export class ShortMemory<Value> {
  private readonly kept = new Map<string | number, { value: Value; until: number }>();

  /** @param ms that an answer is remembered. @param most answers that are. */
  constructor(
    private readonly ms: number,
    private readonly most = 10_000,
  ) {}

  get(key: string | number): Value | undefined {
    const found = this.kept.get(key);
    if (found && found.until > Date.now()) return found.value;
    this.kept.delete(key);
    return undefined;
  }

  set(key: string | number, value: Value): void {
    if (this.ms <= 0) return;
    if (this.kept.size >= this.most) this.kept.clear();
    this.kept.set(key, { value, until: Date.now() + this.ms });
  }

  forget(key: string | number): void {
    this.kept.delete(key);
  }

  clear(): void {
    this.kept.clear();
  }
}
