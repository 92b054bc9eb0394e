import type { SpokenWords } from '@druckerei/contract/speak';

/** Where the words of the language of this page lie; empty where it is English. */
export const wordsOfPage = (): string => (globalThis as { druckereiWords?: SpokenWords }).druckereiWords?.file ?? '';
