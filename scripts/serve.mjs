// Runs the built server: listens, opens the database, says where it is, stops cleanly.
import { createServer } from 'node:http';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { root } from './lib.mjs';

const STOP_LIMIT_MS = 10_000;

export async function serve() {
	const host = process.env.HOST ?? '127.0.0.1';
	const wanted = Number(process.env.PORT ?? 4310);
	if (!Number.isInteger(wanted) || wanted < 0 || wanted > 65535) {
		fail(`PORT is ${process.env.PORT}; it must be a number from 0 to 65535.`);
	}
	let handler = null;
	const waiting = [];
	const server = createServer((request, response) => {
		if (handler) handler(request, response);
		else waiting.push([request, response]);
	});
	// Longer than clients keep an idle connection: none is closed just as it is used again.
	server.keepAliveTimeout = 65_000;
	await new Promise((resolve) => {
		server.once('error', (error) =>
			fail(
				error.code === 'EADDRINUSE'
					? `Port ${wanted} is in use; set PORT to another one, or 0 for any free one.`
					: `Cannot listen on ${host}:${wanted}: ${error.message}`
			)
		);
		server.listen(wanted, host, resolve);
	});
	const { port } = server.address();
	const shown = host.includes(':') ? `[${host}]` : host;
	process.env.ORIGIN ??= `http://${shown}:${port}`;
	// Routes check their own bodies, so that a refusal says what is wrong.
	process.env.BODY_SIZE_LIMIT = 'Infinity';

	let stopping = false;
	const stop = () => {
		if (stopping) return;
		stopping = true;
		setTimeout(() => process.exit(1), STOP_LIMIT_MS).unref();
		server.close(() => process.emit('sveltekit:shutdown', 'SIGTERM'));
		server.closeIdleConnections();
	};
	process.on('SIGINT', stop);
	process.on('SIGTERM', stop);

	try {
		({ handler } = await import(pathToFileURL(join(root, 'build', 'handler.js')).href));
	} catch (error) {
		fail(error instanceof Error && error.message ? error.message : String(error));
	}
	for (const [request, response] of waiting) handler(request, response);
	console.log(`Arc Step is ready at http://${shown}:${port}`);
}

function fail(sentence) {
	console.error(sentence);
	process.exit(1);
}
