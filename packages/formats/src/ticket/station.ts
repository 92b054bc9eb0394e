import { type PlanStep, figureId, hoursText, unitText, valueAt, wordOf } from '@druckerei/core';
import { type JobDocument, number, percent } from './document.js';
import { Said } from './measures.js';

const platesLine = (plates: number, plateless: boolean): string => {
  if (plateless) return $localize`no plates`;
  return plates === 0 ? $localize`the plates of the pass before stay on` : $localize`hang ${number(plates)} plates`;
};

/** Instructions for one station, a line each: what comes in, what must go out, and what the machine is set to. */
export function stationLines({ job, plan, works }: JobDocument, step: PlanStep): string[] {
  const figure = (id: string): number | undefined => valueAt(plan, id);
  const source = job.route.find(({ id }) => id === step.id);
  const component = job.components.find(({ id }) => id === step.component);
  const machine = works.machines.find(({ id }) => id === step.machine);
  const incoming = plan.edges.find(({ to }) => to === step.id)?.state;
  const said = new Said(works);
  const lines: string[] = [];
  if (step.operation === 'outside') {
    lines.push(
      $localize`Send out ${number(step.processUnits)} ${unitText(step.unitIn, step.processUnits)}; ${number(step.needsOut)} good have to come back. Away ${hoursText(step.lagHours)}. Count both.`,
    );
  } else if (step.operation === 'dry') {
    lines.push(
      $localize`Lies ${hoursText(step.lagHours)} before the next step. ${number(step.processUnits)} ${unitText(step.unitIn, step.processUnits)}.`,
    );
  } else {
    lines.push(
      $localize`${machine ? `${machine.name}. ` : ''}Take in ${number(step.processUnits)} ${unitText(step.unitIn, step.processUnits)}; give out at least ${number(step.needsOut)} good ${unitText(step.unitOut, step.needsOut)}.`,
      $localize`Allowed: set-up ${number(step.setup)}${step.setupSpoils > 0 ? $localize` good and ${number(step.setupSpoils)} of spoils` : ''}, running ${percent(step.running)}${step.samples > 0 ? $localize`, samples ${number(step.samples)}` : ''}. Planned ${hoursText(step.hours)}.`,
    );
  }
  if (incoming && step.operation !== 'dry') {
    lines.push(
      $localize`Comes as ${said.number(incoming.widthMm, 'mm')} x ${said.measure(incoming.heightMm, 'mm')}, ${said.measure(incoming.caliperUm, 'um')}, grain along ${incoming.grain === 'width' ? $localize`:of its sides|:the first` : $localize`:of its sides|:the second`} side.`,
    );
  }
  const parted = plan.edges.filter(({ from }) => from === step.id);
  if (new Set(parted.map(({ material }) => material)).size > 1)
    lines.push(
      $localize`Parts into ${parted.map(({ count, state }) => `${number(count)} ${unitText(state.unit, count)}`).join(', ')}.`,
    );
  if (step.operation === 'print' && component) {
    const side = source?.side ?? 'front';
    const plates = figure(figureId.step(step.id, 'platesHung')) ?? 0;
    const colours =
      side === 'both'
        ? $localize`front ${component.front.map(({ name }) => name).join(' ')}, back ${component.back.map(({ name }) => name).join(' ')}`
        : `${wordOf(side)} ${component[side === 'back' ? 'back' : 'front'].map(({ name }) => name).join(' ')}`;
    lines.push(
      $localize`Colours: ${colours}; ${wordOf(component.workStyle)}; ${platesLine(plates, machine?.press?.plateless ?? false)}.`,
      $localize`Double-sheet detector: sheet caliper ${said.measure(figure(figureId.component(component.id, 'caliper')) ?? 0, 'um')}. Take a sample every ${number(figure('norm.sample.interval') ?? 0)} sheets.`,
      $localize`Have the first good sheet passed for position, colour and register, and keep it, before the count begins.`,
    );
  }
  if (step.operation === 'overprint' && source?.inks?.length) {
    const carriers = figure(figureId.step(step.id, 'carriers')) ?? 0;
    lines.push(
      $localize`Inks: ${source.inks.map(({ name }) => name).join(', ')}; ${number(carriers)} ${unitText('carrier', carriers)}. Have the first good sheet passed.`,
    );
  }
  const rolls = figure(figureId.component(step.component ?? '', 'rolls'));
  if (step.operation === 'print' && machine?.press?.web && rolls !== undefined) {
    const splices = rolls - 1;
    const metres = (id: string): string => said.measure(figure(`component.${step.component ?? ''}.${id}`) ?? 0, 'm');
    lines.push(
      $localize`${number(rolls)} ${unitText('roll', rolls)} of ${metres('rollUsable')} printable, ${number(splices)} ${unitText('splice', splices)}; ${metres('rollNeed')} of web with what threads the press.`,
    );
  }
  const extras: readonly [string, string][] = [
    ['lifts', wordOf('lifts')],
    ['sheetsPerLift', $localize`sheets a lift`],
    ['cuts', $localize`cuts a lift`],
    ['foldCount', wordOf('folds')],
    ['perPack', $localize`pieces in a pack`],
    ['packs', wordOf('packs')],
  ];
  const known = extras.flatMap(([id, name]) => {
    const value = figure(`step.${step.id}.${id}`);
    return value === undefined ? [] : [`${name} ${number(value)}`];
  });
  if (known.length > 0) lines.push(`${known.join(', ').replace(/^./, (first) => first.toUpperCase())}.`);
  if (source?.note) lines.push($localize`Note: ${source.note}`);
  return lines;
}
