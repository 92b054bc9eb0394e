import { TestBed } from '@angular/core/testing';
import { example, planned } from '../job.fixture';
import { type FigureAt, Working } from '../../../ui/working';

describe('working panel', () => {
  const { figures } = planned(example('trail-map'));
  const figureAt: FigureAt = (id) => figures[id];

  async function open(trail: string[]) {
    const fixture = TestBed.createComponent(Working);
    fixture.componentRef.setInput('figureAt', figureAt);
    fixture.componentRef.setInput('trail', trail);
    await fixture.whenStable();
    return { fixture, text: ((fixture.nativeElement as HTMLElement).textContent ?? '').replace(/\s+/g, ' ') };
  }

  it('shows the formula in names and in values, and the source', async () => {
    const { text } = await open(['step.fold.units.step']);
    expect(text).toContain('10,173 maps');
    expect(text).toContain('(10,011 + 0) / (1 × (1 − 0.01))');
    expect(text).toContain('Source: practice, handbook chapter 6');
  });

  it('says what a figure set by hand would be', async () => {
    const { text } = await open(['step.fold.setup']);
    expect(text).toContain('Without this it would be 90 maps');
  });

  it('opens an input and goes back along the trail', async () => {
    const { fixture } = await open(['total.pressSheets', 'component.map.pressSheets']);
    const opened: string[] = [];
    const back: number[] = [];
    fixture.componentInstance.inputOpened.subscribe((id) => opened.push(id));
    fixture.componentInstance.wentBack.subscribe((at) => back.push(at));
    const element = fixture.nativeElement as HTMLElement;
    element.querySelector<HTMLButtonElement>('td button')?.click();
    element.querySelector<HTMLButtonElement>('nav button')?.click();
    expect(opened).toEqual(['step.print-map.processUnits']);
    expect(back).toEqual([0]);
  });

  it('says what to do while no figure is open', async () => {
    const { text } = await open([]);
    expect(text).toContain('Pick any figure');
  });
});
