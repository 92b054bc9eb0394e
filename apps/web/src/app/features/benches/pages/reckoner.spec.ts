import { TestBed } from '@angular/core/testing';
import { SHIPPED_WORKS, type Works } from '@druckerei/core';
import { FOLLOW } from '../../../platform/follow';
import { WORKS_AT_HAND } from '../state/works-at-hand';
import { ReckonerPage } from './reckoner.page';

describe('the reckoner', () => {
  async function open(
    query: Record<string, string> = {},
    works: () => Promise<Works> = () => Promise.resolve(SHIPPED_WORKS),
  ) {
    history.replaceState(null, '', `/benches/reckoner?${new URLSearchParams(query).toString()}`);
    TestBed.configureTestingModule({ providers: [{ provide: WORKS_AT_HAND, useValue: works }] });
    const fixture = TestBed.createComponent(ReckonerPage);
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    const text = (): string => (host.textContent ?? '').replace(/\s+/g, ' ');
    const type = async (field: string, value: string): Promise<void> => {
      const input = host.querySelector<HTMLInputElement>(field);
      if (!input) throw new Error(`no ${field}`);
      input.value = value;
      input.dispatchEvent(new Event('input'));
      await fixture.whenStable();
    };
    const results = (): string => (host.querySelector('[data-test="results"]')?.textContent ?? '').replace(/\s+/g, ' ');
    return { fixture, host, text, type, results };
  }
  beforeEach(() => localStorage.clear());

  it('understands a line, shows what it made of it, and goes on in the fields', async () => {
    const { text, type, results } = await open();
    await type('#line', 'spine 240 pp 110 um');
    expect(text()).toContain('Understood as: Spine.');
    expect(results()).toContain('13.2 mm');
    await type('[data-field="pages"]', '480');
    expect(results()).toContain('26.4 mm');
    expect(location.pathname + location.search).toBe('/benches/reckoner?sum=spine&pages=480&caliper=110');
  });

  it('asks for exactly what is missing, and tells what is wrong at its field', async () => {
    const { text, type, results } = await open({ sum: 'roll' });
    expect(text()).toContain('Still wanted: Diameter, Caliper.');
    expect(text()).toContain('Fill in an example');
    await type('[data-field="outer"]', '1000');
    expect(text()).toContain('Still wanted: Caliper.');
    await type('[data-field="caliper"]', '100');
    expect(results()).toContain('7,809 m');
    await type('[data-field="outer"]', '60');
    expect(text()).toContain('A roll of 60 mm has no paper on a core of 76 mm.');
    expect(results()).toBe('');
    expect(text()).not.toContain('Fill in an example');
  });

  it('fills in an example of a sum that nobody has typed anything for', async () => {
    const { fixture, host, results } = await open({ sum: 'roll' });
    [...host.querySelectorAll('button')].find((one) => one.textContent.includes('Fill in an example'))?.click();
    await fixture.whenStable();
    expect(results()).toContain('7,809 m');
  });

  it('opens from a link, a figure to its working, and says what it made nothing of', async () => {
    const { fixture, host, text, type, results } = await open({ sum: 'basis-to-gsm', pounds: '74', grade: 'text' });
    expect(results()).toContain('109.53 g/m²');
    host.querySelector<HTMLButtonElement>('[data-test="results"] button')?.click();
    await fixture.whenStable();
    expect(text()).toContain('definition of grammage, ISO 536');
    await type('#line', 'spine 240 pp 110 um tomorrow');
    expect(text()).toContain('Nothing was made of: tomorrow.');
    await type('#line', 'hello');
    expect(text()).toContain('No sum is known by this.');
  });

  it('reckons by the norms of the works, and says whose they are; by those that ship where it cannot be read', async () => {
    const query = { sum: 'press-sheets', quantity: '10000' };
    const value = { value: 0.999, source: { label: 'set by user' as const } };
    const own = { ...SHIPPED_WORKS, name: 'Own Works', norms: { ...SHIPPED_WORKS.norms, 'sure.p': value } };
    const { text, results } = await open(query, () => Promise.resolve(own));
    expect(text()).toContain('By the norms of Own Works.');
    const mine = results();
    TestBed.resetTestingModule();
    const away = await open(query, () => Promise.reject(new Error('away')));
    expect(away.text()).toContain('By the norms as they ship');
    expect(away.results()).not.toBe(mine);
    TestBed.resetTestingModule();
    expect((await open({ sum: 'spine', pages: '240', caliper: '110' })).text()).not.toContain('By the norms');
  });

  it('remembers what was reckoned, on this computer, each once', async () => {
    const { fixture, host, type, text } = await open();
    const line = host.querySelector<HTMLInputElement>('#line');
    for (const typed of ['spine 240 pp 110 um', 'creep 64 pp 0.1 mm', 'spine 240 pp 110 um', 'spine 7 kg']) {
      await type('#line', typed);
      line?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
      await fixture.whenStable();
    }
    expect(text()).toContain('Spine: Pages 240, Caliper 110 µm = 13.2 mm');
    expect(text()).toContain('Creep of a stitched book: Pages 64, Caliper 100 µm = 1.5 mm');
    expect(host.querySelectorAll('.past li')).toHaveLength(2);
    expect(localStorage.getItem('druckerei.reckoner')).toContain('creep');
  });

  it('asks for the works only where a sum goes by norms', async () => {
    const asked = jest.fn(() => Promise.resolve(SHIPPED_WORKS));
    const { fixture, type, host } = await open({ sum: 'spine', pages: '240', caliper: '110' }, asked);
    expect(asked).not.toHaveBeenCalled();
    [...host.querySelectorAll('button')]
      .find((one) => one.textContent.includes('Sheets for a quantity, by all schools'))
      ?.click();
    await fixture.whenStable();
    for (const quantity of ['10000', '20000']) await type('[data-field="quantity"]', quantity);
    expect(asked).toHaveBeenCalledTimes(1);
  });

  it('goes into a job within the application, and leaves it to the browser where it stands alone', async () => {
    const query = { sum: 'press-sheets', quantity: '2500' };
    for (const follows of [true, false]) {
      TestBed.resetTestingModule();
      const went: string[] = [];
      TestBed.configureTestingModule({
        providers: [{ provide: FOLLOW, useValue: (url: string) => (went.push(url), follows) }],
      });
      const { host, type } = await open(query);
      await type('#line', '2500 x 44pp A4 on B1');
      const link = host.querySelector<HTMLAnchorElement>('.acts a');
      const click = new MouseEvent('click', { cancelable: true, bubbles: true });
      link?.dispatchEvent(click);
      expect(went).toEqual([link?.getAttribute('href')]);
      expect(went[0]).toMatch(/^\/jobs\?order=/);
      expect(click.defaultPrevented).toBe(follows);
    }
  });
});
