import { latestWorker } from './latest-worker';

class StandIn extends EventTarget {
  readonly asked: number[] = [];
  ended = false;
  postMessage(question: number): void {
    this.asked.push(question);
  }
  terminate(): void {
    this.ended = true;
  }
  answer(data: number): void {
    this.dispatchEvent(new MessageEvent('message', { data }));
  }
}

function setUp() {
  const made: StandIn[] = [];
  const answers: unknown[] = [];
  let failures = 0;
  const { ask, end } = latestWorker<number>(
    () => {
      const worker = new StandIn();
      made.push(worker);
      return worker as unknown as Worker;
    },
    (answer) => answers.push(answer),
    () => failures++,
  );
  const worker = (): StandIn => {
    const last = made.at(-1);
    if (!last) throw new Error('no worker');
    return last;
  };
  return { ask, end, made, answers, worker, failures: () => failures };
}

describe('a worker whose newest answer counts', () => {
  it('is asked one thing at a time, the newest of those that wait, and hands on no older answer', () => {
    const { ask, worker, answers, made } = setUp();
    ask(1);
    ask(2);
    ask(3);
    expect(worker().asked).toEqual([1]);
    worker().answer(10);
    expect(answers).toEqual([]);
    expect(worker().asked).toEqual([1, 3]);
    worker().answer(30);
    expect(answers).toEqual([30]);
    expect(made).toHaveLength(1);
  });

  it('tells that it broke, and answers the next question with a new worker', () => {
    const { ask, worker, answers, made, failures } = setUp();
    ask(1);
    worker().dispatchEvent(new Event('error'));
    expect(failures()).toBe(1);
    ask(2);
    expect(made).toHaveLength(2);
    worker().answer(20);
    expect(answers).toEqual([20]);
  });

  it('is ended with what it was asked', () => {
    const { ask, end, worker, made } = setUp();
    ask(1);
    ask(2);
    end();
    expect(worker().ended).toBe(true);
    ask(3);
    expect(made).toHaveLength(2);
    expect(worker().asked).toEqual([3]);
  });
});
