import { numberText, type Source, wordOf } from '../kernel/index.js';
import type { Norm } from './norm.js';

/**
 * House norms as shipped. All are practice, editable by the works. Source: handbook chapters 5, 6 and 8 unless a line
 * says otherwise.
 */
export const HANDBOOK: Source = { label: 'practice', note: 'handbook' };
/** No table gives these; they are ours. */
export const UNSOURCED: Source = { label: 'practice', note: $localize`common practice, no source` };
/** Most units that a norm may count. */
export const MOST_UNITS = 1_000_000;

/** key, subject, set-up, set-up per (colour or fold), running, running per colour. Set-up of what runs off a web is metres. */
const SPOILAGE = [
  ['print-side', $localize`Print, a side`, 80, 30, 0.008, 0.002, HANDBOOK],
  ['print-perfect', $localize`Print, perfecting`, 80, 25, 0.012, 0.001, HANDBOOK],
  ['print-second', $localize`Print, second pass with the same plates`, 50, 0, 0.01, 0, HANDBOOK],
  ['print-digital', $localize`Print, digital`, 5, 0, 0.005, 0, HANDBOOK],
  ['print-web', $localize`Print, heatset web`, 2_500, 0, 0.03, 0, HANDBOOK],
  ['print-narrow', $localize`Print, narrow web and flexo`, 100, 40, 0.03, 0, HANDBOOK],
  ['print-gravure', $localize`Print, gravure`, 300, 60, 0.025, 0, HANDBOOK],
  ['print-screen', $localize`Print, screen`, 20, 0, 0.015, 0, HANDBOOK],
  ['print-recessed', $localize`Print, recessed plate`, 60, 0, 0.03, 0, HANDBOOK],
  ['dry', $localize`Dry`, 0, 0, 0, 0, UNSOURCED],
  ['coat', $localize`Coat`, 40, 0, 0.005, 0, HANDBOOK],
  ['cut', $localize`Guillotine`, 5, 0, 0.002, 0, HANDBOOK],
  ['die-cut', $localize`Die cut and strip`, 80, 0, 0.012, 0, HANDBOOK],
  ['score', $localize`Score`, 50, 0, 0.01, 0, HANDBOOK],
  ['fold', $localize`:station|:Fold`, 50, 10, 0.01, 0, HANDBOOK],
  ['glue', $localize`Fold and glue`, 100, 0, 0.01, 0, HANDBOOK],
  ['stitch', $localize`Gather and stitch`, 60, 0, 0.015, 0, HANDBOOK],
  ['trim', $localize`Trim three sides`, 5, 0, 0.002, 0, HANDBOOK],
  ['rewind', $localize`Rewind into small rolls`, 10, 0, 0.005, 0, UNSOURCED],
  ['band', $localize`Band`, 0, 0, 0.001, 0, HANDBOOK],
  ['inspect', $localize`Inspection, expected rejects`, 0, 0, 0.005, 0, UNSOURCED],
  ['hand', $localize`Hand work`, 0, 0, 0.005, 0, HANDBOOK],
  ['outside', $localize`Outside work`, 0, 0, 0.01, 0, UNSOURCED],
  ['corrugate', $localize`Corrugate`, 60, 0, 0.025, 0, HANDBOOK],
  ['raise', $localize`Powder and melt`, 20, 0, 0.01, 0, UNSOURCED],
  ['laminate', $localize`Laminate with film`, 30, 0, 0.007, 0, HANDBOOK],
  ['foil', $localize`Foil`, 50, 0, 0.01, 0, HANDBOOK],
  ['emboss', $localize`Emboss`, 40, 0, 0.008, 0, HANDBOOK],
  ['mount', $localize`Laminate to board`, 50, 0, 0.01, 0, HANDBOOK],
  ['convert', $localize`Perforate and kiss-cut`, 30, 0, 0.008, 0, UNSOURCED],
  ['window', $localize`Patch windows`, 60, 0, 0.01, 0, HANDBOOK],
  ['envelope', $localize`Fold and glue envelopes`, 80, 0, 0.01, 0, UNSOURCED],
  ['gum', $localize`Seal gum, dried open`, 20, 0, 0.003, 0, UNSOURCED],
  ['rivet', $localize`Rivet the string closure`, 20, 0, 0.005, 0, UNSOURCED],
  ['tip', $localize`Tip on`, 10, 0, 0.005, 0, UNSOURCED],
  ['gather', $localize`Gather`, 30, 0, 0.004, 0, UNSOURCED],
  ['sew', $localize`Sew`, 20, 0, 0.007, 0, HANDBOOK],
  ['spine', $localize`Press and glue the spine`, 10, 0, 0.003, 0, UNSOURCED],
  ['line', $localize`Line the spine`, 10, 0, 0.003, 0, UNSOURCED],
  ['kit', $localize`Match cover and block`, 0, 0, 0.001, 0, UNSOURCED],
  ['bind', $localize`Bind with hot melt`, 80, 0, 0.015, 0, HANDBOOK],
  ['cool', $localize`Cool on the conveyor`, 0, 0, 0, 0, UNSOURCED],
  ['split', $localize`Split two-up`, 3, 0, 0.002, 0, UNSOURCED],
  ['case', $localize`Make cases`, 10, 0, 0.01, 0, HANDBOOK],
  ['case-in', $localize`Case in`, 10, 0, 0.01, 0, HANDBOOK],
  ['press', $localize`Press books`, 0, 0, 0, 0, UNSOURCED],
  ['number', $localize`:station|:Number`, 30, 0, 0.007, 0, HANDBOOK],
  ['count', $localize`:station|:Count`, 0, 0, 0, 0, UNSOURCED],
  ['wrap', $localize`Shrink wrap`, 0, 0, 0.001, 0, HANDBOOK],
  ['pallet', $localize`Build pallets`, 0, 0, 0, 0, UNSOURCED],
  ['box', $localize`Box`, 0, 0, 0, 0, UNSOURCED],
] as const;

