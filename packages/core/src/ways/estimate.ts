import { type FlowOutput, type FlowStep, unitsFor } from '../flow/index.js';
import { ceilRatio } from '../kernel/index.js';
import { CARRIER_OF, countPlates, inkKg } from '../press/index.js';
import {
  type ComponentLayout,
  carriersPerColour,
  partsSheet,
  trimmedAreaMm2,
  isPlateless,
  machineOf,
  platesHung,
  scopeOf,
  sidesOf,
  layoutAt,
} from '../press-sheet/index.js';
import type { Component, Job, Step } from '../job/index.js';
import { type Material, foldsOf, paperMaterial } from '../material/index.js';
import {
  beltRate,
  counterOf,
  countsOf,
  curveShare,
  cutWork,
  handNorm,
  hourly,
  liftTime,
  rateTime,
  runHours,
  sheetsPerLift,
  incidentsOf,
  quantityOf,
  spoilageOf,
  usesOf,
  fluteShare,
} from '../plan/index.js';
import { carrierPrice, filmOf, inkOf, fillKey, inkPlaces, toolSets } from '../prepress/index.js';
import { OPERATION_RULES } from '../route/index.js';
import { type Machine, type Works, printingOf } from '../works/index.js';
import { type NormLookup, listedNorm, normsOf } from '../norms/index.js';
import { paperFor } from './paper-for.js';

/** What a lane takes when its component is laid in one way: the figures that the ways differ in. */
export interface LaneEstimate {
  readonly pressSheets: number;
  readonly boughtSheets: number;
  readonly paperKg: number;
  /** Grams a square metre times trimmed area of what leaves the lane. */
  readonly productKg: number;
  readonly plates: number;
  readonly passes: number;
  readonly hours: number;
  /** Units that it fills with ink; what is filled for another part as well is filled once. */
  readonly fills: readonly string[];
  /** Paper, plates, tools, ink, supplies, digital sides, outside work, machine hours and people of the lane, fills apart. */
  readonly cost: number;
}

/** Norms of one machine as numbers; those that its kind does not have are 0. */
interface MachineNumbers {
  readonly setup: number;
  readonly setupPer: number;
  readonly speed: number;
  readonly efficiency: number;
  readonly minutesPerLift: number;
  readonly secondsPerCut: number;
  readonly liftHeight: number;
  readonly beltSpeed: number;
  readonly gap: number;
  /** Machine and people, an hour. */
  readonly costPerHour: number;
}

/** One step of a lane, ready to be counted for any quantity. */
interface Station {
  readonly flow: FlowStep;
  readonly output: FlowOutput;
  /** Two stations with the same key count alike. */
  readonly key: string;
  readonly hours: (units: number, wanted: number) => number;
  readonly costPerHour: number;
  readonly isPass: boolean;
  /** Sides charged by the click, and grams of ink, for each sheet of a pass. */
  readonly clicks: number;
  /** Price of one that is sent out. */
  readonly sent: number;
  readonly inkKgPerSheet: number;
  /** What its supplies cost, whatever runs, and for each unit through it. */
  readonly supplies: readonly { readonly fixed: number; readonly each: number }[];
}

/** The works as a lane sees it, with a memory of norms and counts: many ways share the same sums. */
export class LaneReckoner {
  private readonly counts = new Map<string, number>();
  private readonly machines = new Map<string, MachineNumbers>();
  private readonly filled = new Map<string, readonly string[]>();
  private readonly prices: {
    readonly fill: number;
    readonly ink: number;
    readonly click: number;
    readonly people: number;
    readonly plateLife: number;
    readonly coverage: number;
  };

  constructor(
    private readonly job: Job,
    private readonly works: Works,
    private readonly norms: NormLookup,
  ) {
    const norm = (id: string): number => norms(id).value;
    this.prices = {
      fill: norm('ink.fill'),
      ink: norm('price.ink'),
      click: norm('price.click'),
      people: norm('price.people'),
      plateLife: norm('plate.life'),
      coverage: norm('ink.coverage'),
    };
  }

  private numbersOf({ id }: Machine): MachineNumbers {
    const before = this.machines.get(id);
    if (before) return before;
    const of = (key: string): number => {
      const norm = `machine.${id}.${key}`;
      return listedNorm(this.works, norm) ? this.norms(norm).value : 0;
    };
    const made = {
      setup: of('setup'),
      setupPer: of('setupPer'),
      speed: of('speed'),
      efficiency: of('efficiency'),
      minutesPerLift: of('minutesPerLift'),
      secondsPerCut: of('secondsPerCut'),
      liftHeight: of('liftHeight'),
      beltSpeed: of('beltSpeed'),
      gap: of('gap'),
      costPerHour: of('rate') + of('crew') * this.prices.people,
    };
    this.machines.set(id, made);
    return made;
  }

