import '../../../platform/speak-in-worker';
import { findWays } from '@druckerei/core';
import type { WaysAnswer, WaysQuestion } from './ways.messages';

addEventListener('message', ({ data }: MessageEvent<WaysQuestion>) => {
  const say = (answer: WaysAnswer): void => postMessage(answer);
  const outcome = findWays(data.job, data.works, data.target, (share) => say({ kind: 'progress', share }));
  say({ kind: 'done', outcome });
});
