const NUMBER = /\d+(?:[.,]\d+)?/.source;

/**
 * What is typed as names with figures behind them, parted by commas behind which a blank stands, or by semicolons: “Map 90 40,
 * Card 30 60”. @param count figures behind each name. @returns all of them, or the first that cannot be read so.
 */
export function readNamed(
  text: string,
  count: number,
): {
  readonly items: readonly { readonly name: string; readonly figures: readonly number[] }[];
  readonly wrong?: string;
} {
  const one = new RegExp(String.raw`^(\p{L}[\p{L}\d .-]*?)((?: ${NUMBER}){${count}})$`, 'u');
  const parts = text
    .split(/;|,(?=\s)|\n/)
    .map((part) => part.trim().replace(/\s+/g, ' '))
    .filter((part) => part !== '');
  const items = parts.flatMap((part) => {
    const [, name, figures = ''] = one.exec(part) ?? [];
    return name === undefined
      ? []
      : [
          {
            name,
            figures: figures
              .trim()
              .split(' ')
              .map((figure) => Number(figure.replace(',', '.'))),
          },
        ];
  });
  const wrong = parts.find((part) => !one.test(part));
  return wrong === undefined ? { items } : { items, wrong };
}