  /** Hours of a step by units through the machine and good pieces out. @param incoming before it: sheet, or piece once cut. */
  private hoursOf(step: Step, layout: ComponentLayout, machine: Machine, incoming: Material): Station['hours'] {
    const { setup, setupPer, speed, efficiency: rated, ...numbers } = this.numbersOf(machine);
    const norm = (id: string): number => this.norms(id).value;
    const { widthMm, heightMm, caliperUm } = incoming;
    const longest = Math.max(widthMm, heightMm);
    const efficiency =
      rated *
      fluteShare(norm, machine, step, layout.stock) *
      curveShare(norm, machine, 'caliper', caliperUm) *
      curveShare(norm, machine, 'format', longest);
    switch (OPERATION_RULES[step.operation].time) {
      case 'press': {
        const made = isPlateless(layout) ? setup : setup + setupPer * platesHung(step, layout);
        return this.rated(step, layout, machine, incoming, made, speed, efficiency);
      }
      case 'lifts': {
        const perLift = sheetsPerLift(numbers.liftHeight, caliperUm, step.perLift);
        const { cuts, quarterTurns } = cutWork(layout, step, norm('cut.leastStrip'));
        const lift = { ...numbers, efficiency: rated, setupHours: setup, secondsPerTurn: norm('cut.turnSeconds') };
        return (units) => liftTime(lift, ceilRatio(units, perLift), cuts, quarterTurns);
      }
      case 'belt': {
        const rate = beltRate(speed, numbers.beltSpeed, longest / 1000, numbers.gap);
        const made = setup + (step.operation === 'fold' ? setupPer * foldsOf(step, layout) : 0);
        return (units) => rateTime(made, units, rate, efficiency);
      }
      case 'rate': {
        const hand = handNorm(step);
        const pace = step.perHour ?? (hand === undefined ? speed : norm(hand));
        return this.rated(step, layout, machine, incoming, setup, pace, efficiency);
      }
      case 'lag':
        return () => 0;
    }
  }

  /** Hours by a machine's own speed, of what that counts. */
  private rated(
    step: Step,
    layout: ComponentLayout,
    machine: Machine,
    incoming: Material,
    setup: number,
    speed: number,
    efficiency: number,
  ): Station['hours'] {
    const counts = countsOf(machine, step);
    const perPack = step.perPack ?? 1;
    const stackMm = machine.cutsStacks ? this.norms('die.stackHeight').value : undefined;
    const yielded = step.yield ?? (partsSheet(step, layout) ? layout.pattern.count : 1);
    const rate = hourly(counts, speed);
    const counter = counterOf(counts, { step, layout, incoming, yielded, perPack, stackMm });
    return (units, wanted) => setup + runHours(counter.count(units, wanted), rate, efficiency);
  }

  /** Ink on one sheet of a pass, kilograms. */
  private inkPerSheet(layout: ComponentLayout, pass: Step): number {
    const { component, printedAreaM2 } = layout;
    const sides = pass.side === 'both' ? (['front', 'back'] as const) : ([pass.side ?? 'front'] as const);
    let kg = 0;
    for (const side of sides)
      for (const { name, coverage } of component[side]) {
        const { film, solids } = filmOf(layout, inkOf(this.job, this.works, name), this.norms);
        kg += inkKg(1, printedAreaM2, coverage ?? this.prices.coverage, film) / solids;
      }
    return kg;
  }

  private station(step: Step, own: ComponentLayout, incoming: Material): Station {
    const machine = machineOf(step, own, this.works);
    const layout = layoutAt(step, own, machine) ?? own;
    const spoilage = spoilageOf(this.norms, step, layout, scopeOf(machine, layout));
    const out = step.yield ?? (partsSheet(step, layout) ? layout.pattern.count : 1);
    const output = { material: step.id, yield: out, samples: step.samples ?? 0 };
    const numbers = machine && this.numbersOf(machine);
    const isPass = step.operation === 'print';
    const digital = isPlateless(layout);
    return {
      flow: {
        id: step.id,
        path: '',
        inputs: [],
        outputs: [output],
        ...spoilage,
        incidents: incidentsOf(this.norms, step, layout),
        finishing: false,
      },
      output,
      key: `${out} ${output.samples} ${spoilage.setup} ${spoilage.running} ${step.incidents ? step.id : ''}`,
      hours: machine ? this.hoursOf(step, layout, machine, incoming) : () => 0,
      costPerHour: numbers?.costPerHour ?? 0,
      isPass,
      clicks: isPass && digital ? sidesOf(step) : 0,
      sent: step.operation === 'outside' ? (step.price ?? 0) : 0,
      inkKgPerSheet: isPass && !digital ? this.inkPerSheet(layout, step) : 0,
      supplies: this.supplyCosts(step, layout, machine, incoming),
    };
  }

