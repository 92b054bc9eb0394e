// The lists part of npm run bench: lists of 100,000 lines out of a file, until they can be looked at, and until every line is read.
const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
const LINES = 100_000;
const RUNS = 5;
const BOXES = 2_000;

/** Kinds of lists: a file as people have it, how its columns are guessed, and how its lines are read. */
const kinds = (core, contract) => ({
  counts: {
    heading: 'Job;Station;When;Good;Spoiled;Reason',
    line: (i) => {
      const clock = `${String(i % 24).padStart(2, '0')}:${String(i % 60).padStart(2, '0')}`;
      return `HB-26-0${417 + (i % 30)};Box;30.11.2026 ${clock};${1 + (i % 900)};${i % 7};${i % 7 === 0 ? '' : 'crease'}`;
    },
    guess: core.guessCountColumns,
    read: core.readCountList,
  },
  customers: {
    heading: 'Customer;Number;Delivery;Address;Over',
    line: (i) => `Customer ${i};K-${i};Works;Millrace ${i};5`,
    guess: contract.guessCustomerColumns,
    read: contract.readCustomerList,
  },
  lots: {
    heading: 'What;Where;On hand',
    line: (i) => `Box ${i % BOXES};Row ${i};${1 + (i % 900)}`,
    guess: core.guessHeldColumns,
    read: (rows, key) =>
      core.readHeldList(rows, key, {
        works: core.SHIPPED_WORKS,
        papers: [],
        others: Array.from({ length: BOXES }, (_, i) => ({
          ...{ key: `packing/Box ${i}`, kind: 'packing', name: `Box ${i}`, unit: 'pcs' },
        })),
      }),
  },
});

/** How long it takes from the bytes of a file to its first lines with their columns, and until every line has been read. */
export function benchLists(core, contract, { decodeText, readTable }, say, ratio) {
  for (const [name, { heading, line, guess, read }] of Object.entries(kinds(core, contract))) {
    const text = [heading, ...Array.from({ length: LINES }, (_, i) => line(i))].join('\n');
    const bytes = new TextEncoder().encode(text);
    const [shown, whole] = [[], []];
    for (let i = 0; i < RUNS; i++) {
      const start = performance.now();
      const { rows } = readTable(decodeText(bytes));
      const [headings, ...lines] = rows;
      const columns = guess(headings);
      const dates = core.guessDayFirst(lines.map((row) => row[columns.when] ?? ''));
      const decimal = core.guessDecimal(lines);
      shown.push(performance.now() - start);
      const told = read(lines, { columns, dates, decimal });
      whole.push(performance.now() - start);
      if (told.length !== LINES || told.some((one) => 'issues' in one || 'why' in one))
        throw new Error(`the list of ${name} was not read`);
    }
    const size = `${LINES} ${name} (${(bytes.length / 1e6).toFixed(1)} MB)`;
    say(
      `a list of ${size}, to its columns and first lines`,
      `${median(shown).toFixed(0)} ms`,
      ratio(median(shown), 1000),
    );
    say('  and until every line is read, a while at a time', `${median(whole).toFixed(0)} ms`, '');
  }
}
