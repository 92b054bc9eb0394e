// The reckoner's part of npm run bench: from a keystroke to the result.
const LINES = [
  '74 lb text in gsm',
  'spine 240 pp 110 um',
  'roll 1000/76 0.1 mm',
  '2500 x 44pp A4 on B1',
  'A5 on SRA1 bleed 3',
];
const ROUTE = '10000 print 200 1.5 %, cut 5 0.2 % x8, fold 60 1 %';
/** A keystroke is to be answered within a frame, ms. */
const FRAME_MS = 16;

/** @param timeOf median ms of work that is done again and again. */
export function benchReckoner(core, say, timeOf, ratio) {
  const reckon = (line) => {
    const read = core.readTyped(line);
    return core.reckonSum(read.sum, read.values);
  };
  const told = (value) => [`${value.toFixed(2)} ms`, ratio(value, FRAME_MS)];
  say(
    'a typed line to its result, every line of five, median',
    ...told(timeOf((i) => reckon(LINES[i % LINES.length]), 500)),
  );
  say('sheets for a quantity by all schools, typed, median', ...told(timeOf(() => reckon(ROUTE), 50)));
}
