// The guide in one language: node scripts/guide/in-language.mjs de [--check]
import '@angular/localize/init';
import { speak } from '@druckerei/contract/speak';
import { LANGUAGES, readSources, spoken } from '../words/catalogue.mjs';

const [language, task] = process.argv.slice(2);
if (LANGUAGES.includes(language)) {
  const said = readSources().said.filter(({ area }) => area !== 'web');
  speak(spoken(language, said));
}
const { fillGuide } = await import('./fill.mjs');
const stale = fillGuide(language, task !== '--check');
if (stale.length > 0 && task === '--check') {
  process.stderr.write(`npm run guide: ${stale.join(', ')}\n`);
  process.exitCode = 1;
}
