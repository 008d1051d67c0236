import { readChordPro } from './chord-pro';
import { readMidi } from './midi';
import { decodeText, isMusicXml, MOST_XML, readMusicXml, unpackMxl } from './music-xml';
import type { FileReading } from './piece';
import { readPlainText } from './plain-text';

/** Kinds of file that hold music, by their endings. JSON documents are read elsewhere. */
export const FILE_KINDS = {
	musicxml: 'MusicXML',
	xml: 'MusicXML',
	mxl: 'MusicXML',
	mid: 'MIDI',
	midi: 'MIDI',
	cho: 'ChordPro',
	chordpro: 'ChordPro',
	chopro: 'ChordPro',
	crd: 'ChordPro',
	pro: 'ChordPro',
	txt: 'text',
	tab: 'text'
} as const;
type FileKind = keyof typeof FILE_KINDS;

/** The ending of a file's name, small. */
export const endingOf = (name: string): string =>
	/\.([a-z0-9]{1,10})$/i.exec(name)?.[1]!.toLowerCase() ?? '';

/** Charts are at most 64 KiB; tab and words take more room. */
const MOST_TEXT = 256 * 1024;

const tooLarge = (most: number): FileReading => ({
	error: `The file is larger than ${most / 1024} KiB; a tune is smaller.`
});

function asXml(text: string): FileReading {
	return isMusicXml(text)
		? readMusicXml(text)
		: { error: 'The file is not MusicXML: it has no score in it.' };
}

const ZIP = [0x50, 0x4b, 0x03, 0x04];
const startsWith = (bytes: Uint8Array, sign: readonly number[]) =>
	sign.every((byte, i) => bytes[i] === byte);

/** Signs that no text has. */
const isBinary = (bytes: Uint8Array): boolean => bytes.subarray(0, 4096).includes(0);

/**
 * Reads a file by the ending of its name. What is not what its name says is told, never guessed; only a
 * zipped MusicXML document may have the plain one's ending.
 * @param name the file's name, of which only the ending counts
 */
export function readFile(name: string, bytes: Uint8Array): FileReading {
	const ending = endingOf(name);
	const kind = FILE_KINDS[ending as FileKind] as (typeof FILE_KINDS)[FileKind] | undefined;
	if (!kind) {
		const known = [...new Set(Object.keys(FILE_KINDS))].map((end) => `.${end}`).join(', ');
		return { error: `Files named “.${ending}” are not read. Known: ${known}, .json.` };
	}
	if (bytes.byteLength === 0) return { error: 'The file is empty.' };
	if (kind === 'MIDI') {
		return bytes.byteLength > MOST_XML ? tooLarge(MOST_XML) : readMidi(bytes);
	}
	if (kind === 'MusicXML') {
		if (ending === 'mxl' || startsWith(bytes, ZIP)) {
			const unpacked = unpackMxl(bytes);
			return 'error' in unpacked ? unpacked : asXml(unpacked.value);
		}
		return bytes.byteLength > MOST_XML ? tooLarge(MOST_XML) : asXml(decodeText(bytes));
	}
	if (bytes.byteLength > MOST_TEXT) return tooLarge(MOST_TEXT);
	const utf16 = startsWith(bytes, [0xff, 0xfe]) || startsWith(bytes, [0xfe, 0xff]);
	if (!utf16 && isBinary(bytes)) return { error: 'The file is not text.' };
	const text = decodeText(bytes).replace(/^\ufeff/, '');
	return kind === 'ChordPro' ? readChordPro(text) : readPlainText(text);
}
