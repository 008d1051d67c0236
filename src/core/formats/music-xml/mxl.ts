import type { Result } from '../../kernel';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { all, child, parseXml } from './xml';

const CONTAINER = 'META-INF/container.xml';
const TYPE = 'application/vnd.recordare.musicxml+xml';

/** Bytes of a document, unpacked, that are read at most. */
export const MOST_XML = 8 * 1024 * 1024;
/** Files that an archive may list. */
const MOST_FILES = 256;

/** A MusicXML document as a compressed `.mxl` file. */
export function packMxl(xml: string): Uint8Array<ArrayBuffer> {
	const container = `<?xml version="1.0" encoding="UTF-8"?>
<container><rootfiles><rootfile full-path="score.musicxml" media-type="${TYPE}"/></rootfiles></container>
`;
	// The same file for the same music, whenever it is written.
	const mtime = new Date(1980, 0, 1);
	return Uint8Array.from(
		zipSync(
			{
				mimetype: [strToU8('application/vnd.recordare.musicxml'), { level: 0, mtime }],
				[CONTAINER]: [strToU8(container), { mtime }],
				'score.musicxml': [strToU8(xml), { mtime }]
			},
			{ mtime }
		)
	);
}

/** Unpacks the files of an archive that are asked for, none larger than it may be. */
function unpack(
	bytes: Uint8Array,
	wanted: (name: string) => boolean
): Result<Record<string, Uint8Array>, string> {
	let files = 0;
	let large: string | null = null;
	try {
		const found = unzipSync(bytes, {
			filter: ({ name, originalSize }) => {
				files += 1;
				if (files > MOST_FILES || !wanted(name)) return false;
				if (originalSize <= MOST_XML) return true;
				large = name;
				return false;
			}
		});
		if (large !== null) return { error: `“${String(large)}” in the archive is larger than 8 MiB.` };
		return { value: found };
	} catch {
		return { error: 'The archive is damaged or is none.' };
	}
}

/** A file of an archive; a name such as __proto__ is none of its own. */
const ownFile = (files: Record<string, Uint8Array>, name: string): Uint8Array | undefined =>
	Object.hasOwn(files, name) ? files[name] : undefined;

/** The document inside a `.mxl` file. */
export function unpackMxl(bytes: Uint8Array): Result<string, string> {
	const listed = unpack(bytes, (name) => name === CONTAINER);
	if ('error' in listed) return listed;
	const container = ownFile(listed.value, CONTAINER);
	if (!container) return { error: 'The archive does not say which of its files is the music.' };
	const read = parseXml(strFromU8(container));
	if ('error' in read) return read;
	const roots = all(child(read.value, 'rootfiles'), 'rootfile');
	const root = roots.find((node) => (node.attributes['media-type'] ?? TYPE) === TYPE) ?? roots[0];
	const path = root?.attributes['full-path'] ?? '';
	const found = unpack(bytes, (name) => name === path);
	if ('error' in found) return found;
	const music = ownFile(found.value, path);
	if (!music || path === '') return { error: 'The music that the archive names is not in it.' };
	if (music.byteLength > MOST_XML)
		return { error: `“${path}” in the archive is larger than 8 MiB.` };
	return { value: decodeText(music) };
}

/** Text in UTF-8 or, where it begins with their mark, UTF-16. */
export function decodeText(bytes: Uint8Array): string {
	const [a, b] = bytes;
	if (a === 0xff && b === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
	if (a === 0xfe && b === 0xff) return new TextDecoder('utf-16be').decode(bytes);
	return new TextDecoder('utf-8').decode(bytes);
}
