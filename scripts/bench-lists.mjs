// The lists part of npm run bench: a list of 100,000 counts out of a file, until it can be looked at.
const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
const LINES = 100_000;
const RUNS = 5;

/** A list as a counter of the folder writes it. */
const list = () =>
  [
    'Job;Station;When;Good;Spoiled;Reason',
    ...Array.from({ length: LINES }, (_, i) => {
      const clock = `${String(i % 24).padStart(2, '0')}:${String(i % 60).padStart(2, '0')}`;
      return `HB-26-0${417 + (i % 30)};Box;30.11.2026 ${clock};${1 + (i % 900)};${i % 7};${i % 7 === 0 ? '' : 'crease'}`;
    }),
  ].join('\n');

/** How long it takes from the bytes of a file to its first lines with their columns, and until every line has been read. */
export function benchLists(core, { decodeText, readTable }, say, ratio) {
  const bytes = new TextEncoder().encode(list());
  const [shown, read] = [[], []];
  for (let i = 0; i < RUNS; i++) {
    const start = performance.now();
    const { rows } = readTable(decodeText(bytes));
    const [headings, ...lines] = rows;
    const columns = core.guessCountColumns(headings);
    const dates = core.guessDayFirst(lines.map((row) => row[columns.when] ?? ''));
    core.guessDecimal(lines);
    shown.push(performance.now() - start);
    const counted = core.readCountList(lines, { columns, dates });
    read.push(performance.now() - start);
    if (counted.length !== LINES || counted.some((one) => 'issues' in one)) throw new Error('the list was not read');
  }
  const size = `${LINES} lines (${(bytes.length / 1e6).toFixed(1)} MB)`;
  say(`a list of ${size}, to its columns and first lines, median of ${RUNS}`, `${median(shown).toFixed(0)} ms`, '');
  say('  and until every line is read', `${median(read).toFixed(0)} ms`, ratio(median(read), 1000));
}
