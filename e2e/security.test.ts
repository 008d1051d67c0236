import { expect, test, violations } from './test';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { request as askHttp } from 'node:http';
import { request as askHttps } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { generate } from 'selfsigned';
import { expectAccessible, expectNoOverflow, newTune, visit } from './helpers';
import { start } from './server';

const folder = () => mkdtempSync(join(tmpdir(), 'arc-step-guard-'));
const PASSPHRASE = 'five grey herons at low water';

/** A request with headers that no browser would let a page set. */
function ask(
	url: string,
	{
		method = 'GET',
		headers = {},
		body = ''
	}: { method?: string; headers?: Record<string, string>; body?: string } = {}
): Promise<{ status: number; headers: NodeJS.Dict<string | string[]>; text: string }> {
	const send = url.startsWith('https:') ? askHttps : askHttp;
	return new Promise((resolve, reject) => {
		const asked = send(url, { method, headers, rejectUnauthorized: false }, (response) => {
			let text = '';
			response.setEncoding('utf8');
			response.on('data', (chunk: string) => (text += chunk));
			response.on('end', () =>
				resolve({ status: response.statusCode ?? 0, headers: response.headers, text })
			);
		});
		asked.once('error', reject);
		asked.end(body);
	});
}

test('every screen is sent with a strict policy, and nothing else runs in it', async ({
	page,
	request
}) => {
	const broken = await violations(page);
	const { tunes } = await (await request.get('/api/v1/tunes')).json();
	const { id } = tunes.find(({ title }: { title: string }) => title === 'Tin Roof Ferry');
	const paths = ['', 'chart', 'neck', 'route', 'phrase', 'drill', 'sheet'].map((screen) =>
		screen ? `/tunes/${id}/${screen}` : '/'
	);
	for (const path of [...paths, '/log', '/settings', '/help']) {
		const policy = (await request.get(path)).headers()['content-security-policy'] ?? '';
		expect(policy, path).toMatch(/script-src 'self' blob: 'nonce-[\w+/=]{20,}'/);
		expect(policy).not.toMatch(/script-src[^;]*unsafe/);
		for (const part of [
			"default-src 'none'",
			"object-src 'none'",
			"base-uri 'none'",
			"frame-ancestors 'none'"
		]) {
			expect(policy).toContain(part);
		}
	}
	// Notation, charts and sound are drawn and played by large libraries.
	await visit(page, `/tunes/${id}/route`);
	await page.keyboard.press('Space');
	await expect(page.getByRole('button', { name: /stop/i }).first()).toBeVisible();
	await page.keyboard.press('Space');
	expect(broken).toEqual([]);

	// What a stranger might slip in does not run.
	await page.evaluate(() => {
		const script = document.createElement('script');
		script.textContent = 'window.slipped = true';
		document.head.append(script);
		const button = document.createElement('button');
		button.setAttribute('onclick', 'window.slipped = true');
		document.body.append(button);
		button.click();
	});
	expect(await page.evaluate(() => 'slipped' in window)).toBe(false);
	await expect.poll(() => broken.length).toBeGreaterThanOrEqual(2);
});

test('every answer has its headers, files of the app too', async ({ request }) => {
	const tune = await newTune(request);
	const page = await (await request.get('/')).text();
	const script = /"(\.?\/_app\/immutable\/entry\/start[^"]+\.js)"/.exec(page)?.[1] ?? '';
	expect(script).not.toBe('');
	for (const path of [
		'/',
		'/api/v1/tunes',
		`/tunes/${tune.id}/chart.txt`,
		'/nowhere',
		script.replace(/^\./, '')
	]) {
		const headers = (await request.get(path)).headers();
		expect(headers['x-content-type-options'], path).toBe('nosniff');
		expect(headers['cross-origin-resource-policy'], path).toBe('same-origin');
		if (path === script) continue;
		expect(headers['x-powered-by']).toBeUndefined();
	}
	const headers = (await request.get(`/tunes/${tune.id}/chart.json`)).headers();
	expect(headers['content-security-policy']).toContain("default-src 'none'");
	expect(headers['x-frame-options']).toBe('DENY');
	expect(headers['referrer-policy']).toBe('same-origin');
});

