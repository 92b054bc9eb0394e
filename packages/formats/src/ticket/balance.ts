import type { Content } from 'pdfmake/interfaces.js';
import { BALANCE_WAYS, type BalanceLine, materialBalance } from '@druckerei/core';
import { WAY_NAMES } from '@druckerei/contract';
import { type JobDocument, number } from './document.js';
import { heads, right, table } from './table.js';

const share = (value: number): string => `${number(value * 100, 1)} %`;

/** Lines of the same name on the same way become one: twelve sections are not told one by one. */
function together(lines: readonly BalanceLine[]): { name: string; kg: number; share: number }[] {
  const byName = new Map<string, { name: string; kg: number; share: number }>();
  for (const { name, kg, share: part } of lines) {
    const before = byName.get(name) ?? { name, kg: 0, share: 0 };
    byName.set(name, { name, kg: before.kg + kg, share: before.share + part });
  }
  return [...byName.values()].sort((a, b) => b.kg - a.kg);
}

/** The last leaf of the ticket: what comes in, and where it goes. */
export function balanceLeaf({ job, plan, works }: JobDocument): Content[] {
  const { lines, inKg, productKg, wasteKg, co2Kg } = materialBalance(job, plan, works);
  const group = (name: string, own: readonly BalanceLine[]): Content[] =>
    own.length === 0
      ? []
      : [
          { text: name, style: 'heading' },
          table(
            ['*', 60, 50],
            heads('What', '>kg', '>Share'),
            together(own).map((line) => [line.name, right(number(line.kg, 2)), right(share(line.share))]),
          ),
        ];
  return [
    { text: 'Material balance', style: 'title', pageBreak: 'before' },
    {
      text: `${number(inKg, 1)} kg come in; ${number(productKg, 1)} kg (${share(productKg / inKg)}) leave as product, ${number(wasteKg, 1)} kg (${share(wasteKg / inKg)}) are waste.${co2Kg === undefined ? '' : ` By the factors of the works ${number(co2Kg, 1)} kg of CO2 equivalent.`}`,
    },
    ...group(
      'Comes in',
      lines.filter(({ side }) => side === 'in'),
    ),
    ...BALANCE_WAYS.flatMap((way) =>
      group(
        WAY_NAMES[way],
        lines.filter((line) => line.way === way),
      ),
    ),
  ];
}
