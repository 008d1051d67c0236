import {
	autocompletion,
	closeCompletion,
	completionStatus,
	type CompletionContext,
	type CompletionResult
} from '@codemirror/autocomplete';
import {
	defaultKeymap,
	history,
	historyKeymap,
	isolateHistory,
	redo,
	undo
} from '@codemirror/commands';
import { EditorState, Prec, type Extension } from '@codemirror/state';
import {
	Decoration,
	drawSelection,
	EditorView,
	highlightActiveLine,
	highlightActiveLineGutter,
	keymap,
	lineNumbers,
	MatchDecorator,
	ViewPlugin,
	type DecorationSet,
	type ViewUpdate
} from '@codemirror/view';
import { completions } from '$core/chord';
import { readingField, spanRange, takeSuggestion } from './marks';

const matcher = new MatchDecorator({
	regexp: /(^[ \t]*[A-Za-z][\w -]*:(?!\|))|((?<!\/)\/\/.*)|(\[[^[\]]*\])|((?<![:|]):?\|[\]:|]*)/g,
	decoration: (match) =>
		Decoration.mark({
			class: match[1] ? 'cm-header' : match[2] ? 'cm-comment' : match[3] ? 'cm-section' : 'cm-bar'
		})
});

const highlighting = ViewPlugin.fromClass(
	class {
		decorations: DecorationSet;
		constructor(view: EditorView) {
			this.decorations = matcher.createDeco(view);
		}
		update(update: ViewUpdate): void {
			this.decorations = matcher.updateDeco(update, this.decorations);
		}
	},
	{ decorations: (plugin) => plugin.decorations }
);

function completeChord(context: CompletionContext): CompletionResult | null {
	const word = context.matchBefore(/[A-G][^\s|[\]{}%]{0,40}/);
	const line = context.state.doc.lineAt(context.pos);
	if (!word || !line.text.slice(0, context.pos - line.from).includes('|')) return null;
	if (word.text.length < 2 && !context.explicit) return null;
	return {
		from: word.from,
		options: completions(word.text).map((label) => ({ label })),
		validFor: /^[^\s|]*$/
	};
}

/** A chord that begins a line begins its first bar. */
function opensBar(state: EditorState, at: number, letter: string): boolean {
	return /^[A-G]$/.test(letter) && state.doc.lineAt(at).text.trim() === '';
}

const barOpener = EditorView.inputHandler.of((view, from, to, text) => {
	if (from !== to || !opensBar(view.state, from, text)) return false;
	view.dispatch(view.state.replaceSelection(`| ${text}`), { userEvent: 'input.type' });
	return true;
});

/** Types a letter at the cursor, as the keyboard would. */
export function typeLetter(view: EditorView, letter: string): void {
	const { head } = view.state.selection.main;
	const text = opensBar(view.state, head, letter) ? `| ${letter}` : letter;
	view.dispatch(view.state.replaceSelection(text), { userEvent: 'input.type' });
}

/** Escape closes what is suggested, and else leaves the text. */
function leaveText(view: EditorView): boolean {
	const { head } = view.state.selection.main;
	const before = view.state.sliceDoc(0, head);
	// What was suggested for a chord that is finished is on its way out by itself.
	if (completionStatus(view.state) === 'active' && /[^\s|]$/.test(before)) return false;
	closeCompletion(view);
	view.contentDOM.blur();
	return true;
}

/** The problem at the cursor's line that has a suggestion. */
function suggestionHere(view: EditorView) {
	const { head } = view.state.selection.main;
	const line = view.state.doc.lineAt(head).number;
	const here = view.state
		.field(readingField)
		.reading.diagnostics.filter((entry) => entry.line === line && entry.suggestion !== null);
	return (
		here.find((entry) => {
			const range = spanRange(view.state, entry);
			return range && head >= range.from && head <= range.to;
		}) ?? here[0]
	);
}

function nextProblem(view: EditorView): boolean {
	const { diagnostics } = view.state.field(readingField).reading;
	const { head } = view.state.selection.main;
	const starts = diagnostics
		.filter((entry) => entry.severity !== 'info')
		.flatMap((entry) => spanRange(view.state, entry)?.from ?? [])
		.sort((a, b) => a - b);
	const found = starts.find((from) => from > head) ?? starts[0];
	if (found === undefined) return false;
	view.dispatch({ selection: { anchor: found }, scrollIntoView: true });
	view.focus();
	return true;
}

type Callbacks = {
	readonly onchange: (text: string) => void;
	readonly oncursor: (line: number, column: number, moved: boolean) => void;
	readonly onsave: () => void;
	readonly onleave: () => void;
};

/** Everything that the chart editor is made of. Tab takes a suggestion where there is one, else it leaves. */
export function editorExtensions({ onchange, oncursor, onsave, onleave }: Callbacks): Extension {
	return [
		lineNumbers(),
		history(),
		drawSelection(),
		highlightActiveLine(),
		highlightActiveLineGutter(),
		highlighting,
		barOpener,
		readingField,
		// Before the completion's own Escape.
		Prec.highest(keymap.of([{ key: 'Escape', run: leaveText }])),
		autocompletion({ override: [completeChord], icons: false, activateOnTypingDelay: 150 }),
		EditorView.lineWrapping,
		EditorState.tabSize.of(2),
		EditorView.contentAttributes.of({
			'aria-label': 'Chart text',
			'aria-describedby': 'chart-editor-help',
			spellcheck: 'false',
			autocapitalize: 'off'
		}),
		keymap.of([
			{
				key: 'Tab',
				run: (view) => {
					const diagnostic = suggestionHere(view);
					return diagnostic ? takeSuggestion(view, diagnostic) : false;
				}
			},
			{ key: 'F8', run: nextProblem },
			{ key: 'F6', run: () => (onleave(), true) },
			{ key: 'Mod-s', run: () => (onsave(), true), preventDefault: true },
			...defaultKeymap,
			...historyKeymap
		]),
		EditorView.updateListener.of((update) => {
			if (update.docChanged) onchange(update.state.doc.toString());
			if (update.docChanged || update.selectionSet) {
				const { head } = update.state.selection.main;
				const line = update.state.doc.lineAt(head);
				oncursor(line.number, head - line.from + 1, !update.docChanged);
			}
		})
	];
}

/** Replaces the whole text as one step of its own, so that one undo leads back. */
function replaceText(view: EditorView, text: string): void {
	view.dispatch({
		changes: { from: 0, to: view.state.doc.length, insert: text },
		annotations: isolateHistory.of('full')
	});
}

export { EditorState, EditorView, nextProblem, redo, replaceText, undo };
