import type { Content } from 'pdfmake/interfaces.js';
import { BALANCE_WAYS, materialBalance } from '@druckerei/core';
import { WAY_NAMES } from '@druckerei/contract';
import { type JobDocument, number } from './document.js';
import { Said } from './measures.js';

const share = (value: number): string => `${number(value * 100, 1)} %`;

/** Material of the job in a few lines: what comes in, what leaves as product, what is waste and where it goes. */
export function balanceLine({ job, plan, works }: JobDocument): Content {
  const said = new Said(works);
  const kg = (value: number): string => said.quantity(value, 'kg');
  const { lines, inKg, productKg, wasteKg, co2Kg } = materialBalance(job, plan, works);
  const ways = BALANCE_WAYS.flatMap((way) => {
    const sum = lines.filter((line) => line.way === way).reduce((total, line) => total + line.kg, 0);
    return sum > 0 ? [`${WAY_NAMES[way]} ${kg(sum)}`] : [];
  });
  return {
    text: $localize`Material: ${kg(inKg)} come in; ${kg(productKg)} (${share(productKg / inKg)}) leave as product, ${kg(wasteKg)} (${share(wasteKg / inKg)}) are waste.${co2Kg === undefined ? '' : $localize` By the factors of the works ${kg(co2Kg)} of CO2 equivalent.`} ${ways.join('; ')}.`,
    margin: [0, 2, 0, 0],
  };
}
