import type { Chart, PlayedBar } from '$core/chart';
import { parseXml, writeAlphaTex, type EngravedNote, type XmlNode } from '$core/formats';
import type { Instrument } from '$core/neck';
import * as alphaTab from '@coderline/alphatab';
import { LEFT_OUT } from '../../draw/left-out';
import { moved, type Face, type Ink } from './ink';
import { widthOf } from './type';

/** Where something stands in a row of the engraving, in points from the row's upper left corner. */
type EngravedBar = {
	readonly index: number;
	readonly x: number;
	readonly width: number;
	/** Notes and rests: ticks from the first beat of the chart, and the middle of their heads. */
	readonly beats: readonly { readonly tick: number; readonly x: number }[];
};
export type EngravedRow = {
	readonly ink: readonly Ink[];
	readonly height: number;
	readonly bars: readonly EngravedBar[];
};

/** Its music font is this large before it is scaled. */
const MUSIC_SIZE = 34;
const BLACK = new alphaTab.model.Color(0, 0, 0);
const LINES = new alphaTab.model.Color(110, 110, 110);

function settingsFor(scale: number, barsPerRow: number): alphaTab.Settings {
	const settings = new alphaTab.Settings();
	const { core, display, notation } = settings;
	core.engine = 'svg';
	core.useWorkers = false;
	core.enableLazyLoading = false;
	display.layoutMode = alphaTab.LayoutMode.Page;
	display.barsPerRow = barsPerRow;
	display.scale = scale;
	display.padding = [0, 0, 0, 0];
	display.firstSystemPaddingTop = display.systemPaddingTop = 0;
	display.systemPaddingBottom = display.lastSystemPaddingBottom = 0;
	display.justifyLastSystem = true;
	for (const element of LEFT_OUT) notation.elements.set(element, false);
	const { resources } = display;
	const font = (size: number, bold = false) =>
		new alphaTab.model.Font(
			bold ? 'tab' : 'text',
			size,
			alphaTab.model.FontStyle.Plain,
			bold ? alphaTab.model.FontWeight.Bold : alphaTab.model.FontWeight.Regular
		);
	resources.tablatureFont = font(15, true);
	resources.effectFont = font(12);
	resources.barNumberFont = font(1);
	resources.mainGlyphColor = resources.scoreInfoColor = resources.barSeparatorColor = BLACK;
	resources.secondaryGlyphColor = BLACK;
	resources.barNumberColor = new alphaTab.model.Color(255, 255, 255);
	resources.staffLineColor = LINES;
	return settings;
}

const number = (node: XmlNode, name: string): number => Number(node.attributes[name] ?? 0);

/** Grey of a colour as the engraver writes it. */
function shadeOf(fill: string | undefined): number {
	const match = /^#([\da-f]{2})/i.exec(fill ?? '');
	return match ? parseInt(match[1], 16) / 255 : 0;
}

function textInk(node: XmlNode, dx: number, dy: number, scale: number): Ink[] {
	const style = node.attributes.style ?? '';
	const music = /font-size:\s*([\d.]+)%/.exec(style);
	const [x, y] = [dx + number(node, 'x'), dy + number(node, 'y')];
	const anchor = node.attributes['text-anchor'] ?? 'start';
	if (music || !/font:/.test(style)) {
		const size = MUSIC_SIZE * (music ? Number(music[1]) / 100 : scale);
		const wide = anchor === 'start' ? 0 : widthOf(node.text, 'score', size);
		const start = x - (anchor === 'middle' ? wide / 2 : wide);
		return [{ kind: 'text', x: start, y, text: node.text, font: 'score', size }];
	}
	const size = Number(/(?<![\d.])([\d.]+)px/.exec(style)?.[1] ?? 8);
	// A bar number of one point is the engraver's own; the page has its numbers elsewhere.
	if (size < 2 || node.text === '') return [];
	const face: Face = /bold/.test(style) ? 'tab' : 'text';
	const drop = /hanging/.test(style) ? 0.74 : /middle/.test(style) ? 0.34 : 0;
	const wide = widthOf(node.text, face, size);
	const start = anchor === 'middle' ? x - wide / 2 : anchor === 'end' ? x - wide : x;
	const fill = shadeOf(node.attributes.fill);
	return [{ kind: 'text', x: start, y: y + drop * size, text: node.text, font: face, size, fill }];
}

