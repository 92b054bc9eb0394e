// The routes part of npm run bench: cutting programmes, rules of a long route, station sheets, tickets.
const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];

function times(count, work) {
  const all = [];
  for (let i = 0; i < count; i++) {
    const start = performance.now();
    work();
    all.push(performance.now() - start);
  }
  return median(all);
}

/** A sheet of so many pieces with bleeds between them and a margin around. */
function sheetOf(columns, rows) {
  const [w, h, gap, edge] = [100, 70, 6, 12];
  const pieces = Array.from({ length: columns * rows }, (_, i) => ({
    xMm: edge + (i % columns) * (w + gap),
    yMm: edge + Math.floor(i / columns) * (h + gap),
    widthMm: w,
    heightMm: h,
  }));
  const long = (count, size) => 2 * edge + count * size + (count - 1) * gap;
  return { sheet: { widthMm: long(columns, w), heightMm: long(rows, h) }, pieces };
}

export async function benchRoutes(core, say, ratio, examples, large) {
  const ms = (value) => `${value.toFixed(2)} ms`;
  const { sheet, pieces } = sheetOf(8, 8);
  const programme = times(200, () => core.cuttingProgramme(sheet, pieces, 25));
  const cuts = core.cuttingProgramme(sheet, pieces, 25)?.cuts.length;
  say(`cutting programme of 64 pieces, ${cuts} cuts (plain strips 32)`, ms(programme), ratio(programme, 50));

  const planned = core.plan(large, core.SHIPPED_WORKS);
  if (!planned.ok) throw new Error(JSON.stringify(planned.issues));
  const rules = times(200, () => core.checkRoute(large, planned.value, core.SHIPPED_WORKS));
  say(`rules of a route of ${large.route.length} steps, median of 200`, ms(rules), ratio(rules, 5));

  const { ticketPdf } = await import('@druckerei/formats');
  const longest = examples
    .map((job) => ({ job, outcome: core.plan(job, core.SHIPPED_WORKS) }))
    .sort((a, b) => b.job.route.length - a.job.route.length)[0];
  const document = {
    job: longest.job,
    plan: longest.outcome.value,
    works: core.SHIPPED_WORKS,
    revision: 1,
    state: 'draft',
    at: new Date(0),
  };
  const tickets = [];
  for (let i = 0; i < 5; i++) {
    const start = performance.now();
    await ticketPdf(document);
    tickets.push(performance.now() - start);
  }
  const ticket = median(tickets);
  say(`ticket of the longest shipped job (${longest.job.title}), median of 5`, ms(ticket), ratio(ticket, 1000));
}
