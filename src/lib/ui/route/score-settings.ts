import {
	FingeringMode,
	FontFileFormat,
	LayoutMode,
	model,
	PlayerMode,
	Settings
} from '@coderline/alphatab';
import bravura from '@coderline/alphatab/font/Bravura.woff2?url';
import { LEFT_OUT } from '$lib/draw/left-out';

/** Room over each row for the chord symbols, in px. */
export const CHORD_ROOM = 26;

const TEXT = 'Accidentals, Atkinson Hyperlegible Next Variable';

/** Takes the colours of the theme; call again when it changes. */
export function takeColours(settings: Settings, host: Element): void {
	const style = getComputedStyle(host);
	const colour = (name: string) => model.Color.fromJson(style.getPropertyValue(name).trim());
	const [ink, second, line] = [colour('--ink'), colour('--second'), colour('--strong')];
	if (!ink || !second || !line) return;
	const { resources } = settings.display;
	resources.mainGlyphColor = resources.scoreInfoColor = resources.barSeparatorColor = ink;
	resources.secondaryGlyphColor = resources.barNumberColor = second;
	resources.staffLineColor = line;
}

/** Settings of the engraver: drawn in the page, nothing fetched but its music font, nothing played. */
export function scoreSettings(host: Element, width: number): Settings {
	const settings = new Settings();
	const { core, display, notation, player } = settings;
	core.engine = 'svg';
	core.useWorkers = false;
	core.enableLazyLoading = false;
	core.fontDirectory = null;
	core.smuflFontSources = new Map([[FontFileFormat.Woff2, bravura]]);
	player.playerMode = PlayerMode.Disabled;
	display.layoutMode = LayoutMode.Page;
	display.barsPerRow = width < 560 ? 1 : width < 760 ? 2 : 3;
	display.padding = [4, 4, 8, 4];
	display.firstSystemPaddingTop = display.systemPaddingTop = CHORD_ROOM;
	for (const element of LEFT_OUT) notation.elements.set(element, false);
	// Over the staff, where no head and no accidental is.
	notation.fingeringMode = FingeringMode.SingleNoteEffectBand;
	const { resources } = display;
	resources.effectFont = new model.Font(TEXT, 14, model.FontStyle.Plain, model.FontWeight.Bold);
	resources.tablatureFont = new model.Font(TEXT, 15, model.FontStyle.Plain, model.FontWeight.Bold);
	resources.barNumberFont = new model.Font(TEXT, 12);
	takeColours(settings, host);
	return settings;
}