/** The marks of the engraver's drawing. */
function inkOf(node: XmlNode, scale: number, dx = 0, dy = 0): Ink[] {
	const move = /translate\(([-\d.e]+)[ ,]+([-\d.e]+)\)/.exec(node.attributes.transform ?? '');
	const x = dx + Number(move?.[1] ?? 0);
	const y = dy + Number(move?.[2] ?? 0);
	if (node.name === 'text') return textInk(node, x, y, scale);
	if (node.name === 'rect') {
		const [w, h] = [number(node, 'width'), number(node, 'height')];
		const d = `M0,0h${w}v${h}h${-w}Z`;
		return [
			{
				kind: 'path',
				d,
				x: x + number(node, 'x'),
				y: y + number(node, 'y'),
				fill: shadeOf(node.attributes.fill)
			}
		];
	}
	if (node.name === 'path') {
		const { d = '', fill, stroke, style = '' } = node.attributes;
		const drawn = stroke ?? /stroke:\s*(#[\da-f]+)/i.exec(style)?.[1];
		const filled = fill ?? /fill:\s*(#[\da-f]+|none)/i.exec(style)?.[1];
		const width =
			number(node, 'stroke-width') || Number(/stroke-width:\s*([\d.]+)/.exec(style)?.[1] ?? scale);
		return [
			{
				...{ kind: 'path', d, x, y },
				...(drawn && drawn !== 'none' ? { stroke: shadeOf(drawn), width } : {}),
				...(filled === 'none' || (drawn && !filled) ? {} : { fill: shadeOf(filled) })
			}
		];
	}
	return node.children.flatMap((child) => inkOf(child, scale, x, y));
}

/**
 * Engraves bars as standard notation with tab under it, row by row.
 * @param width of a row, in points
 */
export function engraveRows(
	chart: Chart,
	instrument: Instrument,
	notes: readonly EngravedNote[],
	bars: readonly PlayedBar[],
	{ width, scale, barsPerRow }: { width: number; scale: number; barsPerRow: number }
): EngravedRow[] {
	// Fingers follow from the place; beside small heads they would be in the way.
	const staves = { title: '', staves: 'both', fingers: false } as const;
	const tex = writeAlphaTex(chart, instrument, notes, staves, bars);
	const settings = settingsFor(scale, barsPerRow);
	const score = alphaTab.importer.ScoreLoader.loadAlphaTex(tex, settings);
	const renderer = new alphaTab.rendering.ScoreRenderer(settings);
	renderer.width = width;
	const parts: alphaTab.rendering.RenderFinishedEventArgs[] = [];
	let failure: Error | null = null;
	renderer.partialRenderFinished.on((part) => parts.push(part));
	renderer.error.on((error) => (failure = error));
	renderer.renderScore(score, [0]);
	if (failure) throw failure as Error;
	const lookup = renderer.boundsLookup;
	return parts.flatMap((part): EngravedRow[] => {
		const from = part.firstMasterBarIndex;
		if (from < 0) return [];
		const node = parseXml(String(part.renderResult));
		if ('error' in node) throw new Error(node.error);
		const engraved: EngravedBar[] = [];
		for (let i = from; i <= part.lastMasterBarIndex; i++) {
			const found = lookup?.findMasterBarByIndex(i);
			const bar = bars[i];
			if (!found || !bar) continue;
			const { x, w } = found.visualBounds;
			const beats = (found.bars[0]?.beats ?? []).map((entry) => ({
				// It counts twice as many ticks to the quarter.
				tick: bar.startTick + Math.round(entry.beat.playbackStart / 2),
				x: entry.onNotesX
			}));
			engraved.push({ index: bar.index, x, width: w, beats });
		}
		return [
			{ ink: moved(inkOf(node.value, scale), part.x, 0), height: part.height, bars: engraved }
		];
	});
}
