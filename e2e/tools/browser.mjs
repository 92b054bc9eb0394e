// A Chromium and a sign-in, for the bench and the pictures.
import { chromium } from '@playwright/test';

const ARGS = [
  '--lang=en-GB',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--font-render-hinting=none',
];

async function untilUp(address) {
  for (let i = 0; i < 300; i++) {
    const up = await fetch(`${address}/api/health`).then(
      (response) => response.ok,
      () => false,
    );
    if (up) return;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error(`${address} does not answer`);
}

/** Runs `work` with a page of nobody in particular. */
export async function withPage(address, options, work) {
  await untilUp(address);
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ARGS });
  try {
    const context = await browser.newContext({
      baseURL: address,
      locale: 'en-GB',
      viewport: { width: 1280, height: 800 },
      ...options,
    });
    return await work(await context.newPage());
  } finally {
    await browser.close();
  }
}

/** Runs `work` with a page that is signed in as the demo's manager. */
export const withManager = (address, options, work) =>
  withPage(address, options, async (page) => {
    // Whoever looks here knows the job page.
    await page.addInitScript(() => localStorage.setItem('druckerei.tour.job', '{"ever":true}'));
    await page.goto('/sign-in?to=/jobs');
    await page.getByLabel('Name').fill('manager');
    await page.getByLabel('Password').fill('weir-and-wheel');
    await page.getByRole('button', { name: 'Sign in', exact: true }).click();
    await page.getByRole('heading', { name: 'Jobs' }).waitFor();
    return work(page);
  });

/** Creates a job through the server; returns its id. */
export async function createJob(page, job) {
  const token = (await page.context().cookies()).find((cookie) => cookie.name === 'XSRF-TOKEN')?.value ?? '';
  const response = await page.request.post('/api/jobs', { data: job, headers: { 'X-XSRF-TOKEN': token } });
  if (response.status() !== 201) throw new Error(await response.text());
  return (await response.json()).id;
}
