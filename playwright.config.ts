import { defineConfig } from '@playwright/test';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM_FLAGS, findChromium } from './scripts/chromium.mjs';
import { copyTemplate } from './scripts/template.mjs';

const PORT = Number(process.env.ARC_STEP_TEST_PORT ?? 4327);
// The configuration is read again by every worker; the folder is made once, by the first.
if (!process.env.ARC_STEP_TEST_DATA) {
	process.env.ARC_STEP_TEST_DATA = mkdtempSync(join(tmpdir(), 'arc-step-e2e-'));
	copyTemplate(process.env.ARC_STEP_TEST_DATA);
}

// The same requests are answered on a PostgreSQL server, where one was started for the tests.
const POSTGRES = process.env.ARC_STEP_TEST_POSTGRES;
const POSTGRES_PORT = PORT + 1;
const serve = (port: number, script: string, env: Record<string, string>) => ({
	command: `node scripts/${script}`,
	url: `http://127.0.0.1:${port}/healthz`,
	reuseExistingServer: false,
	timeout: 300_000,
	gracefulShutdown: { signal: 'SIGTERM' as const, timeout: 10_000 },
	env: { PORT: String(port), HOST: '127.0.0.1', ARC_STEP_COLD: '1', ARC_STEP_PARTS: '1', ...env }
});

export default defineConfig({
	testDir: 'e2e',
	outputDir: 'test-results/browser',
	fullyParallel: true,
	workers: 2,
	// A machine that is busy with something else may miss a deadline once; a second miss is a failure.
	retries: process.env.CI ? 1 : 0,
	// Waits are for states; the limits leave room for a machine that is busy with something else.
	timeout: 240_000,
	expect: { timeout: 45_000 },
	use: {
		baseURL: `http://127.0.0.1:${PORT}`,
		viewport: { width: 1280, height: 800 },
		browserName: 'chromium',
		launchOptions: { executablePath: findChromium() ?? undefined, args: CHROMIUM_FLAGS },
		// Recording every test takes longer than running it: ask for it where one is looked into.
		trace: process.env.ARC_STEP_TRACE ? 'on' : 'off'
	},
	projects: [
		{ name: 'embedded' },
		...(POSTGRES
			? [
					{
						name: 'postgres',
						// The rest is about what the browser does; ARC_STEP_ALL_TWICE runs it here as well.
						testMatch: process.env.ARC_STEP_ALL_TWICE
							? undefined
							: /\/(api|files|neck-api)\.test\.ts/,
						use: { baseURL: `http://127.0.0.1:${POSTGRES_PORT}` }
					}
				]
			: [])
	],
	webServer: [
		serve(PORT, 'demo.mjs', { ARC_STEP_DATA: process.env.ARC_STEP_TEST_DATA }),
		...(POSTGRES ? [serve(POSTGRES_PORT, 'start.mjs', { DATABASE_URL: POSTGRES })] : [])
	]
});
