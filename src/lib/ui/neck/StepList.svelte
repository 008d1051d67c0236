<script lang="ts">
	import { signs, type Chord } from '$core/chord';
	import { RadioGroup } from 'bits-ui';
	import ChordSymbol from '../ChordSymbol.svelte';
	import type { Tense } from './figures';

	/** Rows to step through for one or two chords; the chosen one stands out on the neck. */
	type Row = {
		readonly key: string;
		readonly tense: Tense;
		readonly chord: Chord;
		/** What the row says, piece by piece; the first is heavy. */
		readonly parts: readonly string[];
		readonly verdict?: string;
	};
	type Props = {
		rows: readonly Row[];
		name: string;
		value: string;
		empty: string;
		onpick: (key: string) => void;
	};
	let { rows, name, value, empty, onpick }: Props = $props();
	const groups = $derived(
		(['now', 'next'] as const).flatMap((tense) => {
			const own = rows.filter((row) => row.tense === tense);
			return own.length > 0 ? [{ tense, chord: own[0].chord, own }] : [];
		})
	);
</script>

{#if rows.length === 0}<p class="empty">{empty}</p>{/if}
<div class="groups">
	{#each groups as { tense, chord, own } (tense)}
		<div class="group {tense}">
			<p class="over">over <span><ChordSymbol {chord} /></span></p>
			<RadioGroup.Root
				value={own.some((row) => row.key === value) ? value : ''}
				onValueChange={onpick}
				aria-label="{name} over {signs(chord.symbol)}, {tense}"
				class="step-rows"
			>
				{#each own as row (row.key)}
					<RadioGroup.Item
						value={row.key}
						class="step-row"
						onclick={(event) => {
							if (value !== row.key) return;
							event.preventDefault();
							onpick('');
						}}
					>
						{#each row.parts as part, i (i)}<span class:heavy={i === 0}>{part}</span>{/each}
						{#if row.verdict}<span class="verdict {row.verdict}">{row.verdict}</span>{/if}
					</RadioGroup.Item>
				{/each}
			</RadioGroup.Root>
		</div>
	{/each}
</div>

<style>
	.groups {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(100%, 300px), 1fr));
		gap: 8px 16px;
	}
	.over {
		font-size: 13px;
		color: var(--second);
		padding: 4px 0 2px;
	}
	.over span {
		font-size: 17px;
	}
	.now .over span {
		color: var(--now-ink);
	}
	.next .over span {
		color: var(--next-ink);
	}
	:global(.step-rows) {
		max-height: max(124px, calc(100dvh - 650px));
		overflow-y: auto;
		scrollbar-width: thin;
		scrollbar-color: var(--strong) transparent;
		border-top: 1px solid var(--hair);
		padding: 2px;
	}
	:global(.step-row) {
		display: flex;
		align-items: baseline;
		gap: 10px;
		width: 100%;
		min-height: 26px;
		padding: 2px 6px;
		text-align: left;
		font-size: 14px;
		white-space: nowrap;
		flex-wrap: wrap;
		row-gap: 0;
	}
	:global(.step-row:hover) {
		background: var(--lit);
	}
	:global(.step-row[data-state='checked']) {
		background: var(--ink);
		color: var(--paper);
	}
	.heavy {
		font-weight: 700;
		min-width: 84px;
	}
	.verdict {
		margin-left: auto;
		font-size: 13px;
	}
	.clash {
		text-decoration: underline dotted 2px;
		text-underline-offset: 3px;
	}
	.empty {
		padding: 12px 0;
		color: var(--second);
	}
	@media (max-width: 1099px) {
		:global(.step-rows) {
			max-height: none;
		}
		:global(.step-row) {
			min-height: 34px;
		}
	}
</style>