/** Rows of spoilage: an operation, or one of the ways to print. */
export type SpoilageKey = (typeof SPOILAGE)[number][0];

/** Set-ups that are told in metres of web. Source: handbook chapter 6. */
const BY_METRES: readonly SpoilageKey[] = ['print-narrow', 'print-gravure', 'corrugate'];
/** Whether the set-up of a spoilage key is told in metres of web. */
export const setUpInMetres = (key: SpoilageKey): boolean => BY_METRES.includes(key);

/** Whether the house tells running spoilage of what runs or of the net. Source: handbook chapter 6. */
const PERCENT_OF: Norm = {
  id: 'flow.percentOf',
  group: 'spoilage',
  subject: $localize`Running spoilage`,
  name: $localize`Told as a share of`,
  unit: '',
  value: 0,
  min: 0,
  max: 1,
  whole: true,
  choices: ['what runs', 'the net'],
  source: HANDBOOK,
};

/** What a change to the next version spoils. */
const VERSION_SPOILS: Partial<Readonly<Record<SpoilageKey, number>>> = {
  'print-side': 40,
  'print-perfect': 60,
  'print-second': 20,
  'print-web': 800,
  'print-narrow': 30,
  'print-gravure': 60,
  'print-screen': 10,
  'print-recessed': 20,
};

/** What a worn carrier changed for a new one spoils. */
const CHANGE_SPOILS = 15;

/** Norms of one subject stand together, in the order of the table. */
const subjectAt = ({ subject }: Norm): number => SPOILAGE.findIndex(([, name]) => name === subject);

