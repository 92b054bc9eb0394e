import { TestBed } from '@angular/core/testing';
import { type Machine, MACHINE_TYPES, withField } from '@druckerei/core';
import { MachineDrawing } from './machine-drawing';

const typeOf = (id: string): Machine => {
  const found = MACHINE_TYPES.find((one) => one.id === id);
  if (!found) throw new Error(`no type ${id}`);
  return found;
};

function drawn(machine: Machine) {
  const fixture = TestBed.createComponent(MachineDrawing);
  fixture.componentRef.setInput('machine', machine);
  fixture.detectChanges();
  const element = fixture.nativeElement as HTMLElement;
  const [left = 0, top = 0, width = 0, height = 0] = (element.querySelector('svg')?.getAttribute('viewBox') ?? '')
    .split(' ')
    .map(Number);
  const boxes = [...element.querySelectorAll('rect')].map((rect) => {
    const of = (name: string): number => Number(rect.getAttribute(name));
    return { kind: rect.getAttribute('class'), x: of('x'), y: of('y'), width: of('width'), height: of('height') };
  });
  const isInside = boxes.every(
    (box) => box.x >= left && box.y >= top && box.x + box.width <= left + width && box.y + box.height <= top + height,
  );
  return { element, boxes, isInside };
}
const kinds = (machine: Machine): (string | null)[] => drawn(machine).boxes.map(({ kind }) => kind);

describe('a machine drawn to scale', () => {
  it('shows a press with its plate, largest and smallest sheet, and margins', () => {
    const { boxes, isInside, element } = drawn(typeOf('b2-four'));
    expect(boxes.map(({ kind }) => kind)).toEqual(['plate', 'most', 'margin', 'margin', 'margin', 'margin', 'least']);
    expect(boxes.find(({ kind }) => kind === 'most')).toMatchObject({ width: 740, height: 520 });
    expect(isInside).toBe(true);
    // A plate cylinder and a blanket cylinder for each of four units.
    expect(element.querySelectorAll('circle')).toHaveLength(8);
  });

  it('shows a folder with what it takes alone', () => {
    expect(kinds(typeOf('buckle-folder'))).toEqual(['most', 'least']);
  });

  it.each([
    ['a smallest sheet larger than the largest', withField(typeOf('b2-four'), 'press.minSheetMm', [900, 900])],
    ['a plate smaller than the sheet', withField(typeOf('b2-four'), 'press.plate.widthMm', 100)],
    ['a web', typeOf('heatset-web')],
  ])('leaves nothing outside: %s', (_, machine) => {
    expect(drawn(machine).isInside).toBe(true);
  });

  it('waits for the sizes, and tells so', () => {
    const { element } = drawn(withField(typeOf('buckle-folder'), 'takes.maxMm', undefined));
    expect(element.textContent).toContain('once its largest and smallest sizes are told');
    expect(element.querySelector('svg')).toBeNull();
  });
});
