import { expect } from '@playwright/test';
import { test } from './server';
import { balance, expectAccessible, field, openExample, saved, signIn } from './steps.js';

const CUSTOMER = 'Reedmere Museum';

test('a customer is entered, and a new job of theirs begins with what they keep to', async ({ page }) => {
  await signIn(page);
  await page.getByRole('link', { name: 'Customers' }).click();
  await page.getByLabel('Name of a new customer').fill(CUSTOMER);
  await page.getByRole('button', { name: 'Enter it' }).click();
  await expect(page.getByRole('heading', { name: CUSTOMER })).toBeVisible();
  await page.getByRole('combobox', { name: 'May be delivered' }).click();
  await page.getByRole('option', { name: 'within per cents' }).click();
  await page.getByLabel('Over by at most').fill('3');
  await page.getByLabel('What their artwork keeps to').fill('Proofs on the paper of the run');
  await page.getByRole('button', { name: 'A place' }).click();
  await page.getByLabel('Place', { exact: true }).fill('Reading room');
  await page.getByRole('button', { name: 'Enter it' }).click();
  await expect(page.getByText('It is entered.')).toBeVisible();
  await expectAccessible(page, 'a customer');
  // Another of the same name is refused.
  await page.getByRole('link', { name: 'All customers' }).click();
  await page.getByLabel('Name of a new customer').fill(CUSTOMER.toLowerCase());
  await page.getByRole('button', { name: 'Enter it' }).click();
  await expect(page.getByRole('alert')).toContainText(`is a name of ${CUSTOMER}`);
  // Others come out of a file: one line of it cannot be taken.
  const list = 'Customer;Delivery;Over\nSedge Printworks;Yard;5\n;Hall;\nSedge Printworks;Shop;';
  const file = { name: 'customers.csv', mimeType: 'text/csv', buffer: Buffer.from(list) };
  await page.locator('dk-list-file input[type=file]').setInputFiles(file);
  await expect(page.locator('[data-test="list-file"]')).toHaveText('1 customer can be taken; 1 line cannot.');
  await expect(page.getByText('Line 3: Customer is empty.')).toBeVisible();
  await expectAccessible(page, 'a list of customers');
  await page.getByRole('button', { name: 'Take 1 customer' }).click();
  await expect(page.getByText('1 customer entered.')).toBeVisible();
  await expect(page.getByRole('row', { name: /Sedge Printworks/ })).toContainText('2');
  await page.getByRole('link', { name: 'Jobs' }).first().click();
  await page.getByRole('button', { name: 'New job' }).click();
  const asked = page.getByRole('dialog');
  await asked.getByLabel('Title').fill('Guide to the rooms');
  await asked.getByLabel('Customer').fill('reed');
  await page.getByRole('option', { name: CUSTOMER }).click();
  await asked.getByLabel('Quantity').fill('2000');
  await asked.getByRole('button', { name: 'Create job' }).click();
  await expect(field(page, 'order.policy.over')).toHaveValue('3');
  await expect(page.locator('[data-test=customer]')).toContainText('Proofs on the paper of the run');
});

test('what was offered at several quantities is taken, becomes a job, and is ordered again', async ({ page }) => {
  await signIn(page);
  const customer = `Weir Press Friends ${Date.now()}`;
  await openExample(page, 'trail-map', (job) => (job['customer'] = customer));
  await page.keyboard.press('q');
  const asked = page.getByLabel('Quantities, with semicolons between them');
  await asked.fill('5000; 8000');
  await asked.press('Enter');
  await page.getByRole('button', { name: 'Reckon them' }).click();
  await page.getByRole('button', { name: 'Offer these quantities' }).click();
  const number = `O-${Date.now()}`;
  await page.getByLabel('Number of the offer').fill(number);
  await page.getByLabel('Earned of the price').fill('95');
  await expect(page.getByText('From 0 to 90 %')).toBeVisible();
  await page.getByLabel('Earned of the price').fill('25');
  await expectAccessible(page, 'an offer');
  await page.getByRole('button', { name: 'Make the offer' }).click();
  await expect(page.getByText(`${number} is made.`)).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).click();
  await page.goto('/offers');
  await page.getByLabel('Search number, customer, title, state').fill(number);
  await expect(page.locator('tbody tr')).toHaveCount(2);
  await expectAccessible(page, 'offers');
  await page.getByRole('button', { name: 'Taken' }).click();
  await page.getByRole('combobox', { name: 'Quantity' }).click();
  await page.getByRole('option', { name: /^8,000 at/ }).click();
  await page.getByLabel('Number of the job').fill(`E2E-${number}`);
  await page.getByRole('button', { name: 'Make the job' }).click();
  await expect(field(page, 'order.quantity')).toHaveValue('8,000');
  await expect(balance(page, 'total.cost')).toBeVisible();
  await saved(page);
  // The customer is entered with the name that the jobs have, and orders it again.
  await page.goto('/customers');
  await page.getByLabel('Name of a new customer').fill(customer);
  await page.getByRole('button', { name: 'Enter it' }).click();
  await page.getByRole('button', { name: `Order E2E-${number} again` }).click();
  const again = page.getByRole('dialog');
  // A dialog that opens takes the focus to its first field: what is typed before goes where that is.
  await expect(again.getByLabel('Number')).toBeFocused();
  await again.getByLabel('Number').fill(`E2E-again-${number}`);
  await again.getByRole('textbox', { name: 'Quantity' }).fill('8500');
  await again.getByRole('button', { name: 'Make the job' }).click();
  await expect(field(page, 'order.quantity')).toHaveValue('8,500');
});