const OPERATION_NORMS: readonly Norm[] = SPOILAGE.flatMap(
  ([key, subject, setup, setupPer, running, runningPer, source]) => {
    const each = key === 'fold' ? 'fold' : 'colour';
    const setUp = (id: string, name: string, value: number): Norm => ({
      id: `spoil.${key}.${id}`,
      group: 'spoilage',
      subject,
      name,
      unit: setUpInMetres(key) ? 'm' : 'units',
      value,
      min: 0,
      max: MOST_UNITS,
      whole: true,
      source,
    });
    const share = (id: string, name: string, value: number): Norm => ({
      id: `spoil.${key}.${id}`,
      group: 'spoilage',
      subject,
      name,
      unit: 'share',
      value,
      min: 0,
      max: 1,
      below: true,
      source,
    });
    const per = key.startsWith('print-') || key === 'fold';
    return [
      setUp('setup', $localize`Set-up`, setup),
      ...(per ? [setUp('setupPer', $localize`Set-up, each ${wordOf(each)}`, setupPer)] : []),
      ...(key.startsWith('print-')
        ? [
            {
              ...setUp('setupVersion', $localize`Set-up, each change of version`, VERSION_SPOILS[key] ?? 0),
              source: UNSOURCED,
            },
            {
              ...setUp('setupPlate', $localize`Set-up, each worn carrier changed`, CHANGE_SPOILS),
              unit: 'units',
              source: UNSOURCED,
            },
          ]
        : []),
      share('running', $localize`Running spoilage`, running),
      ...(key.startsWith('print-') ? [share('runningPer', $localize`Running spoilage, each colour`, runningPer)] : []),
    ];
  },
);

/** What a splice loses. Source: handbook chapter 6 for the heatset web. */
const SPLICES: readonly Norm[] = (
  [
    ['print-web', $localize`Print, heatset web`, 'copies', 60, HANDBOOK],
    ['print-narrow', $localize`Print, narrow web and flexo`, 'm', 5, UNSOURCED],
    ['print-gravure', $localize`Print, gravure`, 'm', 5, UNSOURCED],
  ] as const
).map(([key, subject, unit, value, source]) => ({
  id: `spoil.${key}.splice`,
  group: 'spoilage',
  subject,
  name: $localize`Lost at a splice`,
  unit,
  value,
  min: 0,
  max: MOST_UNITS,
  source,
}));

/** What happens now and then at a heatset web: impressions from one to the next, and how many each loses. */
export const WEB_INCIDENTS = [
  ['break', $localize`Web break`, 100_000, 800, HANDBOOK],
  ['wash', $localize`Blanket wash`, 50_000, 150, UNSOURCED],
] as const;

const INCIDENT_NORMS: readonly Norm[] = WEB_INCIDENTS.flatMap(([key, name, every, loss, source]) => {
  const norm = { group: 'spoilage', subject: $localize`Print, heatset web`, max: 1_000_000_000, source } as const;
  return [
    {
      ...norm,
      id: `spoil.print-web.${key}Every`,
      name: $localize`${name}, one in`,
      unit: 'cut-offs',
      value: every,
      min: 1,
    },
    {
      ...norm,
      id: `spoil.print-web.${key}Loss`,
      name: $localize`${name}, lost at each`,
      unit: 'cut-offs',
      value: loss,
      min: 0,
    },
  ];
});

/** Set-up and running spoilage of every row. Source: handbook chapter 6. */
export const SPOILAGE_NORMS: readonly Norm[] = [...OPERATION_NORMS, ...SPLICES, ...INCIDENT_NORMS, PERCENT_OF].sort(
  (a, b) => (a.subject === b.subject ? 0 : subjectAt(a) - subjectAt(b)),
);

/** Upper end of the band in net sheets, per cent for 1, 2, 3-4, 5 and more colours, and for each finishing step. */
export const TABLE_ROWS = [
  [1_000, 8, 11, 16, 18, 3],
  [2_500, 6, 8, 11, 13, 2.5],
  [5_000, 5, 6.5, 8.5, 10, 2],
  [10_000, 4, 5, 6.5, 7.5, 1.5],
  [25_000, 3, 4, 5, 6, 1.25],
  [Infinity, 2.5, 3, 4, 5, 1],
] as const;

/** Columns of the spoilage table: by colours, and one for each finishing step. */
export const TABLE_COLUMNS = [
  ['c1', $localize`1 colour`],
  ['c2', $localize`2 colours`],
  ['c3', $localize`3 to 4 colours`],
  ['c5', $localize`5 colours and more`],
  ['finishing', $localize`each finishing step`],
] as const;

const thousands = (n: number): string => numberText(n);
/** Id of a band of the spoilage table; its columns follow behind a point. */
export const bandId = (upTo: number): string => (upTo === Infinity ? 'table.over' : `table.${upTo}`);
const bandName = (upTo: number): string =>
  upTo === Infinity ? $localize`Net sheets over the last band` : $localize`Net sheets up to ${thousands(upTo)}`;

