import { TestBed } from '@angular/core/testing';
import { Run } from './run';

type Answer = { kind: 'so far'; share: number } | { kind: 'done' };

describe('a piece of work in a worker', () => {
  const open = () => {
    const asked: { question: string; answered: (answer: Answer) => void; failed: () => void; ended: boolean }[] = [];
    const run = TestBed.runInInjectionContext(
      () =>
        new Run<string, Answer>(
          (question, answered, failed) => {
            const one = { question, answered, failed, ended: false };
            asked.push(one);
            return () => {
              one.ended = true;
            };
          },
          ({ kind }) => kind === 'done',
        ),
    );
    const heard: Answer[] = [];
    return { run, asked, heard, start: (question: string) => run.start(question, (answer) => heard.push(answer)) };
  };

  it('says how far it is, hands every answer on, and is idle when it is done', () => {
    const { run, asked, heard, start } = open();
    expect(run.state()).toEqual({ kind: 'idle' });
    start('a');
    expect(run.state()).toEqual({ kind: 'running', share: undefined });
    asked[0]?.answered({ kind: 'so far', share: 0.4 });
    expect(run.state()).toEqual({ kind: 'running', share: 0.4 });
    asked[0]?.answered({ kind: 'done' });
    expect([run.state().kind, heard.map(({ kind }) => kind)]).toEqual(['idle', ['so far', 'done']]);
  });

  it('ends the worker of an older question, and that of its own when it is stopped', () => {
    const { run, asked, start } = open();
    start('a');
    start('b');
    expect(asked.map(({ question, ended }) => [question, ended])).toEqual([
      ['a', true],
      ['b', false],
    ]);
    run.stop();
    expect([run.state().kind, asked[1]?.ended]).toEqual(['stopped', true]);
  });

  it('says that it failed, and begins again when asked', () => {
    const { run, asked, start } = open();
    start('a');
    asked[0]?.failed();
    expect(run.state()).toEqual({ kind: 'failed' });
    start('a');
    expect(run.state().kind).toBe('running');
  });

  it('ends with what asked for it', () => {
    const { asked, start } = open();
    start('a');
    TestBed.resetTestingModule();
    expect(asked[0]?.ended).toBe(true);
  });
});
