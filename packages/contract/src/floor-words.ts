import { type FloorHold, type FloorLie, type FloorSlot, stationName, wordOf } from '@druckerei/core';

/** How days and numbers are said. */
export interface Saying {
  /** @param day ISO 8601. */
  readonly date: (day: string) => string;
  readonly count: (value: number) => string;
}

/** A job as the floor tells it, as far as its names go. */
export interface NamedJob {
  readonly id: number;
  readonly number: string;
  readonly title: string;
  readonly due: string | null;
  readonly steps: readonly {
    readonly id: string;
    readonly name: string;
    readonly component: string;
    readonly machines: readonly string[];
  }[];
}

/** Names of what a schedule tells by ids. */
export class FloorNames {
  private readonly jobs: ReadonlyMap<number, NamedJob>;
  private readonly machines: ReadonlyMap<string, string>;
  constructor(jobs: readonly NamedJob[], machines: readonly { readonly id: string; readonly name: string }[]) {
    this.jobs = new Map(jobs.map((job) => [job.id, job]));
    this.machines = new Map(machines.map(({ id, name }) => [id, name]));
  }
  number(job: number): string {
    return this.jobs.get(job)?.number ?? $localize`job ${job}`;
  }
  title(job: number): string {
    return this.jobs.get(job)?.title ?? '';
  }
  due(job: number): string | null {
    return this.jobs.get(job)?.due ?? null;
  }
  step(job: number, step: string): string {
    const found = this.jobs.get(job)?.steps.find(({ id }) => id === step);
    return found ? stationName(found) : step;
  }
  machinesOf(job: number, step: string): readonly string[] {
    return this.jobs.get(job)?.steps.find(({ id }) => id === step)?.machines ?? [];
  }
  machine(id: string): string {
    return this.machines.get(id) ?? id;
  }
}

const CHANGE_WORDS: Readonly<Record<FloorSlot['changes'][number]['what'], string>> = {
  wash: 'wash-up',
  size: $localize`other sheet size`,
  stock: $localize`other stock`,
  thickness: $localize`other thickness`,
  fold: $localize`other fold scheme`,
  'fold size': $localize`same fold, other size`,
  die: $localize`other die`,
  glue: $localize`other glue`,
  format: $localize`other format`,
};

/** What is changed on the machine before a station, in words: each wash-up from which ink to which. */
export function changesText({ changes, washes }: Pick<FloorSlot, 'changes' | 'washes'>): string {
  const inks = washes.map(({ from, to }) => $localize`:a change|:${from.name} to ${to.name}`);
  const others = changes.filter(({ what }) => what !== 'wash').map(({ what }) => CHANGE_WORDS[what]);
  return [...(inks.length > 0 ? [`${CHANGE_WORDS.wash} ${inks.join(', ')}`] : []), ...others].join('; ');
}

/** What a station is released by, in words. */
export function holdText({ what, of, day, sent }: FloorHold | FloorLie, { date, count }: Saying): string {
  switch (what) {
    case 'paper':
      return day === null ? $localize`${of}\: not ordered` : $localize`${of}, on order for ${date(day)}`;
    case 'artwork':
      if (sent !== undefined)
        return $localize`the proof${of === '' ? '' : $localize` of ${of}`}, at the customer since ${date(sent)}`;
      return of === '' ? $localize`artwork that is not approved` : $localize`the artwork of ${of}, not approved`;
    case 'trial':
      return $localize`a trial of ${of}, not accepted`;
    case 'carriers':
      return $localize`${count(Number(of))} ${wordOf(of === '1' ? 'carrier' : 'carriers')} not made and inspected`;
    case 'drying':
      return $localize`what comes from ${of} to lie and dry`;
  }
}

/** What a line of the shift book waits for beside the one above it. */
export const waitsText = (slot: Pick<FloorSlot, 'cause' | 'machine'>, names: FloorNames, say: Saying): string =>
  slot.cause.kind === 'held' && slot.cause.held === slot.machine ? '' : causeText(slot, names, say);

/** What a station waits for, in words; empty where it could begin at once. */
export function causeText({ cause }: Pick<FloorSlot, 'cause'>, names: FloorNames, say: Saying): string {
  if (cause.hold) return $localize`for ${holdText(cause.hold, say)}`;
  if (cause.kind === 'release' || cause.job === null || cause.step === null) return '';
  const step = names.step(cause.job, cause.step);
  return cause.kind === 'link'
    ? $localize`after ${step}`
    : $localize`${cause.held === null ? $localize`its machine` : names.machine(cause.held)} is held by ${names.number(cause.job)}, ${step}`;
}
