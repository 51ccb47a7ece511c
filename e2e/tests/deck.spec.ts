import { choose, expect, expectAccessible, headline, openStation, saved, test } from './pozzo.js';

test('a tank dragged over the deck moves its loads; keys and typed inches too; undo puts it back', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/tram-depot/plan?of=water`);
  const tank = page.locator('[data-thing="water"]');
  await expect(tank).toBeVisible();
  const front = page.getByLabel('From the front', { exact: true });
  const before = await front.inputValue();
  const tongue = page.locator('g.load', { hasText: 'tongue' });
  const load = await tongue.textContent();
  const box = (await tank.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 - 30, box.y + box.height / 2, { steps: 3 });
  // The hand waits on the way, to look: it is one step all the same.
  await page.waitForTimeout(1700);
  await page.mouse.move(box.x + box.width / 2 - 60, box.y + box.height / 2, { steps: 3 });
  await page.mouse.up();
  await expect(front).not.toHaveValue(before);
  await expect(tongue).not.toHaveText(load!);
  // Forward it stands in what is there, and that is told at once.
  await expect(page.locator('pz-help')).toContainText(/overlap by|can sway|lightens the tow vehicle/);
  await page.keyboard.press('Control+z');
  await expect(front).toHaveValue(before);
  await expect(tongue).toHaveText(load!);

  await tank.focus();
  await page.keyboard.press('ArrowRight');
  await expect(front).toHaveValue(`${Number.parseFloat(before) + 1} in`);
  await front.fill(before);
  await front.press('Enter');
  await expect(tongue).toHaveText(load!);
  await saved(page);
  await expectAccessible(page);
});

test('from an empty deck to a judged weight: a platform, everything placed, then arranged', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/tram-depot/plan`);
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await page.getByRole('button', { name: 'Without a platform' }).click();
  await expect(page.locator('pz-help')).toContainText('Nothing is on a platform yet');
  await page.getByRole('button', { name: /Open trailer, two axles, 14 × 7 ft/ }).click();
  await openStation(page, 'Weight');
  await expect(page.locator('.told[role=status]')).toContainText('Not judged');
  await expect(page.locator('pz-help')).not.toContainText('Within ratings');
  await openStation(page, 'Plan');
  await page.getByRole('button', { name: 'Place all of it' }).click();
  await expect(page.getByText('Not placed: nothing')).toBeVisible();
  await page.getByRole('button', { name: 'Arrange it for me' }).click();
  await expect(page.locator('.offers .card').first()).toBeVisible({ timeout: 120_000 });
  await page.locator('.offers .card').first().getByRole('button').click();
  await openStation(page, 'Weight');
  await expect(page.locator('pz-load-bars .row')).not.toHaveCount(0);
  await expect(page.locator('.told[role=status]')).toHaveCount(0);
  await saved(page);
});

test('the single axle with two batch tanks is a stop; less in a tank, tried, gets it under', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/park-trailer/weight`);
  await expect(headline(page)).toContainText('Overloaded');
  await page
    .locator('.fix', { hasText: /^Carry|another platform/i })
    .first()
    .getByRole('button')
    .click();
  await expect(headline(page)).not.toContainText('too heavy');
  await expectAccessible(page);
});

test('gear is added, held and walked round; a still picture and the plan can be taken along', async ({ page, server }) => {
  await page.goto(`${server.url}/rig/tram-depot/plan`);
  await choose(page, 'What else rides along', 'Generator');
  await expect(page.getByRole('heading', { name: 'Generator', exact: true })).toBeVisible();
  await choose(page, 'Tie-downs', 'Straps');
  await expect(page.getByText('Has to hold')).toBeVisible();
  await page.getByRole('radio', { name: 'Walk round' }).click();
  const canvas = page.locator('pz-walk-round canvas');
  await expect(canvas).toBeVisible();
  const still = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save a still picture' }).click();
  expect((await still).suggestedFilename()).toBe('depot-trailer.png');
  await page.locator('pz-walk-round .box').focus();
  await page.keyboard.press('ArrowLeft');
  await page.getByRole('radio', { name: 'Both' }).click();
  const plan = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as SVG' }).click();
  expect((await plan).suggestedFilename()).toBe('depot-trailer-deck.svg');
});

test('where a browser draws nothing in three dimensions the plan is still there', async ({ page, server }) => {
  await page.addInitScript(() => {
    const get = HTMLCanvasElement.prototype.getContext;
    HTMLCanvasElement.prototype.getContext = function (this: HTMLCanvasElement, kind: string, ...rest: unknown[]) {
      return kind.startsWith('webgl') ? null : (get as (...x: unknown[]) => unknown).call(this, kind, ...rest);
    } as typeof get;
  });
  await page.goto(`${server.url}/rig/tram-depot/plan`);
  await page.getByRole('radio', { name: 'Walk round' }).click();
  await expect(page.getByText('draws nothing in three dimensions')).toBeVisible();
  await page.getByRole('radio', { name: 'From above' }).click();
  await expect(page.locator('[data-thing="water"]')).toBeVisible();
});
