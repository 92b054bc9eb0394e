import '@angular/localize/init';
import { type SpokenWords, speak } from '@druckerei/contract/speak';

/**
 * The first import of every worker: it speaks as its page does, which calls it by where the words lie. They are waited for,
 * since what is imported behind this is said in their language; the page has fetched them already.
 */
if (self.name !== '') {
  const request = new XMLHttpRequest();
  request.open('GET', self.name, false);
  request.send();
  const text = request.responseText;
  speak(JSON.parse(text.slice(text.indexOf('{'))) as SpokenWords);
}
