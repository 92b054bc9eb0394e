import { SHIPPED_WORKS } from './shipped-works.js';
import type { Machine, PressLimits } from './works.js';

/** Two sheet-fed formats as their presses are usually told. Source: common practice, no source. */
const FORMATS = {
  B1: { maxSheetMm: [1020, 720], minSheetMm: [420, 297], plate: [1030, 790], zones: 32, gripperMm: 12, tailMm: 8 },
  B2: { maxSheetMm: [740, 520], minSheetMm: [400, 280], plate: [745, 615], zones: 23, gripperMm: 10, tailMm: 6 },
  B3: { maxSheetMm: [520, 370], minSheetMm: [210, 148], plate: [525, 459], zones: 16, gripperMm: 10, tailMm: 6 },
} as const;

function sheetPress(
  format: keyof typeof FORMATS,
  id: string,
  name: string,
  units: number,
  more: Partial<PressLimits> = {},
): Machine {
  const { plate, zones, ...sizes } = FORMATS[format];
  return {
    id,
    name,
    process: 'sheet-fed',
    press: {
      ...sizes,
      units,
      perfects: false,
      turnsSheet: false,
      minCaliperUm: 40,
      maxCaliperUm: 500,
      sideMm: 5,
      colourBarMm: 6,
      zones: { count: zones, widthMm: 32.5 },
      inkSchool: 'black-first',
      plate: { widthMm: plate[0], heightMm: plate[1], gaugeMm: format === 'B3' ? 0.2 : 0.3 },
      register: { moveMm: 0.01, cockMmPerM: 0.01 },
      ...more,
    },
  };
}

const folder = (
  id: string,
  name: string,
  most: readonly [number, number],
  most2Um: number,
  [parallelFolds, crossFolds]: readonly [number, number],
): Machine => ({
  id,
  name,
  process: 'folder',
  takes: { maxMm: most, minMm: [100, 70], minCaliperUm: 40, maxCaliperUm: most2Um, parallelFolds, crossFolds },
});

/**
 * Described machines that a works begins its own from: those of the shipped works, and others that are common. None is of a make;
 * limits are corrected to the machine that stands there. Source: common practice, no source.
 */
export const MACHINE_TYPES: readonly Machine[] = [
  sheetPress('B1', 'b1-four-colour', $localize`B1 four-colour`, 4),
  sheetPress('B1', 'b1-five-colour-with-coating', $localize`B1 five-colour with coating`, 5, {
    coatingUnits: 1,
    maxCaliperUm: 800,
  }),
  sheetPress('B2', 'b2-two-colour', $localize`B2 two-colour`, 2),
  sheetPress('B2', 'b2-five-colour-with-coating', $localize`B2 five-colour with coating`, 5, {
    coatingUnits: 1,
    maxCaliperUm: 600,
  }),
  sheetPress('B2', 'b2-eight-unit-perfector-4-4', $localize`B2 eight-unit perfector 4/4`, 8, {
    perfects: true,
    turnsSheet: true,
  }),
  sheetPress('B3', 'b3-four-colour', $localize`B3 four-colour`, 4),
  sheetPress('B3', 'b3-two-colour-perfector-1-1', $localize`B3 two-colour perfector 1/1`, 2, {
    perfects: true,
    turnsSheet: true,
  }),
  folder('buckle-folder-b2-four-pockets', $localize`Buckle folder B2, four pockets`, [740, 520], 300, [4, 1]),
  folder('knife-and-buckle-folder-b1', $localize`Knife and buckle folder B1`, [1020, 720], 500, [4, 3]),
  ...SHIPPED_WORKS.machines,
];
