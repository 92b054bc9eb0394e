import { Pipe, type PipeTransform } from '@angular/core';
import { wordOf } from '@druckerei/core/kernel';

/** What a template may say one way or another, and words that are kept, in the language of the page: `{{ (open ? 'Close' : 'Open') | word }}`. */
@Pipe({ name: 'word' })
export class WordPipe implements PipeTransform {
  readonly transform = wordOf;
}
