import './speak-in-worker';
import { bestPlan, ladderOf } from '@druckerei/core';
import type { BestAnswer, BestQuestion } from './best.messages';

addEventListener('message', ({ data }: MessageEvent<BestQuestion>) => {
  const say = (answer: BestAnswer): void => postMessage(answer);
  if (data.kind === 'best') {
    const outcome = bestPlan(data.job, data.works, (best, share) => say({ kind: 'so far', best, share }));
    say({ kind: 'best', outcome });
  } else {
    const outcome = ladderOf(data.job, data.works, data.quantities, (rung, share) =>
      say({ kind: 'rung', rung, share }),
    );
    say({ kind: 'ladder', outcome });
  }
});
