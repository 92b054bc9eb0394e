import { Measures } from './measures';

describe('measures', () => {
  beforeEach(() => localStorage.clear());

  it('are metric until the works or somebody says otherwise', () => {
    const measures = new Measures();
    expect(measures.system()).toBe('metric');
    measures.useWorks('inch-pound');
    expect(measures.system()).toBe('inch-pound');
    measures.useWorks(null);
    expect(measures.system()).toBe('metric');
    measures.useWorks('cubits');
    expect(measures.system()).toBe('metric');
  });
  it('stay as they were chosen at this computer, whatever the works reads', () => {
    const measures = new Measures();
    measures.useWorks('inch-pound');
    measures.toggle();
    expect(measures.system()).toBe('metric');
    measures.useWorks('inch-pound');
    const later = new Measures();
    later.useWorks('inch-pound');
    expect([measures.system(), later.system()]).toEqual(['metric', 'metric']);
  });
});