test('a name that is not ours and a write from elsewhere are refused', async ({
	baseURL,
	request
}) => {
	const url = `${baseURL}/api/v1/tunes`;
	const port = new URL(url).port;
	for (const host of [
		'rebound.example',
		`rebound.example:${port}`,
		'127.0.0.1.rebound.example',
		'192.168.7.7',
		'me@localhost'
	]) {
		const answer = await ask(url, { headers: { host } });
		expect(answer.status, host).toBe(421);
		expect(answer.headers['content-type']).toContain('problem+json');
	}
	for (const host of ['localhost', `localhost:${port}`, '127.0.0.1', '[::1]:9', 'LOCALHOST']) {
		expect((await ask(url, { headers: { host } })).status, host).toBe(200);
	}
	const title = `From elsewhere ${Date.now()}`;
	const body = JSON.stringify({ chart: `title: ${title}\n| C |` });
	const own = { 'content-type': 'application/json' };
	for (const headers of [
		{ ...own, origin: 'https://elsewhere.example' },
		{ ...own, origin: 'null' },
		{ ...own, origin: `http://127.0.0.1:${Number(port) + 1}` },
		{ ...own, 'sec-fetch-site': 'cross-site' },
		{ 'content-type': 'text/plain', origin: 'https://elsewhere.example' }
	]) {
		const answer = await ask(url, { method: 'POST', headers, body });
		expect(answer.status, JSON.stringify(headers)).toBe(403);
	}
	const { tunes } = await (await request.get('/api/v1/tunes')).json();
	expect(tunes.some((tune: { title: string }) => tune.title === title)).toBe(false);
	const fine = await ask(url, { method: 'POST', headers: { ...own, origin: baseURL ?? '' }, body });
	expect(fine.status).toBe(201);
});

test('an address that others reach wants a passphrase', async () => {
	for (const [env, told] of [
		[{ HOST: '0.0.0.0' }, /^exit 1: HOST is 0\.0\.0\.0, .* set ARC_STEP_PASSPHRASE [^\n]*\n$/],
		[
			{ HOST: '0.0.0.0', ARC_STEP_PASSPHRASE: 'short' },
			/exit 1: ARC_STEP_PASSPHRASE must have 8 to /
		],
		[
			{ ARC_STEP_TLS_CERT: '/nowhere.pem' },
			/exit 1: Set both ARC_STEP_TLS_CERT and ARC_STEP_TLS_KEY/
		],
		[
			{ ARC_STEP_TLS_CERT: '/nowhere.pem', ARC_STEP_TLS_KEY: '/nowhere.pem' },
			/exit 1: ARC_STEP_TLS_CERT is \/nowhere.pem, which cannot be read: ENOENT/
		]
	] as const) {
		await expect(start(folder(), env as unknown as Record<string, string>)).rejects.toThrow(told);
	}
});

