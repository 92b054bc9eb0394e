/** A password handler whose check no empty password passes. */
const LOCK = `5 0 obj <</Filter/Standard/V 1/R 2/P -4/O<${'41'.repeat(32)}>/U<${'42'.repeat(32)}>>> endobj\n`;

/** A PDF of one page of 111 x 154 mm, half of it black; behind a password where locked. */
export function halfBlackPdf(locked = false): Buffer {
  const [width, height] = [(111 / 25.4) * 72, (154 / 25.4) * 72].map((points) => points.toFixed(2));
  const drawn = `0 0 0 rg 0 0 ${width} ${Number(height) / 2} re f`;
  return Buffer.from(
    [
      '%PDF-1.4\n',
      '1 0 obj <</Type/Catalog/Pages 2 0 R>> endobj\n',
      '2 0 obj <</Type/Pages/Kids[3 0 R]/Count 1>> endobj\n',
      `3 0 obj <</Type/Page/Parent 2 0 R/MediaBox[0 0 ${width} ${height}]/Contents 4 0 R/Resources<<>>>> endobj\n`,
      `4 0 obj <</Length ${drawn.length}>> stream\n${drawn}\nendstream endobj\n`,
      ...(locked ? [LOCK] : []),
      `trailer <</Root 1 0 R/Size 6${locked ? `/Encrypt 5 0 R/ID[<${'00'.repeat(16)}><${'00'.repeat(16)}>]` : ''}>>\n%%EOF`,
    ].join(''),
    'latin1',
  );
}
