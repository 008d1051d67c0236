<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import { onMount } from 'svelte';
	import type { EditorView } from '@codemirror/view';
	import type { Span } from '$core/chart';
	import { dropLetters, takeLetters } from '$lib/state/first-letters';
	import type { Reading } from './marks';

	type Props = {
		text: string;
		reading: Reading;
		/** No chord stands there yet: the cursor does. */
		fresh: boolean;
		/** `moved` where the cursor went there by itself, not by typing. */
		oncursor: (line: number, column: number, moved: boolean) => void;
		onsave: () => void;
		onleave: () => void;
	};
	let { text = $bindable(), reading, fresh, oncursor, onsave, onleave }: Props = $props();

	let host: HTMLDivElement;
	let view: EditorView | undefined = $state.raw();
	let modules: { setup: typeof import('./setup'); marks: typeof import('./marks') } | undefined;

	onMount(() => {
		let gone = false;
		void Promise.all([fetched(() => import('./setup')), fetched(() => import('./marks'))]).then(
			([setup, marks]) => {
				if (gone) return;
				modules = { setup, marks };
				const extensions = setup.editorExtensions({
					onchange: (value) => (text = value),
					oncursor: (line, column, moved) => oncursor(line, column, moved),
					onsave: () => onsave(),
					onleave: () => onleave()
				});
				view = new setup.EditorView({
					parent: host,
					state: setup.EditorState.create({ doc: text, extensions })
				});
				// A chart without bars waits for its first chord; what was typed on the way here is in it.
				const letters = takeLetters();
				if (letters !== null || fresh) toEnd();
				for (const letter of letters ?? '') setup.typeLetter(view, letter);
			}
		);
		return () => {
			gone = true;
			dropLetters();
			view?.destroy();
		};
	});

	// Text that was set from outside (transposed, taken from the server) replaces the document in one
	// step, so that the editor's own undo leads back.
	$effect(() => {
		const wanted = text;
		if (!view || !modules || view.state.doc.toString() === wanted) return;
		modules.setup.replaceText(view, wanted);
	});
	$effect(() => {
		if (view && modules) view.dispatch({ effects: modules.marks.setReading.of(reading) });
	});

	/** Puts the cursor behind a span and the focus into the text. */
	export function goTo(span: Span, focus = true): void {
		if (!view || !modules) return;
		const range = modules.marks.spanRange(view.state, span);
		if (!range) return;
		view.dispatch({ selection: { anchor: range.to }, scrollIntoView: true });
		if (focus) view.focus();
	}

	/** Writes something in place of a span, as if it were typed; the focus stays where it is. */
	export function write(span: Span, insert: string): void {
		if (!view || !modules) return;
		const range = modules.marks.spanRange(view.state, span);
		if (!range) return;
		view.dispatch({
			changes: { ...range, insert },
			selection: { anchor: range.from + insert.length },
			userEvent: 'input.chord'
		});
	}

	export function toProblem(): void {
		if (view && modules) modules.setup.nextProblem(view);
	}

	/** The editor's own undo, for edits made from outside the text too. */
	export function undo(): void {
		if (view && modules) modules.setup.undo(view);
	}
	export function redo(): void {
		if (view && modules) modules.setup.redo(view);
	}

	export function focus(): void {
		view?.focus();
	}

	/** The focus to the end of the text. */
	export function toEnd(): void {
		if (!view) return;
		view.dispatch({ selection: { anchor: view.state.doc.length }, scrollIntoView: true });
		view.focus();
	}
</script>

<p id="chart-editor-help" class="sr-only">
	Tab takes a suggestion where there is one and else leaves the text. F6 goes to the bars, F8 to the
	next problem, Escape out of the text.
