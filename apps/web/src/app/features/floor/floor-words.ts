import { type FloorLate, type FloorPlan, type FloorSlot, type Help, MINUTE_MS, wordOf } from '@druckerei/core';
import {
  type FloorNames,
  type MoveEffect,
  type Saying,
  holdText,
  causeText as waitsFor,
  waitsText as waitsBeside,
} from '@druckerei/contract';
import { count, dateText, many } from '../../ui/format';
import { helpWords, spanText } from '../../ui/floor-words';
import { chosenLocale } from '../../ui/locale';

/** Days and times by the clock on the wall of the works. */
export class WorksClock {
  private readonly time: Intl.DateTimeFormat;
  private readonly day: Intl.DateTimeFormat;
  private readonly times = new Map<number, string>();
  private readonly days = new Map<number, string>();
  constructor(
    private readonly origin: number,
    timeZone: string | undefined,
  ) {
    const locale = chosenLocale();
    this.time = new Intl.DateTimeFormat(locale, { hour: '2-digit', minute: '2-digit', timeZone });
    this.day = new Intl.DateTimeFormat(locale, { weekday: 'short', day: 'numeric', month: 'short', timeZone });
  }
  timeText(minute: number): string {
    return this.kept(this.times, this.time, minute);
  }
  dayText(minute: number): string {
    return this.kept(this.days, this.day, minute);
  }
  /** Writing a time takes longer than looking it up, and pages ask for the same over and over. */
  private kept(known: Map<number, string>, format: Intl.DateTimeFormat, minute: number): string {
    const text = known.get(minute) ?? format.format(this.origin + minute * MINUTE_MS);
    known.set(minute, text);
    return text;
  }
  text(minute: number): string {
    return `${this.dayText(minute)}, ${this.timeText(minute)}`;
  }
}

/** How this browser says days and numbers. */
const SAY: Saying = { date: dateText, count };

/** What a station waits for, in words; empty where it could begin at once. */
export const causeText = (slot: Pick<FloorSlot, 'cause'>, names: FloorNames): string => waitsFor(slot, names, SAY);

/** The same beside the one above it in the shift book. */
export const waitsText = (slot: FloorSlot, names: FloorNames): string => waitsBeside(slot, names, SAY);

/** Why a job is late: what it waits longest for, and how it would be alone. */
export function lateText({ minutes, alone, waits, chain }: FloorLate, plan: FloorPlan, names: FloorNames): string {
  const begun = chain.at(-1);
  const first = plan.slots.find(({ job, step }) => job === begun?.job && step === begun.step);
  const released = first?.cause.hold
    ? $localize`${names.step(first.job, first.step)} waits ${spanText(first.cause.minute)} for ${holdText(first.cause.hold, SAY)}.`
    : '';
  if (alone >= minutes)
    return $localize`It would be as late alone in the works: its own stations and what lies between them take that long. ${released}`.trim();
  if (released !== '' && (first?.cause.minute ?? 0) > (waits?.minutes ?? 0)) return released;
  const itself = alone > 0 ? $localize` Even alone in the works it would be ${spanText(alone)} late.` : '';
  const slot = waits && plan.slots.find(({ job, step }) => job === waits.job && step === waits.step);
  if (!slot) return $localize`Its own stations take until then, one after another.${itself}`;
  return $localize`${names.step(slot.job, slot.step)} waits ${spanText(waits.minutes)}\: ${causeText(slot, names)}.${itself}`;
}

/** What would help, and what it costs others. */
export const helpText = (help: Help, job: number, names: FloorNames): string =>
  helpWords({
    ...help,
    step: help.step === null ? null : names.step(job, help.step),
    machine: help.machine === null ? null : names.machine(help.machine),
  });

/** What a move comes to: “35 min more set-up, HB-26-0417 2 h later, 3 jobs unaffected”. */
export function effectText({ shifted, setUp, lateOrders }: MoveEffect, jobs: number, names: FloorNames): string {
  const parts = setUp === 0 ? [] : [$localize`${spanText(setUp)} ${wordOf(setUp > 0 ? 'more' : 'less')} set-up`];
  for (const { job, minutes } of [...shifted]
    .sort((a, b) => Math.abs(b.minutes) - Math.abs(a.minutes))
    .slice(0, MOST_TOLD))
    parts.push(
      $localize`${names.number(job)} through ${spanText(minutes)} ${wordOf(minutes > 0 ? 'later' : 'earlier')}`,
    );
  if (shifted.length > MOST_TOLD) parts.push($localize`${many(shifted.length - MOST_TOLD, 'other job')} moved too`);
  if (lateOrders !== 0)
    parts.push($localize`${many(Math.abs(lateOrders), 'job')} ${wordOf(lateOrders > 0 ? 'more' : 'fewer')} late`);
  return [...parts, $localize`${many(jobs - shifted.length, 'job')} unaffected`].join(', ');
}
const MOST_TOLD = 3;
