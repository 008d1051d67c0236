import { StateEffect, StateField, type EditorState, type Range } from '@codemirror/state';
import { Decoration, EditorView, WidgetType, type DecorationSet } from '@codemirror/view';
import type { Diagnostic, Span } from '$core/chart';

/** What the chart says about its text: problems, and the chords that are now and next. */
export type Reading = {
	readonly diagnostics: readonly Diagnostic[];
	readonly now: Span | null;
	readonly next: Span | null;
};

/** Places of a span in the document, clipped to its line. */
export function spanRange(state: EditorState, span: Span): { from: number; to: number } | null {
	if (span.line > state.doc.lines) return null;
	const line = state.doc.line(span.line);
	const from = Math.min(line.to, line.from + span.column - 1);
	return { from, to: Math.min(line.to, from + span.length) };
}

/** The message under a line that does not read, with a button that takes the suggestion. */
class Message extends WidgetType {
	constructor(readonly diagnostic: Diagnostic) {
		super();
	}

	override eq(other: Message): boolean {
		return JSON.stringify(other.diagnostic) === JSON.stringify(this.diagnostic);
	}

	override toDOM(view: EditorView): HTMLElement {
		const { message, line, column, severity, suggestion } = this.diagnostic;
		const box = document.createElement('div');
		box.className = `cm-message cm-message-${severity}`;
		const said = document.createElement('strong');
		said.textContent = message;
		const where = document.createElement('span');
		where.textContent = `Line ${line}, column ${column}. ${severity === 'error' ? 'The bar keeps its place, nothing else is lost.' : ''}`;
		box.append(said, where);
		if (suggestion !== null) {
			const button = document.createElement('button');
			button.type = 'button';
			button.append(
				'Use ',
				Object.assign(document.createElement('code'), { textContent: suggestion })
			);
			const key = Object.assign(document.createElement('kbd'), { textContent: 'Tab' });
			button.append(key);
			button.addEventListener('click', () => takeSuggestion(view, this.diagnostic));
			box.append(button);
		}
		return box;
	}

	override ignoreEvent(): boolean {
		return true;
	}
}

/** Replaces what does not read by the suggestion. */
export function takeSuggestion(view: EditorView, diagnostic: Diagnostic): boolean {
	const range = spanRange(view.state, diagnostic);
	if (!range || diagnostic.suggestion === null) return false;
	view.dispatch({
		changes: { ...range, insert: diagnostic.suggestion },
		selection: { anchor: range.from + diagnostic.suggestion.length },
		userEvent: 'input.suggestion'
	});
	view.focus();
	return true;
}

const MOST_MESSAGES = 6;

function decorate(state: EditorState, reading: Reading): DecorationSet {
	const ranges: Range<Decoration>[] = [];
	const mark = (span: Span | null, name: string) => {
		const range = span && spanRange(state, span);
		if (range && range.to > range.from)
			ranges.push(Decoration.mark({ class: name }).range(range.from, range.to));
	};
	mark(reading.now, 'cm-now');
	mark(reading.next, 'cm-next');
	const told = new Set<number>();
	for (const diagnostic of reading.diagnostics) {
		if (diagnostic.severity === 'info') continue;
		mark(diagnostic, diagnostic.severity === 'error' ? 'cm-unread' : 'cm-doubt');
		if (told.has(diagnostic.line) || told.size >= MOST_MESSAGES) continue;
		if (diagnostic.line > state.doc.lines) continue;
		told.add(diagnostic.line);
		const end = state.doc.line(diagnostic.line).to;
		ranges.push(
			Decoration.widget({ widget: new Message(diagnostic), block: true, side: 1 }).range(end)
		);
	}
	return Decoration.set(ranges, true);
}

/** Tells the editor what the chart says about its text. */
export const setReading = StateEffect.define<Reading>();

type Read = { readonly reading: Reading; readonly decorations: DecorationSet };

/** The reading in the editor's state; until the next one its marks move with the text. */
export const readingField = StateField.define<Read>({
	create: () => ({
		reading: { diagnostics: [], now: null, next: null },
		decorations: Decoration.none
	}),
	update(value, transaction) {
		for (const effect of transaction.effects) {
			if (effect.is(setReading)) {
				return { reading: effect.value, decorations: decorate(transaction.state, effect.value) };
			}
		}
		if (!transaction.docChanged) return value;
		return { ...value, decorations: value.decorations.map(transaction.changes) };
	},
	provide: (field) => EditorView.decorations.from(field, (value) => value.decorations)
});
