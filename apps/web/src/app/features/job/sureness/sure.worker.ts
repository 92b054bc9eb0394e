import '../../../platform/speak-in-worker';
import { reckonSure } from '@druckerei/core';
import type { SureMessage, SureQuestion } from './sure.messages';

addEventListener('message', ({ data: { job, works, ask } }: MessageEvent<SureQuestion>) => {
  const say = (message: SureMessage): void => postMessage(message);
  const outcome = reckonSure(job, works, ask, (share) => {
    say({ kind: 'progress', share });
    return true;
  });
  say({ kind: 'sure', outcome });
});
