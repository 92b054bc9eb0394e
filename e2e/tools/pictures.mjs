// The pictures of the README: each main view once, as the demo data make it.
import fs from 'node:fs';
import path from 'node:path';
import { createCanvas } from '@napi-rs/canvas';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { withManager } from './browser.mjs';

const PDF_SCALE = 1.4;
const station = (page, id) => page.locator(`[data-step="${id}"]`);
const tab = (page, name) => page.getByRole('tab', { name });

/** The steps that lead to each view from the page where the one before left off. */
const views = {
  jobs: () => undefined,
  order: async (page) => {
    await page.getByRole('link', { name: 'Concert programme' }).click();
    await page.locator('dk-stream svg').waitFor();
  },
  best: async (page) => {
    await tab(page, 'Plan for me').click();
    await page.getByRole('button', { name: 'Find the cheapest way' }).click();
    await page.getByRole('button', { name: 'Plan again' }).waitFor();
  },
  station: async (page) => {
    await page.getByRole('link', { name: 'Jobs', exact: true }).click();
    await page.getByRole('link', { name: 'Star atlas' }).click();
    await station(page, 'case').click();
    await page.getByTitle('Cloth, width: show the working').click();
  },
  press: async (page) => {
    await page.getByRole('link', { name: 'Jobs', exact: true }).click();
    await page.getByRole('link', { name: 'Trail map' }).click();
    await station(page, 'print-map').click();
    await page.locator('dk-print-bench dl').getByRole('button').nth(2).click();
  },
  layout: async (page) => {
    await page.getByRole('link', { name: 'Jobs', exact: true }).click();
    await page.getByRole('link', { name: 'Concert programme' }).click();
    await station(page, 'print-section-1').click();
    await page.getByRole('radio', { name: 'Layout', exact: true }).click();
    await page.getByRole('button', { name: 'See through' }).click();
    await page.locator('.views').evaluate((element) => element.scrollIntoView());
  },
  inks: async (page) => {
    await page.goto('/jobs');
    await page.getByRole('link', { name: 'Constellation cards' }).click();
    await station(page, 'print-card').click();
    await page.getByRole('radio', { name: 'Inks', exact: true }).click();
    await page.locator('dk-inks-bench .pick', { hasText: 'Night blue' }).click();
    await page.locator('.views').evaluate((element) => element.scrollIntoView());
  },
  tally: async (page) => {
    await page.goto('/book');
    await page.getByLabel('Tag, ticket or number').fill('HB-2041/print-map-2/1');
    await page.getByRole('button', { name: 'Open', exact: true }).click();
    await page.getByRole('button', { name: /^Enter [\d,]+ sheets/ }).click();
    await page.getByRole('button', { name: 'Begin the run' }).click();
    for (const good of ['1000', '1000', '1000', '950', '1000', '1000', '800']) {
      await page.getByRole('button', { name: /^Good out/ }).click();
      await page.locator('dk-number-pad input').fill(good);
      await page.keyboard.press('Enter');
      await page.locator('dk-number-pad').waitFor({ state: 'detached' });
    }
    await page.evaluate(() => scrollTo(0, 0));
  },
  account: async (page) => {
    const scanned = await (await page.request.get('/api/book/scan?code=HB-25-0871')).json();
    await page.goto(`/book/${scanned.job.id}/account`);
    await page.locator('[data-destruction]').waitFor();
  },
  quality: async (page) => {
    await page.goto('/quality');
    await page.locator('dk-control-chart svg').first().waitFor();
  },
  reckoner: async (page) => {
    await page.goto('/reckoner');
    await page.getByLabel('Type a sum').fill('5000 A5 on SRA1 bleed 3');
    await page.locator('[data-test=results] button').first().waitFor();
  },
  customer: async (page) => {
    await page.goto('/customers');
    await page.getByRole('link', { name: 'Lichtmoor Botanic Garden' }).click();
    await page.getByRole('table', { name: 'Jobs' }).getByRole('link').first().waitFor();
  },
  machine: async (page) => {
    await page.goto('/works/machines/b1-perfector');
    await page.locator('dk-machine-drawing svg').waitFor();
  },
  stores: async (page) => {
    await page.goto('/stores');
    await tab(page, 'To buy').click();
    await page.locator('[data-test=to-buy] tbody tr').nth(3).waitFor();
  },
  norms: async (page) => {
    await page.getByRole('link', { name: 'Norms' }).click();
    await page.getByRole('button', { name: 'Machines' }).click();
  },
  guide: async (page) => {
    await page.goto('/guide/stations#case-in');
    await page.getByRole('heading', { name: 'Case in', exact: true }).waitFor();
  },
};

