import { expect, test } from '@playwright/test';
import { goTo, waitSaved } from '../drivers/zest.ts';

test('the company is set up once, a new job takes its copy, tells what changed there and hands its own back', async ({
  page,
}) => {
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'Company', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: 'Set up your company' });
  await dialog.getByLabel('Company name').fill('Alder Works');
  await dialog.getByRole('button', { name: 'Set up the company' }).click();
  await expect(page.getByRole('heading', { name: 'Company', exact: true })).toBeVisible();
  // No sheets, no estimate, no bid: those are of jobs.
  const spine = page.getByRole('navigation', { name: 'Stages' });
  await expect(spine.getByRole('link')).toHaveText(['', 'Assemblies', 'Prices', 'Reports', 'Company']);
  await page.getByLabel('Company address').fill('4 Alder Lane\nPort Reeve');
  await page.getByLabel('Tax number').fill('TX 44');
  await page.getByLabel('Tax number').press('Enter');
  await page.getByRole('button', { name: 'Add a markup' }).click();
  await page.getByRole('button', { name: 'Add text' }).click();
  await page.getByLabel('Name of the text').fill('Permits');
  await page.getByLabel('Name of the text').press('Enter');
  await page.getByLabel('Words of Permits').fill('Permits and fees.');
  await page.getByLabel('Words of Permits').blur();
  await waitSaved(page);

  await page.getByRole('link', { name: 'All jobs' }).click();
  await page.getByRole('button', { name: 'New job' }).click();
  const asked = page.getByRole('dialog', { name: 'New job' });
  await expect(asked.getByLabel('Start from')).toHaveValue(/job-/);
  await asked.getByLabel('Name').fill('Barn');
  await asked.getByRole('button', { name: 'Create the job' }).click();
  await goTo(page, 'Bid');
  const paper = page.getByRole('article', { name: /^Bid/ });
  await expect(paper).toContainText('Alder Works');
  await expect(paper).toContainText('Tax number TX 44');
  await page.getByLabel('Add a text to Not included').selectOption('Permits');
  await expect(paper).toContainText('Permits and fees.');

  await goTo(page, 'Job');
  const both = page.getByRole('region', { name: 'This job and your company' });
  // What is left out of the bid is of the job, until it is given to the company.
  await expect(both).toContainText('Changed in this job: 1');
  await both.getByRole('checkbox', { name: /Name, address, tax and paper/ }).check({ force: true });
  await both.getByRole('button', { name: 'Give to Alder Works (1)' }).click();
  await expect(both).toContainText('are as Alder Works has them');
  await waitSaved(page);

  await page.getByRole('link', { name: 'All jobs' }).click();
  await page.getByRole('button', { name: 'Company', exact: true }).click();
  await page.getByLabel('Name of Concrete').fill('Concrete and forms');
  await page.getByLabel('Name of Concrete').press('Enter');
  await waitSaved(page);
  await page.getByRole('link', { name: 'All jobs' }).click();
  await page.getByRole('button', { name: 'Barn', exact: true }).click();
  await goTo(page, 'Job');
  await expect(both).toContainText('Changed at Alder Works: 1');
  await both.getByRole('button', { name: 'Use in this job (1)' }).click();
  await expect(both).toContainText('are as Alder Works has them');
  await goTo(page, 'Estimate');
  await expect(page.getByRole('grid', { name: 'Estimate' })).toContainText('Concrete and forms');
});

test('a job that is here already is not put in twice without a word', async ({ page }) => {
  await page.goto('/jobs');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: /^Export Heron Slip/ }).click();
  const path = await (await download).path();
  await page.getByLabel('Job file').setInputFiles({
    name: 'heron.zestjob',
    mimeType: 'application/zip',
    buffer: (await import('node:fs')).readFileSync(path),
  });
  const dialog = page.getByRole('dialog', { name: /is here already/ });
  await dialog.getByRole('button', { name: 'Compare them' }).click();
  await expect(dialog).toContainText('They are the same, record by record.');
  await dialog.getByRole('button', { name: 'Keep the one here' }).click();
  await expect(page.getByRole('button', { name: /^Export Heron Slip/ })).toHaveCount(1);
});
