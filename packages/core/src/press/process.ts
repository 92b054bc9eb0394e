/** How an image gets from its carrier to the sheet. Source: handbook chapter 4 "Image carriers". */
export const PRINT_PROCESSES = ['offset', 'flexo', 'gravure', 'recessed', 'letterpress', 'screen', 'digital'] as const;
/** Printing processes. */
export type PrintProcess = (typeof PRINT_PROCESSES)[number];

/** What carries an image, or shapes a piece, and is made for a job. */
export const CARRIER_KINDS = [
  'plate',
  'flexo-plate',
  'cylinder',
  'recessed-plate',
  'counter',
  'form-plate',
  'stencil',
  'letterpress-die',
  'foil-die',
  'embossing-die',
  'embossing-counter',
  'embossing-roller',
  'cutting-die',
  'numbering-box',
] as const;
/** What carries the image, or strikes it. */
export type CarrierKind = (typeof CARRIER_KINDS)[number];

/** What a colour of a process is carried by; none for digital. */
export const CARRIER_OF: Readonly<Record<PrintProcess, CarrierKind | undefined>> = {
  offset: 'plate',
  flexo: 'flexo-plate',
  gravure: 'cylinder',
  recessed: 'recessed-plate',
  letterpress: 'form-plate',
  screen: 'stencil',
  digital: undefined,
};

/** What a process calls its carriers, many of them: as a heading, and as a unit. */
export const CARRIER_WORDS: Readonly<Record<CarrierKind, readonly [string, string]>> = {
  plate: [$localize`Plates`, 'plates'],
  'flexo-plate': [$localize`Flexo plates`, $localize`flexo plates`],
  cylinder: [$localize`Cylinders`, 'cylinders'],
  'recessed-plate': [$localize`Recessed plates`, $localize`recessed plates`],
  counter: [$localize`Counters`, 'counters'],
  'form-plate': [$localize`Page plates`, $localize`page plates`],
  stencil: [$localize`Stencils`, 'stencils'],
  'letterpress-die': [$localize`Letterpress dies`, 'dies'],
  'foil-die': [$localize`Foil dies`, 'dies'],
  'embossing-die': [$localize`Embossing dies`, 'dies'],
  'embossing-counter': [$localize`Embossing counters`, 'counters'],
  'embossing-roller': [$localize`Embossing rollers`, 'rollers'],
  'cutting-die': [$localize`Cutting dies`, 'dies'],
  'numbering-box': [$localize`Numbering boxes`, 'boxes'],
};

/** What several kinds of carriers together are called. */
export const carrierWords = (kinds: readonly CarrierKind[]): readonly [string, string] => {
  const [first, ...others] = [...new Set(kinds)];
  return first !== undefined && others.length === 0 ? CARRIER_WORDS[first] : [$localize`Carriers`, 'carriers'];
};

/** Faults that an inspection looks for, by kind of carrier. Source: practice, handbook chapters 4 and 9. */
const PLATE = ['scratch', 'kink or dent', 'wrong register holes', 'image missing', 'background toning', 'wrong curve'];
const DIE = ['damaged edge', 'wrong size', 'wrong depth', 'image missing'];
/** Faults that a carrier is looked at for before it goes to the press. Source: handbook chapter 4. */
export const CHECKLISTS: Readonly<Record<CarrierKind, readonly string[]>> = {
  plate: PLATE,
  'flexo-plate': ['scratch', 'relief too shallow', 'uneven thickness', 'image missing', 'wrong distortion'],
  cylinder: ['cell walls broken', 'streak', 'wrong depth', 'chrome worn or cracked', 'wrong circumference'],
  'recessed-plate': ['line broken', 'line too shallow', 'scratch', 'image missing'],
  counter: ['not in register with its plate', 'worn', 'image missing'],
  'form-plate': ['scratch', 'wrong position', 'image missing', 'uneven thickness'],
  stencil: ['pinhole', 'mesh slack', 'edge ragged', 'image missing'],
  'letterpress-die': DIE,
  'foil-die': DIE,
  'embossing-die': DIE,
  'embossing-counter': ['not in register with its die', 'worn', 'wrong depth'],
  'embossing-roller': ['not in register with its pair', 'worn', 'wrong depth', 'not tried on the stock of the job'],
  'cutting-die': ['rule nicked', 'rule height uneven', 'rubber loose', 'crease matrix wrong', 'nicks missing'],
  'numbering-box': ['wheel sticks', 'wrong start', 'wrong step', 'figure worn'],
};
