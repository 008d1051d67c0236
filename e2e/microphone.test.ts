import { expect, test, type Page } from '@playwright/test';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeWav } from '../src/core/formats/wav';
import { pluckString } from '../src/lib/audio/string';
import { CHROMIUM_FLAGS, findChromium } from '../scripts/chromium.mjs';
import { choose, newTune, visit } from './helpers';

/** A guitar that plays E4 four times a second for half a minute. */
function recording(): string {
	const rate = 48_000;
	const samples = new Float32Array(rate * 30);
	const note = pluckString(64, rate, {
		seconds: 0.23,
		fade: 0.03,
		left: 0.3,
		soft: 0.5,
		pickAt: 0.2
	});
	for (let at = 0.4; at < 29; at += 0.25) samples.set(note, Math.round(at * rate));
	const file = join(mkdtempSync(join(tmpdir(), 'arc-step-mic-')), 'e4.wav');
	writeFileSync(file, writeWav([samples], rate));
	return file;
}

test.use({
	launchOptions: {
		executablePath: findChromium() ?? undefined,
		args: [
			...CHROMIUM_FLAGS,
			'--use-fake-device-for-media-stream',
			'--use-fake-ui-for-media-stream',
			`--use-file-for-fake-audio-capture=${recording()}`
		]
	}
});

const verdict = (page: Page) => page.getByRole('heading', { level: 1 });

test('a microphone is tried for bleed, shows its pitch, and is judged', async ({
	page,
	request
}) => {
	test.slow();
	// C, Am and Em have an E; nobody has to wait long.
	const tune = await newTune(
		request,
		'title: One String\nkey: C major\ntempo: 200\n\n| C | Am | Em | C |\n'
	);
	const drill = {
		...{ preset: 'free', range: null, routeId: null, position: 5, key: null, rules: {}, loops: 1 },
		ladder: { start: 200, step: 10, ceiling: 200, up: 1 }
	};
	await request.post('/api/v1/cards', { data: { tuneId: tune.id, drill } });
	await visit(page, `/tunes/${tune.id}/drill?position=5`);
	await choose(page.getByRole('combobox', { name: 'Who plays' }), 'Microphone');
	await expect(page.locator('[data-part="heard"]')).toHaveText('E4');
	await expect(page.getByText('Hears one note at a time.')).toBeVisible();
	// The clicks are answered by whatever sounds: this microphone is not trusted without a word.
	await page.getByRole('button', { name: 'Try for bleed' }).click();
	await expect(page.getByText('Be still for four clicks')).toBeVisible();
	await expect(page.getByText('The microphone hears the clicks.')).toBeVisible();
	await page.getByRole('button', { name: 'Play anyway' }).click();
	await verdict(page).click();
	await page.keyboard.press('Enter');
	await expect(verdict(page)).toHaveText('Pass at 200.');
	await expect(verdict(page)).toContainText('changes land');
	// Struck four times a second, E is never far from a change: no change stays silent or misses.
	await expect(page.getByRole('row', { name: /^missed/ })).toContainText('0');
	await expect(page.getByRole('row', { name: /^silent/ })).toContainText('0');
});
