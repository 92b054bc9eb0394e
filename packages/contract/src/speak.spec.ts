import { jest } from '@jest/globals';
import { computeMsgId } from '@angular/compiler';
import { formulaIn, inEveryTongue, isFunction, numberText, sayQuantity, symbolOf, wordOf } from '@druckerei/core';
import { speak } from './speak.js';

const WORDS = {
  [computeMsgId('{$PH} of {$PH_1} sheets', '')]: 'von {$PH_1} Bogen {$PH}',
  [computeMsgId('Fold', '')]: 'Falz',
  [computeMsgId('Fold', 'station')]: 'Falzen',
};
const LOOKED = { sheets: 'Bogen', 'formula|net': 'Netto', 'formula|perPallet': 'jePalette' };
let spoken = false;

beforeAll(() => speak({ language: 'de', file: '', words: WORDS, looked: LOOKED }, () => spoken));
afterAll(() => {
  $localize.translate = undefined;
  Object.defineProperty($localize, 'locale', { value: undefined, configurable: true });
});
const said = (): string => $localize`${2} of ${30} sheets`;
const both = <Result>(ask: () => Result): [Result, Result] =>
  [false, true].map((now) => {
    spoken = now;
    return ask();
  }) as [Result, Result];

describe('what is said', () => {
  it('is said in the language that is spoken at that moment, its values where they belong', () => {
    expect(both(said)).toEqual(['2 of 30 sheets', 'von 30 Bogen 2']);
    expect(both(said)).toEqual(['2 of 30 sheets', 'von 30 Bogen 2']);
  });

  it('is told from its like by what it means', () => {
    expect(both(() => [$localize`Fold`, $localize`:station|:Fold`])).toEqual([
      ['Fold', 'Fold'],
      ['Falz', 'Falzen'],
    ]);
  });

  it('stays as it is where there is no other for it', () => {
    const warn = jest.spyOn(console, 'warn').mockImplementation(() => undefined);
    expect(both(() => $localize`Nobody has said this`)).toEqual(['Nobody has said this', 'Nobody has said this']);
    expect(both(() => wordOf('the second pallet, by hand'))[1]).toBe('the second pallet, by hand');
    expect(warn).not.toHaveBeenCalled();
    expect(both(() => $localize`${3} of these`)[1]).toBe('3 of these');
    expect(warn).toHaveBeenCalledTimes(1);
    warn.mockRestore();
  });

  it('takes words that are kept along, and tables', () => {
    const table = inEveryTongue(() => ({ fold: $localize`Fold` }));
    expect(both(() => wordOf('sheets'))).toEqual(['sheets', 'Bogen']);
    expect(both(() => table().fold)).toEqual(['Fold', 'Falz']);
    expect(table()).toBe(table());
  });

  it('takes the names of a formula along, and its signs', () => {
    const formula = 'ceil(net1 + net12) / perPallet + min(0.5, net2 * 2.4)';
    expect(both(() => formulaIn(formula))).toEqual([
      formula,
      'ceil(Netto1 + Netto12) / jePalette + min(0,5; Netto2 * 2,4)',
    ]);
    expect(both(() => [symbolOf('net'), isFunction('net'), isFunction('ceil')])[1]).toEqual(['Netto', false, true]);
  });

  it('writes numbers as its language does', () => {
    expect(both(() => numberText(1234.5))).toEqual(['1,234.5', '1.234,5']);
    expect(both(() => sayQuantity(1200, 'sheets'))).toEqual(['1,200 sheets', '1.200 Bogen']);
  });
});
