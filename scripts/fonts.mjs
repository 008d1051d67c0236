// Cuts the two symbol faces down to the signs that the interface sets, into static/fonts.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import subsetFont from 'subset-font';

const TEXT_SIGNS = '♩♭♮♯←↑→↓↖↗↘↙↔↕■□▪▲△▶▷▼▽◀◆◇●○◦Δø°✓✕';
const CHORD_SIGNS = '♭♮♯𝄫𝄪♩';
const FACES = [
	[
		'@fontsource/dejavu-sans/files/dejavu-sans-latin-400-normal.woff2',
		'signs-400.woff2',
		TEXT_SIGNS
	],
	[
		'@fontsource/dejavu-sans/files/dejavu-sans-latin-700-normal.woff2',
		'signs-700.woff2',
		TEXT_SIGNS
	],
	[
		'@fontsource/noto-music/files/noto-music-music-400-normal.woff2',
		'accidentals.woff2',
		CHORD_SIGNS
	]
];

export async function buildFonts(root) {
	const out = join(root, 'static', 'fonts');
	mkdirSync(out, { recursive: true });
	for (const [source, name, text] of FACES) {
		const face = readFileSync(join(root, 'node_modules', source));
		writeFileSync(join(out, name), await subsetFont(face, text, { targetFormat: 'woff2' }));
	}
}
