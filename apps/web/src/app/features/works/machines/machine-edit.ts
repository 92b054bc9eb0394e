import { Injectable, computed } from '@angular/core';
import { type FieldGroup, type Machine, checkMachine, fieldAt, groupsFor, hasGroup } from '@druckerei/core';
import { type Differing, ItemEdit, valueWords } from '../item-edit';

/** One machine being corrected. */
@Injectable()
export class MachineEdit extends ItemEdit<Machine> {
  protected readonly all = () => this.works.machines();
  protected readonly check = checkMachine;
  protected readonly kind = 'machine';
  protected readonly entered = (machines: readonly Machine[]) => ({ machines });
  readonly differences = machineDifferences;

  readonly groups = computed(() => {
    const machine = this.item();
    return machine
      ? groupsFor(machine.process).map((group) => ({
          group,
          told: hasGroup(machine, group),
          mayGo: group.of(machine.process) === 'may',
        }))
      : [];
  });

  /** Tells a group of fields, with its flags at no, or takes it out. */
  tell({ fields, at }: FieldGroup, told: boolean): void {
    const flags = fields.filter(({ kind, wanted }) => kind === 'flag' && wanted);
    const empty = Object.fromEntries(flags.map(({ path }) => [path.split('.').at(-1) ?? '', false]));
    this.set(at, told ? empty : undefined);
  }
}

/** Fields in which two states of a machine differ, in words. */
function machineDifferences(before: unknown, after: unknown): Differing[] {
  const process = (fieldAt(after, 'process') ?? fieldAt(before, 'process')) as Machine['process'] | undefined;
  if (process === undefined) return [];
  return groupsFor(process)
    .flatMap(({ name, at, fields }) =>
      fields.map((field) => ({ ...field, what: at === '' ? field.name : `${name}: ${field.name}` })),
    )
    .map(({ path, what }) => ({
      what,
      now: valueWords(fieldAt(before, path)),
      yours: valueWords(fieldAt(after, path)),
    }))
    .filter(({ now, yours }) => now !== yours);
}
