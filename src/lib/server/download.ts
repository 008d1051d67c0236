import { pipeline, Readable } from 'node:stream';
import { createGzip } from 'node:zlib';

/** A name that every system takes: letters, digits and dashes, without signs that mean something to a shell. */
function plainName(name: string): string {
	const plain = name
		.normalize('NFKD')
		.replace(/[\u0300-\u036f]/g, '')
		.replaceAll('♭', 'b')
		.replaceAll('♯', 's')
		.replace(/[^A-Za-z0-9]+/g, '-')
		.replace(/^-|-$/g, '');
	return plain.slice(0, 80) || 'arc-step';
}

const headersOf = (name: string, ending: string, type: string) => ({
	'content-type': type,
	'content-disposition': `attachment; filename="${plainName(name)}.${ending}"`,
	'cache-control': 'no-store'
});

/**
 * A file to be kept by the browser.
 * @param name what it is called, without its ending
 */
export function download(
	body: string | Uint8Array<ArrayBuffer>,
	{ name, ending, type }: { name: string; ending: string; type: string }
): Response {
	const text = typeof body === 'string';
	return new Response(body, {
		headers: headersOf(name, ending, text ? `${type}; charset=utf-8` : type)
	});
}

/**
 * A file of any size, written while it is sent, as quickly as it is taken; with the ending `gz` it is packed.
 * @param parts the text of the file
 */
export function downloadParts(
	parts: AsyncGenerator<string>,
	{ name, ending, type }: { name: string; ending: string; type: string }
): Response {
	const text = Readable.from(parts, { objectMode: false });
	const file = ending.endsWith('gz') ? pipeline(text, createGzip(), () => null) : text;
	const body = Readable.toWeb(file) as ReadableStream<Uint8Array>;
	return new Response(body, { headers: headersOf(name, ending, type) });
}
