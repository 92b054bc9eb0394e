// The press room part of npm run bench: register over a run.
const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];

/** Fits every colour on every sheet, and its trend: 10 colours, 6 marks, 500 sheets. */
export function benchPressRoom(core, say, ratio) {
  const marks = [60, 510, 960].flatMap((xMm) => [60, 660].map((yMm) => ({ xMm, yMm })));
  const names = Array.from({ length: 10 }, (_, i) => `colour-${i}`);
  const out = { across: 0.05, around: -0.03, rotation: 1e-4, stretchAcross: 3e-5, stretchAround: 0 };
  const camera = core.standInCamera({
    seed: 7,
    marks,
    colours: Object.fromEntries(names.map((name) => [name, { ...out, driftAcross: 0.02, driftAround: 0 }])),
    sheetNoiseMm: 0.01,
    markNoiseMm: 0.005,
  });
  const sheets = Array.from({ length: 500 }, (_, i) => camera.read(i));
  const times = Array.from({ length: 15 }, () => {
    const start = performance.now();
    for (const name of names) {
      core.runOf(name, sheets, 0.1);
      for (const { colours } of sheets) core.fitRegister(marks, colours[name], name);
    }
    return performance.now() - start;
  });
  say(
    'register of 10 colours x 6 marks x 500 sheets, median of 15',
    `${median(times).toFixed(1)} ms`,
    ratio(median(times), 20),
  );
}
