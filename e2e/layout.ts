import type { Page } from '@playwright/test';

/**
 * What a reader would call a mistake of layout on the page as it stands: words that are cut off, words on words,
 * words under something else, a page wider than its window. One sentence each; none when all is well.
 * Words for ears alone and those of the text editor, which scrolls in itself, are left out.
 */
export async function layoutFaults(page: Page): Promise<string[]> {
	await page.evaluate(() => document.fonts.ready);
	return page.evaluate(() => {
		type Box = { left: number; right: number; top: number; bottom: number };
		type Run = { words: string; at: Element; ink: Box; drawn: boolean; layer: Element | null };
		const faults = new Set<string>();
		const up = (from: Element): Element[] => {
			const chain = [];
			for (let at: Element | null = from; at && at !== document.body; at = at.parentElement)
				chain.push(at);
			return chain;
		};
		const style = (at: Element) => getComputedStyle(at);
		/** The top-most of a text: what is fixed or sticks moves over the rest and is looked at for itself. */
		const layerOf = (at: Element) =>
			up(at).find((one) => ['fixed', 'sticky'].includes(style(one).position)) ?? null;
		const forEars = (at: Element) =>
			up(at).some(
				(one) => style(one).clipPath !== 'none' || one.getAttribute('aria-hidden') === 'true'
			);

		const runs: Run[] = [];
		const pen = document.createElement('canvas').getContext('2d');
		const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
		for (let text = texts.nextNode(); text; text = texts.nextNode()) {
			const at = text.parentElement;
			const words = text.textContent?.trim().replace(/\s+/g, ' ') ?? '';
			if (!at || words === '' || at.closest('script, style, option, .cm-editor')) continue;
			if (!at.checkVisibility({ opacityProperty: true, visibilityProperty: true }) || forEars(at))
				continue;
			const range = document.createRange();
			range.selectNodeContents(text);
			const { font } = style(at);
			if (pen) pen.font = font;
			const size = pen?.measureText(words);
			if (!size) continue;
			const line = size.fontBoundingBoxAscent + size.fontBoundingBoxDescent;
			for (const box of range.getClientRects()) {
				if (box.width < 2 || box.height < 2) continue;
				// A line is taller than its letters.
				const scale = box.height / line;
				const base = box.top + size.fontBoundingBoxAscent * scale;
				const ink = {
					...{ left: box.left, right: box.right },
					top: base - size.actualBoundingBoxAscent * scale,
					bottom: base + size.actualBoundingBoxDescent * scale
				};
				const scrolls = up(at).find((one) => /auto|scroll/.test(style(one).overflow));
				const seen = scrolls?.getBoundingClientRect();
				const out =
					seen &&
					(ink.bottom < seen.top ||
						ink.top > seen.bottom ||
						ink.right < seen.left ||
						ink.left > seen.right);
				if (out || ink.bottom < 0 || ink.right < 0) continue;
				for (const one of up(at)) {
					if (one === scrolls) break;
					if (!/hidden|clip/.test(style(one).overflow)) continue;
					const edge = one.getBoundingClientRect();
					if (ink.right > edge.right + 1.5 || ink.left < edge.left - 1.5)
						faults.add(`cut at the side: ${words}`);
					if (ink.bottom > edge.bottom + 1.5 || ink.top < edge.top - 1.5)
						faults.add(`cut above or below: ${words}`);
				}
				runs.push({ words, at, ink, drawn: at.closest('svg') !== null, layer: layerOf(at) });
			}
		}
		for (const [i, a] of runs.entries()) {
			for (const b of runs.slice(i + 1)) {
				if (a.layer !== b.layer || a.at.contains(b.at) || b.at.contains(a.at)) continue;
				if (a.drawn && b.drawn && a.words === b.words) continue;
				const wide = Math.min(a.ink.right, b.ink.right) - Math.max(a.ink.left, b.ink.left);
				const high = Math.min(a.ink.bottom, b.ink.bottom) - Math.max(a.ink.top, b.ink.top);
				if (wide > 2 && high > 3) faults.add(`words on words: ${a.words} | ${b.words}`);
			}
		}
		for (const { words, at, ink, drawn, layer } of runs) {
			const [x, y] = [(ink.left + ink.right) / 2, (ink.top + ink.bottom) / 2];
			if (drawn || y < 0 || y > innerHeight || x > innerWidth) continue;
			const top = document.elementFromPoint(x, y);
			if (!top || top.contains(at) || at.contains(top) || top.closest('svg')) continue;
			const over = layerOf(top);
			if (
				over !== layer ||
				style(at).pointerEvents === 'none' ||
				top.closest('label')?.contains(at)
			)
				continue;
			faults.add(`under ${top.tagName.toLowerCase()}: ${words}`);
		}
		const wide = document.documentElement.scrollWidth - innerWidth;
		if (wide > 1) faults.add(`the page is ${wide} px too wide`);
		return [...faults];
	});
}
