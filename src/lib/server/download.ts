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
		headers: {
			'content-type': text ? `${type}; charset=utf-8` : type,
			'content-disposition': `attachment; filename="${plainName(name)}.${ending}"`,
			'cache-control': 'no-store'
		}
	});
}
