import type { Font, Ink, Page } from './ink';

/** The same faces as the browser has them. */
const STYLES: Readonly<Record<Font, string>> = {
	title: 'font-family="Besley" font-weight="800"',
	quiet: 'font-family="Besley" font-weight="600"',
	text: 'font-family="Atkinson Hyperlegible Next Variable" font-weight="400"',
	strong: 'font-family="Atkinson Hyperlegible Next Variable" font-weight="700"',
	tab: 'font-family="Atkinson Hyperlegible Mono Variable" font-weight="700"',
	count: 'font-family="Atkinson Hyperlegible Mono Variable" font-weight="400"',
	signs: 'font-family="Accidentals"',
	plain: 'font-family="Signs, Atkinson Hyperlegible Next Variable" font-weight="400"',
	plainStrong: 'font-family="Signs, Atkinson Hyperlegible Next Variable" font-weight="700"',
	score: 'font-family="Score"'
};

const escaped = (text: string): string =>
	text.replace(
		/[&<>"]/g,
		(sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign] ?? sign
	);

const round = (value: number): string => String(Math.round(100 * value) / 100);

/** A shade of grey as CSS has it. */
const grey = (shade: number): string => {
	const part = Math.round(255 * shade)
		.toString(16)
		.padStart(2, '0');
	return `#${part}${part}${part}`;
};

function element(mark: Ink): string {
	if (mark.kind === 'text') {
		const { x, y, size, font, text, fill = 0 } = mark;
		const place = `x="${round(x)}" y="${round(y)}" font-size="${round(size)}" fill="${grey(fill)}"`;
		return `<text ${place} ${STYLES[font]} xml:space="preserve">${escaped(text)}</text>`;
	}
	const { d, x = 0, y = 0, fill, stroke, width = 1, dash, scale = 1 } = mark;
	const parts = [`d="${d}"`, `fill="${fill === undefined ? 'none' : grey(fill)}"`];
	if (stroke !== undefined) {
		parts.push(`stroke="${grey(stroke)}" stroke-width="${round(width)}" stroke-linejoin="round"`);
	}
	if (dash) parts.push(`stroke-dasharray="${dash.join(' ')}"`);
	const grown = scale === 1 ? '' : ` scale(${round(scale)})`;
	if (x !== 0 || y !== 0 || grown !== '') {
		parts.push(`transform="translate(${round(x)} ${round(y)})${grown}"`);
	}
	return `<path ${parts.join(' ')}/>`;
}

/** A page as SVG, for the screen and for the browser's own printing. */
export function toSvg({ width, height, ink }: Page, label: string): string {
	const size = `viewBox="0 0 ${round(width)} ${round(height)}"`;
	const open = `<svg xmlns="http://www.w3.org/2000/svg" ${size} role="img" aria-label="${escaped(label)}">`;
	return `${open}${ink.map(element).join('')}</svg>`;
}