/** Every field of the spoilage table. Source: handbook chapter 6, school 3. */
export const TABLE_NORMS: readonly Norm[] = [
  ...TABLE_ROWS.flatMap(([upTo, ...percents]) =>
    TABLE_COLUMNS.map(([column, name], i): Norm => ({
      id: `${bandId(upTo)}.${column}`,
      group: 'table',
      subject: bandName(upTo),
      name,
      unit: 'share',
      value: Math.round((percents[i] ?? 0) * 1e6) / 1e8,
      min: 0,
      max: 1,
      below: true,
      source: HANDBOOK,
    })),
  ),
  {
    id: 'table.floorBase',
    group: 'table',
    subject: $localize`Least spoils of a printed component`,
    name: $localize`Base`,
    unit: 'sheets',
    value: 100,
    min: 0,
    max: MOST_UNITS,
    whole: true,
    source: HANDBOOK,
  },
  {
    id: 'table.floorPerColour',
    group: 'table',
    subject: $localize`Least spoils of a printed component`,
    name: $localize`Each colour`,
    unit: 'sheets',
    value: 25,
    min: 0,
    max: MOST_UNITS,
    whole: true,
    source: HANDBOOK,
  },
];

const drying = (paper: string, before: string, name: string, value: number): Norm => ({
  id: `dry.${paper}.${before}`,
  group: 'drying',
  subject: $localize`Drying, ${paper} paper`,
  name,
  unit: 'h',
  value,
  min: 0,
  max: 240,
  source: HANDBOOK,
});

/** Conventional sheet-fed ink: the middle of the ranges of handbook chapter 5, their upper end where coverage is heavy. */
export const DRYING_NORMS: readonly Norm[] = [
  drying('coated', 'side', $localize`Before the second side`, 4),
  drying('coated', 'cut', $localize`Before cutting or coating`, 8),
  drying('coated', 'fold', $localize`Before folding`, 18),
  drying('coated', 'film', $localize`Before film, foil or mounting`, 18),
  drying('coated', 'bind', $localize`Before binding`, 18),
  drying('coated', 'side.heavy', $localize`Before the second side, heavy coverage`, 6),
  drying('coated', 'cut.heavy', $localize`Before cutting or coating, heavy coverage`, 12),
  drying('coated', 'fold.heavy', $localize`Before folding, heavy coverage`, 24),
  drying('coated', 'film.heavy', $localize`Before film, foil or mounting, heavy coverage`, 24),
  drying('coated', 'bind.heavy', $localize`Before binding, heavy coverage`, 24),
  drying('uncoated', 'side', $localize`Before the second side`, 8),
  drying('uncoated', 'cut', $localize`Before cutting or coating`, 24),
  drying('uncoated', 'fold', $localize`Before folding`, 24),
  drying('uncoated', 'film', $localize`Before film, foil or mounting`, 24),
  drying('uncoated', 'bind', $localize`Before binding`, 24),
  drying('uncoated', 'side.heavy', $localize`Before the second side, heavy coverage`, 12),
  drying('uncoated', 'cut.heavy', $localize`Before cutting or coating, heavy coverage`, 24),
  drying('uncoated', 'fold.heavy', $localize`Before folding, heavy coverage`, 24),
  drying('uncoated', 'film.heavy', $localize`Before film, foil or mounting, heavy coverage`, 24),
  drying('uncoated', 'bind.heavy', $localize`Before binding, heavy coverage`, 24),
  { ...drying('fast', 'side', $localize`Before the second side`, 1.25), subject: $localize`Drying, fast-setting ink` },
  { ...drying('fast', 'later', $localize`Before anything else`, 1.5), subject: $localize`Drying, fast-setting ink` },
  {
    ...drying('', '', $localize`Heavy coverage from, all inks of a side together`, 1.6),
    id: 'dry.heavyFrom',
    subject: $localize`Drying`,
    unit: 'share',
    max: 8,
    source: UNSOURCED,
  },
  {
    ...drying('', '', $localize`Released`, 0),
    id: 'dry.byTouch',
    subject: $localize`Drying`,
    unit: '',
    max: 1,
    whole: true,
    choices: ['by the clock', 'by touch'],
  },
];