  /** Prices of what a station uses up: the formulas of the plan, at no unit and at one. */
  private supplyCosts(
    step: Step,
    layout: ComponentLayout,
    machine: Machine | undefined,
    material: Material,
  ): Station['supplies'] {
    const incoming = [{ material, usage: 1 }];
    const at = { job: this.job, step, layout, machine, incoming, made: material, norms: this.norms };
    return usesOf(at).map((use) => {
      const price = this.norms(`price.supply.${use.supply}`).value;
      const [none, one] = [0, 1].map((units) => quantityOf(use, units, this.norms) * price) as [number, number];
      return { fixed: none, each: one - none };
    });
  }

  /** What it costs to fill so many units with ink. */
  fillCost(units: number): number {
    return units * this.prices.fill * this.prices.ink;
  }

  /** Units that a component fills with ink. */
  fillsOf({ component, machine }: Pick<ComponentLayout, 'component' | 'machine'>): readonly string[] {
    if (machine.press?.plateless === true) return [];
    const asked = `${machine.id} ${component.workStyle} ${[component.front, component.back].map((inks) => inks.map(({ name }) => name).join()).join('|')}`;
    const before = this.filled.get(asked);
    if (before) return before;
    const keys = inkPlaces(this.job, this.works, component, machine).flatMap((pass) =>
      pass.map((place) => fillKey(machine, place)),
    );
    const found = [...new Set(keys)];
    this.filled.set(asked, found);
    return found;
  }

  /** Process units of a station for so many good pieces out, exact. */
  private units({ flow, output, key }: Station, wanted: number): number {
    const known = `${key} ${wanted}`;
    const before = this.counts.get(known);
    if (before !== undefined) return before;
    const count = unitsFor(flow, output, wanted);
    this.counts.set(known, count);
    return count;
  }

  /**
   * Counts and costs a lane backwards, step by step, as the plan would, without its working; for several quantities.
   * @param steps of the component, first to last; @param wanted good pieces that have to leave the lane.
   * Source: handbook chapters 4, 6 and 8; a test holds it to `plan`.
   */
  reckon(layout: ComponentLayout, steps: readonly Step[], wanted: readonly number[]): LaneEstimate[] {
    const { component, stock } = layout;
    const cutAt = steps.findIndex((step) => partsSheet(step, layout));
    const paper = paperMaterial(layout);
    const film = this.norms('film.caliper').value;
    let filmed = 0;
    const stations = steps.map((step, i) => {
      const size = cutAt >= 0 && i > cutAt ? { ...layout.piece, unit: component.kind } : component.sheet;
      const station = this.station(step, layout, { ...paper, ...size, caliperUm: paper.caliperUm + filmed });
      if (step.operation === 'laminate') filmed += film;
      return station;
    });
    const perColour = carriersPerColour(layout);
    const [front, back] = [component.front.length * perColour, component.back.length * perColour];
    // What is the customer's own is not charged.
    const charged = (owner: 'house' | 'customer' | undefined, norm: string): number =>
      owner === 'customer' ? 0 : this.norms(norm).value;
    const platePrice = charged(component.carriers?.owner, carrierPrice(CARRIER_OF[printingOf(layout.machine)]));
    const paperPrice = charged(component.paperOwner, `price.stock.${stock.id}`);
    const tools = toolSets({ ...this.job, components: [component], route: steps }, () => layout).reduce(
      (sum, { tool, count, counters }) =>
        sum +
        count * charged(tool.owner, carrierPrice(tool.kind)) +
        counters * charged(tool.owner, carrierPrice('embossing-counter')),
      0,
    );
    const pieceKg = (trimmedAreaMm2(layout) * stock.gsm) / 1e9;
    const backwards = [...stations].reverse();
    return wanted.map((pieces): LaneEstimate => {
      let need = pieces;
      let [hours, cost] = [0, tools];
      for (const station of backwards) {
        const units = this.units(station, need);
        const time = station.hours(units, need);
        hours += time;
        cost += time * station.costPerHour;
        cost += units * (station.clicks * this.prices.click + station.inkKgPerSheet * this.prices.ink + station.sent);
        for (const { fixed, each } of station.supplies) cost += fixed + units * each;
        need = units;
      }
      const paper = paperFor(layout, need);
      const { plates } = countPlates(component.workStyle, front, back, need, this.prices.plateLife);
      return {
        pressSheets: need,
        boughtSheets: paper.bought,
        paperKg: paper.kg,
        productKg: pieces * pieceKg,
        plates,
        passes: stations.filter(({ isPass }) => isPass).length,
        hours,
        fills: this.fillsOf(layout),
        cost: cost + paper.kg * paperPrice + plates * platePrice,
      };
    });
  }
}

/** Units of presses that a component fills with ink. */
export function unitFills(job: Job, works: Works, component: Component): readonly string[] {
  const machine = works.machines.find(({ id }) => id === component.press);
  return machine ? new LaneReckoner(job, works, normsOf(works, job.norms)).fillsOf({ component, machine }) : [];
}