/** Opens the thread of the fifth job on the first machine. */
async function pickThread(page) {
  const place = await page.locator('dk-chains svg').evaluate((svg) => {
    const { left, top } = svg.getBoundingClientRect();
    const runs = [
      ...(svg.querySelector('path.waist')?.getAttribute('d') ?? '').matchAll(/M [\d.]+ ([\d.]+) H ([\d.]+)/g),
    ];
    const [, y, run] = runs[4] ?? [];
    return { x: left + Number(run) + 1, y: top + Number(y) };
  });
  await page.mouse.click(place.x, place.y);
}

/** Views of a floor that is crowded, in a works that had the time to plan it. */
const crowded = {
  floor: async (page) => {
    while ((await (await page.request.get('/api/floor')).json()).inForce === null) await page.waitForTimeout(1000);
    await page.goto('/floor');
    await pickThread(page);
  },
  desk: async (page) => {
    await page.goto('/desk');
    await page.getByRole('listitem').first().waitFor();
  },
};

async function renderPdf(bytes, number, file) {
  const document = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise;
  const page = await document.getPage(number);
  const viewport = page.getViewport({ scale: PDF_SCALE });
  const canvas = createCanvas(Math.round(viewport.width), Math.round(viewport.height));
  await page.render({ canvas, canvasContext: canvas.getContext('2d'), viewport }).promise;
  fs.writeFileSync(file, await canvas.encode('png'));
}

/** What the guide shows in every language: what is to be done anew on a page that has just been opened, whatever it speaks. */
const inGuide = {
  jobs: () => undefined,
  press: async (page) => {
    await station(page, 'print-map').click();
    await page.locator('dk-print-bench dl').getByRole('button').nth(2).click();
  },
  // Without the pile that was scanned.
  tally: async (page) => {
    await page.goto(page.url().replace(/\?.*/, ''));
    await page.locator('dk-tally-marks').first().waitFor();
  },
  machine: (page) => page.locator('dk-machine-drawing svg').waitFor(),
  stores: (page) => page.getByRole('tab').nth(1).click(),
  // The group of the machines.
  norms: (page) => page.locator('.columns nav button').nth(2).click(),
  desk: (page) => page.getByRole('listitem').first().waitFor(),
  floor: pickThread,
};

/** Takes every picture anew into `folder`. */
const shooter = (folder) => async (page, name) => {
  await page.mouse.move(0, 0);
  await page.evaluate(() => document.fonts.ready);
  await page.waitForTimeout(400); // the last ripple
  await page.screenshot({ path: path.join(folder, `${name}.png`) });
  process.stdout.write(`${name}\n`);
};

/** The same page as somebody sees it whose browser speaks another language. */
async function takeAgain(page, name, locale, folder) {
  const signedIn = await page.context().storageState();
  const storageState = { ...signedIn, cookies: signedIn.cookies.filter((cookie) => cookie.name !== 'language') };
  const context = await page.context().browser().newContext({ storageState, locale, viewport: page.viewportSize() });
  const other = await context.newPage();
  await other.goto(page.url());
  await other.waitForLoadState('networkidle');
  await inGuide[name](other);
  await shooter(folder)(other, name);
  await context.close();
}

async function takeViews(page, of, folders) {
  for (const [name, lead] of Object.entries(of)) {
    await lead(page);
    await shooter(folders.en)(page, name);
    if (Object.hasOwn(inGuide, name)) await takeAgain(page, name, 'de-DE', folders.de);
  }
}

export async function takePictures(address, folders) {
  await withManager(address, {}, async (page) => {
    await takeViews(page, views, folders);
    const jobs = await (await page.request.get('/api/jobs')).json();
    const map = jobs.find(({ title }) => title === 'Trail map');
    const ticket = await page.request.get(`/api/jobs/${map.id}/revisions/1/ticket.pdf`);
    await renderPdf(await ticket.body(), 1, path.join(folders.en, 'ticket.png'));
  });
}

export const takeCrowded = (address, folders) => withManager(address, {}, (page) => takeViews(page, crowded, folders));
