// The exchange part of npm run bench: the demo job that makes the longest XJDF, written and read.
const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
const RUNS = 15;
const timeOf = (work) => {
  const start = performance.now();
  const made = work();
  return { made, ms: performance.now() - start };
};

/** How long the largest of these jobs is written and read: the first time, when schema and parser are made ready, and after that. */
export function benchXjdf({ readXjdf, writeXjdf }, jobs, planned, { say, ratio, works }) {
  const documents = jobs.map((job) => ({ job, plan: planned(job), works, at: new Date(0), records: [] }));
  const both = (document) => {
    const written = timeOf(() => writeXjdf(document));
    const read = timeOf(() => readXjdf(new TextEncoder().encode(written.made)));
    if (!read.made.ok) throw new Error('an XJDF of ours was not read');
    return { letters: written.made.length, ms: written.ms + read.ms };
  };
  const first = both(documents[0]);
  const [largest] = documents
    .map((document) => ({ document, ...both(document) }))
    .sort((a, b) => b.letters - a.letters);
  const whole = median(Array.from({ length: RUNS }, () => both(largest.document).ms));
  say(
    `XJDF of ${largest.document.job.title} (${(largest.letters / 1000).toFixed(0)} kB) written and read, median of ${RUNS}`,
    `${whole.toFixed(0)} ms`,
    ratio(whole, 200),
  );
  say('  the first file of a thread', `${first.ms.toFixed(0)} ms`, '');
}
