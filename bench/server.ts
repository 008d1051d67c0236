import { gzipSync } from 'node:zlib';

/** Median time of a request in ms, after some to warm up. */
async function median(url: string): Promise<number> {
	const times: number[] = [];
	for (let i = 0; i < 60; i++) {
		const start = performance.now();
		const response = await fetch(url);
		await response.arrayBuffer();
		if (!response.ok) throw new Error(`${url}: ${response.status}`);
		if (i >= 20) times.push(performance.now() - start);
	}
	return times.sort((a, b) => a - b)[Math.floor(times.length / 2)];
}

/** What a screen loads of script before it is there, gzipped, in kB: all that its page names beforehand. */
async function scriptOf(url: string): Promise<number> {
	const response = await fetch(url);
	await response.arrayBuffer();
	const links = (response.headers.get('link') ?? '').split(', ');
	const scripts = links.filter((link) => link.includes('rel="modulepreload"'));
	if (scripts.length === 0) throw new Error(`${url} names no script`);
	let bytes = 0;
	for (const link of scripts) {
		const path = /<([^>]+)>/.exec(link)?.[1] ?? '';
		const script = await fetch(new URL(path, url));
		if (!script.ok) throw new Error(`${path}: ${script.status}`);
		bytes += gzipSync(await script.arrayBuffer(), { level: 9 }).length;
	}
	return bytes / 1000;
}

/** The slowest of a tune's pages against the answer of `/healthz`, and the script of each screen. */
export type Served = {
	readonly pageRatio: number;
	readonly scripts: readonly { readonly screen: string; readonly kB: number }[];
};

/** Measures the pages of a server with the demo notebook. */
export async function measureServer(url: string): Promise<Served> {
	const { tunes } = await (await fetch(`${url}/api/v1/tunes`)).json();
	const health = await median(`${url}/healthz`);
	const pages: number[] = [];
	for (const screen of ['chart', 'neck', 'route']) {
		pages.push(await median(`${url}/tunes/${tunes[0].id}/${screen}`));
	}
	const tune = `tunes/${tunes[0].id}`;
	const screens = ['chart', 'neck', 'route', 'phrase', 'drill', 'sheet'].map(
		(one) => `${tune}/${one}`
	);
	const scripts: { screen: string; kB: number }[] = [];
	for (const path of ['', ...screens, 'log', 'settings', 'help']) {
		const screen = path.split('/').at(-1) || 'home';
		scripts.push({ screen, kB: await scriptOf(`${url}/${path}`) });
	}
	return { pageRatio: Math.max(...pages) / health, scripts };
}
