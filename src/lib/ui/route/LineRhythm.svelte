<script lang="ts">
	import Select from '$lib/ui/parts/Select.svelte';
	import { field } from '$lib/ui/parts/field';
	import { CELLS, placesInBar, readCell } from '$core/route';
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import Choice from '$lib/ui/parts/Choice.svelte';
	import { cellWords } from './line-words';

	/** When the notes between come: the cell of a bar, and how many bars are played and left to others. */
	let { plan, sections }: { plan: RoutePlan; sections: readonly string[] } = $props();
	const open = useTune();
	const line = $derived(plan.wishes.line);
	const uid = $props.id();

	const cells = CELLS.map(({ id, name, says }) => ({ value: id, name, says }));
	const places = $derived(line.grid === 'targets' ? 8 : placesInBar(open.chart, line.grid));
	const written = $derived(CELLS.some((cell) => cell.id === line.cell) ? '' : line.cell);
	let wrong = $state('');
	/** A cell written by hand; an unreadable one is told and changes nothing. */
	function write(text: string): void {
		if (text.trim() === '') return;
		const read = readCell(text.trim(), places);
		wrong = 'error' in read ? read.error : '';
		if ('value' in read) plan.setLine({ cell: text.trim() });
	}
	const cellOf = (section: string) =>
		line.cells.find((entry) => entry.section === section)?.cell ?? '';
	function setCell(section: string, cell: string): void {
		const rest = line.cells.filter((entry) => entry.section !== section);
		plan.setLine({ cells: cell === '' ? rest : [...rest, { section, cell }] });
	}
	/** Call and answer: bars played, bars of air, as one value. */
	const TALKS = [
		{ value: '1+0', name: 'Play on' },
		{ value: '1+1', name: '1, then 1 of air' },
		{ value: '2+2', name: '2, then 2' },
		{ value: '3+1', name: '3, then 1' }
	] as const;
	const talkOf = (section: string | null) => {
		const talk = line.talk.find((entry) => entry.section === section);
		return talk ? `${talk.play}+${talk.air}` : '';
	};
	function setTalk(section: string | null, value: string): void {
		const rest = line.talk.filter((entry) => entry.section !== section);
		const [play, air] = value.split('+').map(Number);
		const plain = value === '' || (section === null && air === 0);
		plan.setLine({ talk: plain ? rest : [...rest, { section, play, air }] });
	}

	const look = field();
	const AS_ABOVE = { value: '', name: 'as above' };
	const CELL_OPTIONS = [
		AS_ABOVE,
		...CELLS.map(({ id }) => ({ value: id as string, name: cellWords(id) }))
	];
	const TALK_OPTIONS = [
		AS_ABOVE,
		...TALKS.map(({ value, name }) => ({ value: value as string, name }))
	];
</script>

<Choice
	label="Rhythm"
	options={cells}
	value={line.cell}
	onchange={(cell: string) => plan.setLine({ cell })}
	list
/>
<label class={look.label()}
	>Or one bar of your own: x plays, - holds, . rests
	<input
		class={look.control({ class: 'font-mono font-bold tracking-[0.1em]' })}
		value={written}
		placeholder={'x-xx'.repeat(Math.ceil(places / 4)).slice(0, places)}
		spellcheck="false"
		autocomplete="off"
		aria-invalid={wrong !== ''}
		aria-describedby="{uid}-wrong"
		onchange={(event) => write(event.currentTarget.value)}
	/></label
>
<p id="{uid}-wrong" class="text-reason font-bold empty:hidden" role="alert">{wrong}</p>
{#if sections.length > 1}
	<div class="grid gap-1" role="group" aria-label="Rhythm of each section">
		{#each sections as section (section)}
			<Select
				label={section}
				row
				options={CELL_OPTIONS}
				value={cellOf(section)}
				onchange={(cell) => setCell(section, cell)}
			/>
		{/each}
	</div>
{/if}
<Choice
	label="Call and answer, in bars"
	options={TALKS}
	value={(talkOf(null) || '1+0') as '1+0'}
	onchange={(value) => setTalk(null, value)}
/>
{#if sections.length > 1}
	<div class="grid gap-1" role="group" aria-label="Call and answer of each section">
		{#each sections as section (section)}
			<Select
				label={section}
				row
				options={TALK_OPTIONS}
				value={talkOf(section)}
				onchange={(talk) => setTalk(section, talk)}
			/>
		{/each}
	</div>
{/if}
