import { Pipe, type PipeTransform } from '@angular/core';
import { wordOf } from '@druckerei/core/kernel';

/**
 * What a template may say one way or another, and words that are kept, in the language of the page:
 * `{{ (open ? 'Close' : 'Open') | word }}`; with values: `'Take out {0}' | word: name`.
 */
@Pipe({ name: 'word' })
export class WordPipe implements PipeTransform {
  transform(text: string, ...values: readonly (string | number | null | undefined)[]): string {
    const said = wordOf(text);
    return values.length === 0 ? said : said.replace(/\{(\d+)\}/g, (_, n: string) => String(values[Number(n)] ?? ''));
  }
}
