// Finds a Chromium for the browser tests, or installs Debian's where apt is at hand.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

const PLACES = [
	process.env.CHROMIUM_PATH,
	'/usr/bin/chromium',
	'/usr/bin/chromium-browser',
	'/usr/bin/google-chrome',
	'/Applications/Chromium.app/Contents/MacOS/Chromium',
	'/Applications/Google Chrome.app/Contents/MacOS/Google Chrome'
];

/** Path of an installed Chromium, or null. */
export const findChromium = () => PLACES.find((path) => path && existsSync(path)) ?? null;

/** Command-line flags for a quiet browser in a closed network, also as root. */
export const CHROMIUM_FLAGS = [
	'--no-sandbox',
	'--disable-gpu',
	'--disable-quic',
	'--no-first-run',
	'--disable-background-networking',
	'--disable-component-update',
	'--disable-sync',
	'--process-per-site'
];

/** Path of a Chromium, installed from Debian's packages if there is none yet. */
export function ensureChromium() {
	const found = findChromium();
	if (found) return found;
	if (existsSync('/usr/bin/apt-get')) {
		console.log('Installing Chromium from Debian’s packages …');
		const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
		const sudo = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
		for (const args of [
			['apt-get', 'update', '-qq'],
			['apt-get', 'install', '-y', '-qq', 'chromium']
		]) {
			const [command, ...rest] = [...sudo, ...args];
			spawnSync(command, rest, { stdio: ['ignore', 'ignore', 'inherit'], env });
		}
	}
	const installed = findChromium();
	if (!installed) {
		console.error(
			'No Chromium was found for the browser tests. Install one, or set CHROMIUM_PATH.'
		);
		process.exit(1);
	}
	return installed;
}
