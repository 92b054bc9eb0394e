import { Injectable, computed, signal } from '@angular/core';
import { isLag, type PlanStep } from '@druckerei/core';
import type { FloorPromise } from '@druckerei/contract';
import { hourText, timeText } from '../../../ui/format';
import type { StationClock } from '../stream/station-clock';

/** When the stations of the open job run, and whether the stream shows it. */
@Injectable()
export class JobClock {
  /** As the floor says; null where it cannot tell, undefined while it is asked. */
  readonly promise = signal<FloorPromise | null | undefined>(undefined);
  readonly inStream = signal(false);
  private readonly stations = computed(() => new Map(this.promise()?.stations.map((one) => [one.step, one])));
  /** Of a step; undefined where the floor does not know it, or nobody wants to see it. */
  readonly of = computed(() => {
    const stations = this.inStream() ? this.stations() : undefined;
    return (step: Pick<PlanStep, 'id' | 'operation'>): StationClock | undefined => {
      const at = stations?.get(step.id);
      if (!at) return undefined;
      const waits = at.waits === '' ? '' : $localize`, waits ${at.waits}`;
      return {
        short: isLag(step) ? $localize`to ${hourText(at.end)}` : timeText(at.start),
        spoken: $localize`, ${timeText(at.start)} to ${timeText(at.end)}${waits}`,
      };
    };
  });
}