</p>
<div class="editor" bind:this={host}>
	{#if !view}
		<textarea
			class="min-h-75 w-full bg-transparent py-2 pl-7.5 font-mono text-line leading-6"
			bind:value={text}
			aria-label="Chart text"
			spellcheck="false"
			rows="14"></textarea>
	{/if}
</div>

<style>
	/* The editor makes its own elements; it is dressed from outside. */
	.editor :global(.cm-editor) {
		outline: none;
		max-height: 62vh;
	}
	.editor :global(.cm-editor.cm-focused) {
		outline: none;
	}
	.editor :global(.cm-scroller) {
		font-family: var(--font-mono);
		font-weight: 500;
		font-size: var(--text-line);
		line-height: 24px;
		overflow: auto;
	}
	.editor :global(.cm-content) {
		padding: 8px 0;
		caret-color: var(--ink);
	}
	.editor :global(.cm-cursor) {
		border-left: 2.5px solid var(--ink);
	}
	.editor :global(.cm-selectionBackground),
	.editor :global(.cm-focused .cm-selectionBackground) {
		background: var(--density-1) !important;
	}
	.editor :global(.cm-gutters) {
		background: none;
		border: 0;
		color: var(--third);
		font-size: var(--text-count);
	}
	.editor :global(.cm-gutterElement) {
		padding: 0 12px 0 0 !important;
		min-width: 18px !important;
		text-align: left !important;
	}
	.editor :global(.cm-activeLineGutter) {
		background: none;
		color: var(--ink);
		font-weight: 700;
	}
	.editor :global(.cm-activeLine) {
		background: none;
	}
	.editor :global(.cm-focused .cm-activeLine),
	.editor :global(.cm-focused .cm-activeLineGutter) {
		background: var(--lit);
	}
	.editor :global(.cm-header),
	.editor :global(.cm-bar),
	.editor :global(.cm-comment) {
		color: var(--third);
	}
	.editor :global(.cm-section) {
		font-weight: 700;
	}
	.editor :global(.cm-now) {
		background: var(--now-tint);
		border-bottom: 3px solid var(--now);
	}
	.editor :global(.cm-next) {
		background: var(--next-tint);
		border-bottom: 3px solid var(--next);
	}
	.editor :global(.cm-unread) {
		text-decoration: underline wavy 2px var(--ink);
		text-underline-offset: 5px;
	}
	.editor :global(.cm-doubt) {
		text-decoration: underline dotted 2px var(--ink);
		text-underline-offset: 5px;
	}
	.editor :global(.cm-message) {
		display: grid;
		gap: 3px;
		justify-items: start;
		/* The editor measures this block: padding, never margins. */
		padding: 6px 0 10px 14px;
		background: linear-gradient(var(--ink), var(--ink)) no-repeat 0 6px / 4px calc(100% - 16px);
		font-family: var(--font-sans);
		font-size: var(--text-reason);
		line-height: 1.35;
		color: var(--second);
	}
	.editor :global(.cm-message-warning) {
		background-image: linear-gradient(var(--strong), var(--strong));
	}
	.editor :global(.cm-message strong) {
		font-size: var(--text-line);
		color: var(--ink);
	}
	.editor :global(.cm-message button) {
		font-weight: 700;
		font-size: var(--text-line);
		color: var(--ink);
		padding: 3px 0;
	}
	.editor :global(.cm-message code) {
		font-family: var(--font-mono);
	}
	.editor :global(.cm-message kbd) {
		margin-left: 8px;
		font-family: var(--font-mono);
		font-size: var(--text-count);
		border: 1px solid currentColor;
		border-radius: 3px;
		padding: 1px 6px;
	}
	:global(.cm-tooltip.cm-tooltip-autocomplete) {
		background: var(--lit);
		border: 2px solid var(--ink);
		border-radius: 0;
	}
	:global(.cm-tooltip-autocomplete ul) {
		font-family: var(--font-mono) !important;
		font-size: var(--text-line);
	}
	:global(.cm-tooltip-autocomplete ul li[aria-selected]) {
		background: var(--ink) !important;
		color: var(--paper) !important;
	}
</style>
