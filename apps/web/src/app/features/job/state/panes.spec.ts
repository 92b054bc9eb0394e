import { TestBed } from '@angular/core/testing';
import { Panes } from './panes';

const open = (): Panes => TestBed.configureTestingModule({ providers: [Panes] }).inject(Panes);

describe('the panes of the job page', () => {
  beforeEach(() => localStorage.clear());

  it('fold and come back, one of stream and bench always stays', () => {
    const panes = open();
    panes.toggle('stream');
    expect([panes.isOpen('stream'), panes.isOpen('bench')]).toEqual([false, true]);
    panes.toggle('bench');
    expect([panes.isOpen('stream'), panes.isOpen('bench')]).toEqual([true, false]);
    panes.open('bench');
    panes.open('bench');
    expect([panes.isOpen('stream'), panes.isOpen('bench')]).toEqual([true, true]);
  });

  it('dragged to nothing is folded, and comes back as high as it was', () => {
    const panes = open();
    panes.sizeStream(260.4);
    panes.sizeStream(3);
    expect([panes.isOpen('stream'), panes.streamPx()]).toEqual([false, 260]);
    panes.toggle('stream');
    expect([panes.isOpen('stream'), panes.streamPx()]).toEqual([true, 260]);
  });

  it('are remembered on this computer', () => {
    const panes = open();
    panes.sizeStream(300);
    panes.sizeWorking(41.2);
    panes.fit(true);
    TestBed.tick();
    TestBed.resetTestingModule();
    const again = open();
    expect([again.streamPx(), again.workingShare(), again.fitted()]).toEqual([300, 41, true]);
  });
});
