import * as fontkit from 'fontkit';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { projectRoot } from '../paths';
import { toSfnt } from './sfnt';

const FONTS = [
	'@fontsource/besley/files/besley-latin-800-normal.woff',
	'@fontsource/noto-music/files/noto-music-music-400-normal.woff',
	'@fontsource/dejavu-sans/files/dejavu-sans-latin-700-normal.woff'
];

describe('an unpacked web font', () => {
	it.each(FONTS)('has the glyphs of the packed one: %s', (name) => {
		const packed = readFileSync(join(projectRoot(), 'node_modules', name));
		const open = (bytes: Buffer) => fontkit.create(bytes) as fontkit.Font;
		const [a, b] = [open(packed), open(toSfnt(packed))];
		expect(b.characterSet).toEqual(a.characterSet);
		expect([b.unitsPerEm, b.ascent, b.descent]).toEqual([a.unitsPerEm, a.ascent, a.descent]);
		// A few: the packed font is unpacked anew for each.
		const every = Math.ceil(a.characterSet.length / 4);
		for (const code of a.characterSet.filter((_, i) => i % every === 0)) {
			const text = String.fromCodePoint(code);
			expect(b.layout(text).advanceWidth).toBe(a.layout(text).advanceWidth);
			const [one, other] = [a, b].map((font) => font.glyphForCodePoint(code).path.toSVG());
			expect(other).toBe(one);
		}
		expect(toSfnt(toSfnt(packed)).equals(toSfnt(packed))).toBe(true);
	});
});
