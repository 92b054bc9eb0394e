import { type Page, expect } from '@playwright/test';
import { test } from './server';
import { expectAccessible, pdfText, signIn } from './steps';

const VIEWS = [
  'desk',
  'jobs',
  'floor',
  'stores',
  'norms',
  'works/machines',
  'quality',
  'customers',
  'benches/reckoner',
  'account',
  'guide/first-job',
  'guide/screens',
  'guide/stations',
  'guide/lessons',
  'guide/schools',
];

/** Sentences of English that stand where people read: the data of the demo has none of these words. */
const englishOn = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const found: string[] = [];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    while (walker.nextNode()) {
      const text = walker.currentNode.textContent ?? '';
      const hidden = walker.currentNode.parentElement?.closest('mat-icon, script, style') !== null;
      if (!hidden && /\b(the|this|that|which|what|when|has|have|its|are|is|by|each)\b/.test(text))
        found.push(text.trim());
    }
    return found;
  });

/** Words that are alike in both languages, and the hashes of the book. */
const ALIKE = /^(Aluminium|Block|CIEDE|Codes?|Hammer|PUR|min|[a-f]+)$/;
/** What a person has called things is theirs, in whatever words. */
const wordsOf = (text: string): string[] => text.match(/[\p{L}-]{3,}/gu) ?? [];

/** Cookies of a page but for one. */
const cookiesBut = async (page: Page, but: string): Promise<string> =>
  (await page.context().cookies())
    .filter(({ name }) => name !== but)
    .map(({ name, value }) => `${name}=${value}`)
    .join('; ');

test.describe('in German', () => {
  test.use({ locale: 'de-DE' });

  test('every view is said in German, and can be used by who cannot see it', async ({ page }) => {
    await signIn(page, 'manager', { heading: 'Aufträge' });
    await expect(page.locator('html')).toHaveAttribute('lang', 'de');
    for (const view of VIEWS) {
      await page.goto(`/${view}`);
      await page.waitForLoadState('networkidle');
      await expect(page.locator('main mat-progress-bar')).toHaveCount(0);
      expect(await englishOn(page), view).toEqual([]);
      await expectAccessible(page, view);
    }
  });

  test('the guide opens where one is, at the heading that it has there', async ({ page }) => {
    await signIn(page, 'manager', { heading: 'Aufträge' });
    await page.goto('/stores');
    await expect(page).toHaveTitle('Lager - Druckerei');
    await page.keyboard.press('F1');
    const heading = page.getByRole('dialog').getByRole('heading', { name: 'Lager', exact: true });
    await expect(heading).toBeInViewport();
  });

  test('the ticket of every job is in German: no word of the English one stands in it that nobody has typed', async ({
    page,
  }) => {
    await signIn(page, 'manager', { heading: 'Aufträge' });
    const read = async (path: string): Promise<unknown> => (await page.request.get(path)).json();
    const ticket = async (id: number, language: string): Promise<string[]> => {
      const made = await page.request.get(`/api/jobs/${id}/revisions/1/ticket.pdf`, {
        headers: { 'Accept-Language': language, Cookie: await cookiesBut(page, 'language') },
      });
      return wordsOf(await pdfText(await made.body()));
    };
    const works = JSON.stringify(await read('/api/works'));
    const jobs = (await read('/api/jobs')) as { id: number; number: string }[];
    expect(jobs.length).toBeGreaterThan(10);
    for (const { id, number } of jobs) {
      const job = JSON.stringify(await read(`/api/jobs/${id}?works=apart`));
      // A line may end within a word that has a hyphen.
      const typed = new Set(wordsOf(`${works} ${job}`.toLowerCase()).flatMap((word) => [word, ...word.split('-')]));
      const [english, german] = [new Set(await ticket(id, 'en')), await ticket(id, 'de')];
      const left = german.filter((word) => english.has(word) && !ALIKE.test(word) && !typed.has(word.toLowerCase()));
      // Several of what somebody has called “Section 1” and “Section 2”.
      expect([number, [...new Set(left)].filter((word) => word !== 'Sections')]).toEqual([number, []]);
    }
  });

  test('a number is typed and read with a comma, and a job is reckoned in German', async ({ page }) => {
    await signIn(page, 'manager', { heading: 'Aufträge' });
    await page.goto('/benches/reckoner');
    await page.getByRole('button', { name: 'Gewicht von Bogen' }).click();
    await page.getByLabel('Breite', { exact: true }).fill('1.020,5');
    await page.getByLabel('Höhe', { exact: true }).fill('720');
    await page.getByLabel('Flächengewicht', { exact: true }).fill('115');
    await expect(page.getByText(/84,5/).first()).toBeVisible();
  });
});
