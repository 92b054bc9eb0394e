import { TestBed } from '@angular/core/testing';
import { example, planned } from '../job.fixture';
import { LayoutView } from '../../../ui/layout-view';

describe('layout drawing', () => {
  const layouts = { ...planned(example('concert-programme')).layouts, ...planned(example('trail-map')).layouts };

  async function draw(id: string, inputs: Record<string, unknown> = {}) {
    const layout = layouts[id];
    if (!layout) throw new Error(id);
    const fixture = TestBed.createComponent(LayoutView);
    fixture.componentRef.setInput('layout', layout);
    for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    const numbers = () => [...element.querySelectorAll('text.number')].map((text) => Number(text.textContent));
    const press = async (key: string) => {
      element.querySelector('svg.large')?.dispatchEvent(new KeyboardEvent('keydown', { key, cancelable: true }));
      await fixture.whenStable();
    };
    return { fixture, element, numbers, press };
  }

  it('says how much lies on the sheet and the most that could', async () => {
    const { element } = await draw('map');
    expect(element.querySelector('figcaption')?.textContent).toBe(
      '2 up, 2 across by 1; 69.6 % of the sheet used; no layout holds more',
    );
    expect(element.querySelectorAll('.trim')).toHaveLength(2);
  });

  it('turns the sheet over by key: every page on one side or the other', async () => {
    const { element, numbers, press } = await draw('section-1', { tools: true });
    const front = numbers();
    await press('f');
    expect(element.querySelector('svg.large')?.getAttribute('aria-label')).toContain('back');
    const all = [...front, ...numbers()].sort((a, b) => a - b);
    expect(all).toEqual(Array.from({ length: 32 }, (_, i) => i + 3));
  });

  it('shows the other side through the sheet', async () => {
    const { element, press } = await draw('section-1', { tools: true });
    expect(element.querySelector('.behind')).toBeNull();
    await press('t');
    expect(element.querySelectorAll('.behind text')).toHaveLength(16);
    expect(element.querySelector('.behind')?.getAttribute('transform')).toBe('translate(1020 0) scale(-1 1)');
  });

  it('tells a piece that is pointed at', async () => {
    const { fixture, element } = await draw('map', { tools: true });
    element.querySelectorAll('.trim')[0]?.parentElement?.dispatchEvent(new Event('mouseenter'));
    await fixture.whenStable();
    expect(element.querySelector('.readout')?.textContent).toContain(
      'Piece 1: 420 × 594 mm, 87 mm from the left, 65 mm from the gripper edge',
    );
  });

  it('is a picture without words or tools where there is little room', async () => {
    const { element, press, numbers } = await draw('section-1', { plain: true });
    expect(element.querySelector('figcaption')).toBeNull();
    expect(element.querySelector('.tools')).toBeNull();
    const before = numbers();
    await press('f');
    expect(numbers()).toEqual(before);
  });
});
