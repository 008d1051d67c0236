// Runs the built server: listens, opens the database, says where it is, stops cleanly.
import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { root } from './lib.mjs';

/** After a word to stop: when work is ended, when connections are cut, when the process goes whatever is left. */
const END_WORK_MS = 1000;
const HANG_UP_MS = 1500;
const STOP_LIMIT_MS = 2500;
/** Descriptors that the database, its threads and what they read may need. */
const RESERVED = 400;
const LOOPBACK = /^(localhost|127(\.\d{1,3}){3}|::1)$/i;

/** The certificate and key to be served with, in PEM; null without them. */
function readTls() {
	const { ARC_STEP_TLS_CERT: cert, ARC_STEP_TLS_KEY: key } = process.env;
	if (!cert && !key) return null;
	if (!cert || !key) fail('Set both ARC_STEP_TLS_CERT and ARC_STEP_TLS_KEY, or neither.');
	const read = (name, path) => {
		try {
			return readFileSync(path);
		} catch (error) {
			return fail(`${name} is ${path}, which cannot be read: ${error.code ?? error.message}.`);
		}
	};
	return {
		cert: read('ARC_STEP_TLS_CERT', cert),
		key: read('ARC_STEP_TLS_KEY', key),
		minVersion: 'TLSv1.2'
	};
}

/**
 * How many connections are taken at once; who opens more is hung up on. Each may ask for a file while the server
 * still has descriptors left: a part of the app that cannot be read when it is first needed is missing for good.
 */
function mostConnections() {
	const soft = process.report.getReport().userLimits?.open_files.soft;
	if (typeof soft !== 'number') return 1000;
	return Math.min(1000, Math.max(50, Math.floor((soft - RESERVED) / 2)));
}

export async function serve() {
	const host = process.env.HOST || '127.0.0.1';
	process.env.HOST = host;
	if (!LOOPBACK.test(host) && !process.env.ARC_STEP_PASSPHRASE) {
		fail(
			`HOST is ${host}, which other machines reach: set ARC_STEP_PASSPHRASE to what they must give, or leave HOST out.`
		);
	}
	const wanted = Number(process.env.PORT ?? 4310);
	if (!Number.isInteger(wanted) || wanted < 0 || wanted > 65535) {
		fail(`PORT is ${process.env.PORT}; it must be a number from 0 to 65535.`);
	}
	let handler = null;
	const waiting = [];
	let stopping = false;
	/** Requests that are being answered, and every connection, also one that has asked nothing yet. */
	let open = 0;
	const sockets = new Set();
	const hangUp = () => {
		if (stopping && open === 0) for (const socket of sockets) socket.destroySoon();
	};
	const take = (request, response) => {
		open++;
		response.once('close', () => {
			open--;
			hangUp();
		});
		// Also for what is served as a file; what the app answers says more.
		response.setHeader('x-content-type-options', 'nosniff');
		response.setHeader('cross-origin-resource-policy', 'same-origin');
		// A file of the app that cannot be read (gone, or too many are open) is this answer's end, not the server's.
		response.on('pipe', (source) =>
			source.once('error', (error) => {
				console.error(`A file of the app could not be sent: ${error.message}`);
				response.destroy();
			})
		);
		if (handler) handler(request, response);
		else waiting.push([request, response]);
	};
	const tls = readTls();
	let server;
	try {
		server = tls ? createSecureServer(tls, take) : createServer(take);
	} catch (error) {
		fail(`ARC_STEP_TLS_CERT and ARC_STEP_TLS_KEY are no pair that can be used: ${error.message}`);
	}
	server.on('connection', (socket) => {
		sockets.add(socket);
		socket.once('close', () => sockets.delete(socket));
	});
	server.maxConnections = mostConnections();
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
	// A connection that could not be taken is no reason to end.
	server.removeAllListeners('error').on('error', (error) => {
		console.error(`A connection could not be taken: ${error.message}`);
	});
	const { port } = server.address();
	const shown = host.includes(':') ? `[${host}]` : host;
	const url = `${tls ? 'https' : 'http'}://${shown}:${port}`;
	process.env.ORIGIN ??= url;
	// Routes check their own bodies, so that a refusal says what is wrong.
	process.env.BODY_SIZE_LIMIT = 'Infinity';

	const stop = () => {
		if (stopping) return;
		stopping = true;
		// Short work is finished and answered; what takes longer is told that the server stops.
		setTimeout(() => process.emit('arc-step:end-work'), END_WORK_MS).unref();
		setTimeout(() => {
			for (const socket of sockets) socket.destroy();
		}, HANG_UP_MS).unref();
		// What the database has acknowledged is kept, however the process ends.
		setTimeout(() => process.exit(0), STOP_LIMIT_MS).unref();
		server.close(() => process.emit('sveltekit:shutdown', 'SIGTERM'));
		hangUp();
	};
	process.on('SIGINT', stop);
	process.on('SIGTERM', stop);

	try {
		({ handler } = await import(pathToFileURL(join(root, 'build', 'handler.js')).href));
	} catch (error) {
		fail(error instanceof Error && error.message ? error.message : String(error));
	}
	for (const [request, response] of waiting) handler(request, response);
	if (!tls && !LOOPBACK.test(host)) {
		console.log(
			'Anyone on this network can read along: set ARC_STEP_TLS_CERT and ARC_STEP_TLS_KEY for https.'
		);
	}
	console.log(`Arc Step is ready at ${url}`);
}

function fail(sentence) {
	console.error(sentence);
	process.exit(1);
}
