import PDFDocument from 'pdfkit';
import type { Font, Ink, Page } from './ink';
import { fontFile } from './type';

const grey = (shade: number): [number, number, number] => {
	const part = Math.round(255 * shade);
	return [part, part, part];
};

function draw(doc: PDFKit.PDFDocument, mark: Ink, fonts: Set<Font>): void {
	if (mark.kind === 'text') {
		const { font, size, text, x, y, fill = 0 } = mark;
		if (!fonts.has(font)) {
			doc.registerFont(font, fontFile(font));
			fonts.add(font);
		}
		doc.font(font).fontSize(size).fillColor(grey(fill));
		doc.text(text, x, y, { lineBreak: false, baseline: 'alphabetic' });
		return;
	}
	const { d, x = 0, y = 0, fill, stroke, width = 1, dash, scale = 1 } = mark;
	doc.save().translate(x, y).scale(scale).lineJoin('round').path(d);
	if (dash) doc.dash(dash[0], { space: dash[1] });
	if (stroke !== undefined) doc.lineWidth(width);
	if (fill !== undefined && stroke !== undefined) doc.fillAndStroke(grey(fill), grey(stroke));
	else if (fill !== undefined) doc.fill(grey(fill));
	else doc.stroke(grey(stroke ?? 0));
	doc.restore();
}

/** What a reader of files tells of this one. */
export type About = { readonly title: string; readonly subject: string };

/** Pages as a PDF: vectors and text, every font embedded. */
export async function toPdf(
	pages: readonly Page[],
	{ title, subject }: About
): Promise<Uint8Array<ArrayBuffer>> {
	const doc = new PDFDocument({
		autoFirstPage: false,
		font: null as unknown as string,
		lang: 'en',
		displayTitle: true,
		info: { Title: title, Subject: subject, Creator: 'Arc Step', Producer: 'Arc Step' }
	});
	const chunks: Buffer[] = [];
	doc.on('data', (chunk: Buffer) => chunks.push(chunk));
	const ended = new Promise<void>((resolve, reject) => {
		doc.on('end', resolve);
		doc.on('error', reject);
	});
	const fonts = new Set<Font>();
	for (const { width, height, ink } of pages) {
		doc.addPage({ size: [width, height], margin: 0 });
		for (const mark of ink) draw(doc, mark, fonts);
	}
	doc.end();
	await ended;
	return Uint8Array.from(Buffer.concat(chunks));
}
