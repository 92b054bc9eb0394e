import { type InkSpec, own } from '@druckerei/core';

/** Process inks in their own colours. */
const PROCESS: Readonly<Record<string, string>> = { K: '#1a1a1a', C: '#00a0d2', M: '#d6006d', Y: '#ffe100' };

/** The colour of an ink as a screen can show it: the aim of a mixed one, or a process ink; transparent where none is known. */
export const inkColour = (name: string, aim: InkSpec['aim']): string =>
  aim ? `lab(${aim.l}% ${aim.a} ${aim.b})` : (own(PROCESS, name) ?? 'transparent');
