import { layBlanks } from '@druckerei/core';
import type { Answer, BlanksQuestion } from './messages';

addEventListener('message', ({ data }: MessageEvent<BlanksQuestion>) => {
  const say = (answer: Answer): void => postMessage(answer);
  const layouts = layBlanks(data.request, (share) => say({ kind: 'progress', share }));
  say({ kind: 'blanks', layouts });
});
