import { type SpokenWords, speak } from '@druckerei/contract/speak';

// The server puts the words of another language before the application, into the page.
const { druckereiWords } = globalThis as { druckereiWords?: SpokenWords };
if (druckereiWords) speak(druckereiWords);
