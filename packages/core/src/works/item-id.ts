/** An id out of a name that is not taken yet. */
export function idOf(name: string, taken: ReadonlySet<string>): string {
  const plain = name
    .normalize('NFKD')
    .replaceAll(/\p{M}/gu, '')
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-+|-+$/g, '');
  const base = plain.slice(0, 50).replace(/-+$/, '') || 'item';
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (!taken.has(id)) return id;
  }
}