test('the passphrase opens the notebook to one browser, over TLS too', async ({ browser }) => {
	test.slow();
	const pems = await generate([{ name: 'commonName', value: 'localhost' }], { keyType: 'ec' });
	const data = folder();
	const [cert, key] = ['cert.pem', 'key.pem'].map((name) => join(data, name));
	writeFileSync(cert, pems.cert);
	writeFileSync(key, pems.private);
	const notebook = join(data, 'notebook');
	const env = {
		...{ HOST: '0.0.0.0', ARC_STEP_PASSPHRASE: PASSPHRASE },
		...{ ARC_STEP_TLS_CERT: cert, ARC_STEP_TLS_KEY: key }
	};
	const server = await start(notebook, env);
	expect(server.url).toMatch(/^https:\/\/0\.0\.0\.0:\d+$/);
	const { port } = new URL(server.url);
	const url = `https://127.0.0.1:${port}`;

	// Without the passphrase there is nothing to be had.
	for (const path of ['/api/v1/tunes', '/backup.json', '/tunes/1/chart.txt', '/api/v1/nowhere']) {
		const answer = await ask(url + path);
		expect(answer.status, path).toBe(401);
		expect(JSON.parse(answer.text)).toMatchObject({ status: 401, title: 'Passphrase missing' });
	}
	const write = await ask(`${url}/api/v1/tunes`, {
		method: 'POST',
		headers: { 'content-type': 'application/json' },
		body: '{"chart":"| C |"}'
	});
	expect(write.status).toBe(401);
	expect((await ask(`${url}/healthz`)).status).toBe(200);
	const forged = await ask(`${url}/api/v1/tunes`, {
		headers: { cookie: `arc-step-session=${'A'.repeat(43)}` }
	});
	expect(forged.status).toBe(401);
	expect((await ask(`${url}/api/v1/tunes`, { headers: { host: 'rebound.example' } })).status).toBe(
		421
	);

	const context = await browser.newContext({ baseURL: url, ignoreHTTPSErrors: true });
	const page = await context.newPage();
	const broken = await violations(page);
	await page.goto('/log?place=6');
	await expect(page).toHaveURL('/login?to=%2Flog%3Fplace%3D6');
	const field = page.getByLabel('Passphrase');
	await expect(field).toBeFocused();
	await page.locator('html[data-ready]').waitFor();
	await expectAccessible(page);
	await page.emulateMedia({ colorScheme: 'dark' });
	await expectAccessible(page, undefined, ['color-contrast']);
	await page.emulateMedia({ colorScheme: 'light' });
	await field.fill('a wrong one');
	await field.press('Enter');
	await expect(page.getByRole('alert')).toHaveText('That is not the passphrase.');
	await page.setViewportSize({ width: 390, height: 844 });
	await expectNoOverflow(page);
	await page.setViewportSize({ width: 1280, height: 800 });
	await field.fill(PASSPHRASE);
	await field.press('Enter');
	await expect(page).toHaveURL('/log?place=6');
	const [cookie] = await context.cookies();
	expect(cookie).toMatchObject({ httpOnly: true, sameSite: 'Strict', secure: true, path: '/' });
	expect(cookie.value).toMatch(/^[\w-]{43}$/);
	expect(await page.evaluate(() => document.cookie)).toBe('');
	// TLS makes the page a secure one: microphone and wake lock can be asked for.
	expect(
		await page.evaluate(() => [isSecureContext, 'wakeLock' in navigator, !!navigator.mediaDevices])
	).toEqual([true, true, true]);
	expect(broken).toEqual([]);

	// A session outlives the server, and ends where it is left. The page has come to rest before it loses it.
	await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
	await page.waitForLoadState('networkidle');
	server.process.kill('SIGTERM');
	expect(await server.exited).toBe(0);
	const again = await start(notebook, { ...env, PORT: port });
	await expect(() => page.goto('/settings')).toPass();
	await page.locator('html[data-ready]').waitFor();
	await page.getByRole('button', { name: 'Sign out' }).click();
	await expect(page).toHaveURL('/login');
	expect(
		(await ask(`${url}/api/v1/tunes`, { headers: { cookie: `arc-step-session=${cookie.value}` } }))
			.status
	).toBe(401);
	// A page of another site is never gone on to.
	for (const to of [
		'//elsewhere.example/',
		'https://elsewhere.example/',
		'/\\elsewhere.example/'
	]) {
		await page.goto(`/login?to=${encodeURIComponent(to)}`);
		await page.getByLabel('Passphrase').fill(PASSPHRASE);
		await page.getByLabel('Passphrase').press('Enter');
		await expect(page).toHaveURL('/');
		await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
		await context.clearCookies();
	}

	// Guessing is slowed down.
	const guess = () =>
		ask(`${url}/api/v1/session`, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: '{"passphrase":"guess after guess"}'
		});
	const statuses: number[] = [];
	for (let i = 0; i < 6; i++) statuses.push((await guess()).status);
	expect(statuses).toEqual([401, 401, 401, 401, 401, 429]);
	const late = await guess();
	expect(Number(late.headers['retry-after'])).toBeGreaterThan(0);
	await context.close();
	again.process.kill('SIGTERM');
	await again.exited;
});
