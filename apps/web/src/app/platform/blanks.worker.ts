import './speak-in-worker';
import { layBlanks } from '@druckerei/core';
import type { BlanksAnswer, BlanksQuestion } from './blanks-client';

addEventListener('message', ({ data }: MessageEvent<BlanksQuestion>) => {
  const say = (answer: BlanksAnswer): void => postMessage(answer);
  const layouts = layBlanks(data.request, (share) => say({ kind: 'progress', share }));
  say({ kind: 'blanks', layouts });
});
