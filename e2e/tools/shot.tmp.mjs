import { withManager } from './browser.mjs';
const [out, w, h, scheme, ...snippets] = process.argv.slice(2);
const Fn = Object.getPrototypeOf(async function () {}).constructor;
await withManager(
  'http://127.0.0.1:3900',
  { viewport: { width: +w, height: +h }, colorScheme: scheme },
  async (page) => {
    page.on('console', (m) => m.type() === 'error' && console.log('console', m.text()));
    for (const s of snippets) await new Fn('page', s)(page);
    await page.waitForTimeout(700);
    await page.screenshot({ path: out });
  },
);
