<script lang="ts">
	import { clamp } from '$core/kernel';
	import { withHome } from '$lib/words/words';
	import {
		CELLS,
		GRIDS,
		placesInBar,
		readCell,
		SCALE_PLANS,
		type Grid,
		type ScalePlan,
		type Style
	} from '$core/route';
	import { lastPosition } from '$core/neck';
	import { prefs } from '$lib/state/prefs.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { RoutePlan } from '$lib/state/route-plan.svelte';
	import { STYLE_NAMES } from '$lib/words/styles';
	import { onMount } from 'svelte';
	import Choice from '../Choice.svelte';
	import KeyCap from '../KeyCap.svelte';
	import SlideChoice from '../SlideChoice.svelte';
	import { cellWords, GRID_WORDS, SCALE_PLAN_WORDS } from './line-words';

	/** How the route is made: what it lands on, and how the way between is filled. */
	let { plan, onclose }: { plan: RoutePlan; onclose: () => void } = $props();
	const open = useTune();
	const line = $derived(plan.wishes.line);
	const filled = $derived(line.grid !== 'targets');
	const uid = $props.id();
	let close: HTMLButtonElement;
	onMount(() => close.focus());

	function setAlternate(degree: 'four' | 'five', value: string): void {
		const wanted = value === 'major' || value === 'minor' ? value : null;
		plan.setLine({ alternate: { ...line.alternate, [degree]: wanted } });
	}
	const styles = $derived(
		Object.entries(STYLE_NAMES).map(([value, { name, says }]) => ({
			...{ value: value as Style, name, says: withHome(says, open.key) }
		}))
	);
	const grids = GRIDS.map((value) => ({ value, name: GRID_WORDS[value] }));
	const scales = $derived(
		SCALE_PLANS.map((value) => {
			const { name, says } = SCALE_PLAN_WORDS[value];
			return { value, name, says: withHome(says, open.key) };
		})
	);
	const cells = CELLS.map(({ id, name, says }) => ({ value: id, name, says }));
	const directions = [
		{ value: 'free', name: 'Either way' },
		{ value: 'up', name: 'Rising' },
		{ value: 'down', name: 'Falling' }
	] as const;
	const pickings = [
		{ value: 'none', name: 'Not shown' },
		{ value: 'alternate', name: 'Alternate' },
		{ value: 'economy', name: 'Economy' }
	] as const;
	const hands = [
		{ value: 'rests', name: 'One place' },
		{ value: 'block', name: 'With the root' },
		{ value: 'stay', name: 'Seldom' },
		{ value: 'climb', name: 'Climb' },
		{ value: 'descend', name: 'Descend' }
	] as const;
	type Hand = (typeof hands)[number]['value'];

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
	const sections = $derived([
		...new Set(open.chart.played.flatMap((bar) => (bar.section ? [bar.section] : [])))
	]);
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
	const placeOf = (section: string) =>
		line.places.find((entry) => entry.section === section)?.position ?? null;
	function setPlace(section: string, wanted: number): void {
		const last = lastPosition(open.held);
		const position = clamp(Math.round(wanted), 1, last);
		plan.setPlace(section, Number.isNaN(wanted) ? null : position);
	}
	function setHand(hand: Hand): void {
		const roams = hand !== 'rests' && hand !== 'block';
		const roam = roams ? { frets: line.roam?.frets ?? 5, wish: hand } : null;
		plan.setHolding({ roam, block: hand === 'block' });
	}
</script>

<section aria-label="How the route is made">
	<div class="section-head">
		<h2>How it is made</h2>
		<button
			bind:this={close}
			type="button"
			class="quiet"
			onclick={onclose}
			aria-label="Back to the change">Back <KeyCap keys="W" /></button
		>
	</div>
	<Choice
		label="Land on"
		options={styles}
		value={plan.wishes.style}
		onchange={(style) => plan.setStyle(style)}
		list
	/>
	<Choice
		label="Notes between"
		options={grids}
		value={line.grid}
		onchange={(grid: Grid) => plan.setLine({ grid })}
	/>
	{#if filled}
		<Choice
			label="Rhythm"
			options={cells}
			value={line.cell}
			onchange={(cell: string) => plan.setLine({ cell })}
			list
		/>
		<label class="own"
			>Or one bar of your own: x plays, - holds, . rests
			<input
				class="field-input mono"
				value={written}
				placeholder={'x-xx'.repeat(Math.ceil(places / 4)).slice(0, places)}
				spellcheck="false"
				autocomplete="off"
				aria-invalid={wrong !== ''}
				aria-describedby="{uid}-wrong"
				onchange={(event) => write(event.currentTarget.value)}
			/></label
		>
		<p id="{uid}-wrong" class="wrong" role="alert">{wrong}</p>
		{#if sections.length > 1}
			<div class="sections">
				{#each sections as section (section)}
					<label
						>{section}
						<select
							value={cellOf(section)}
							onchange={(event) => setCell(section, event.currentTarget.value)}
						>
							<option value="">as above</option>
							{#each CELLS as cell (cell.id)}<option value={cell.id}>{cellWords(cell.id)}</option
								>{/each}
						</select></label
					>
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
			<div class="sections">
				{#each sections as section (section)}
					<label
						>{section}
						<select
							aria-label="Call and answer in {section}"
							value={talkOf(section)}
							onchange={(event) => setTalk(section, event.currentTarget.value)}
						>
							<option value="">as above</option>
							{#each TALKS as talk (talk.value)}<option value={talk.value}>{talk.name}</option
								>{/each}
						</select></label
					>
				{/each}
			</div>
		{/if}
		<Choice
			label="Notes from"
			options={scales}
			value={line.scalePlan}
			onchange={(scalePlan: ScalePlan) => plan.setLine({ scalePlan })}
			list
		/>
		{#if line.scalePlan === 'alternate'}
			<div class="sections">
				{#each ['four', 'five'] as const as degree (degree)}
					<label
						>{degree === 'four' ? 'IV' : 'V'} takes
						<select
							value={line.alternate[degree] ?? ''}
							onchange={(event) => setAlternate(degree, event.currentTarget.value)}
						>
							<option value="">whichever fits</option>
							<option value="major">major pentatonic</option>
							<option value="minor">minor pentatonic</option>
						</select></label
					>
				{/each}
			</div>
		{/if}
		{#if line.scalePlan !== 'arpeggio'}
			<label class="check"
				><input
					type="checkbox"
					checked={line.only}
					onchange={(event) => plan.setLine({ only: event.currentTarget.checked })}
				/> Only these notes, landings too</label
			>
		{/if}
		<label class="spice"
			><span>Chromatic approaches</span>
			<input
				type="range"
				min="0"
				max="1"
				step="0.1"
				value={line.spice}
				onchange={(event) => plan.setLine({ spice: event.currentTarget.valueAsNumber })}
			/>
			<output>{line.spice === 0 ? 'none' : `${Math.round(100 * line.spice)} %`}</output></label
		>
		<Choice
			label="Direction"
			options={directions}
			value={line.direction ?? 'free'}
			onchange={(direction) => plan.setLine({ direction: direction === 'free' ? null : direction })}
		/>
		<label class="check"
			><input
				type="checkbox"
				checked={line.anticipate}
				onchange={(event) => plan.setLine({ anticipate: event.currentTarget.checked })}
			/> Some landings come early and ring over</label
		>
	{/if}
	<SlideChoice value={line.slide} onchange={(slide) => plan.setHolding({ slide })} />
	<Choice
		label="The hand moves"
		options={hands}
		value={line.roam ? (line.roam.wish ?? 'stay') : line.block ? 'block' : 'rests'}
		onchange={setHand}
	/>
	{#if line.roam}
		<label class="frets"
			>Moves at most
			<input
				type="number"
				min="1"
				max="12"
				value={line.roam.frets}
				onchange={(event) => {
					const frets = Math.min(
						12,
						Math.max(1, Math.round(event.currentTarget.valueAsNumber || 5))
					);
					plan.setLine({ roam: { frets, wish: line.roam?.wish ?? 'stay' } });
				}}
			/> frets at a time</label
		>
	{:else if sections.length > 1 && !line.block}
		<div class="sections">
			<span>A place of its own for a section; empty is position {plan.wishes.position}</span>
			{#each sections as section (section)}
				<label
					>{section}
					<input
						class="place"
						type="number"
						min="1"
						max={lastPosition(open.held)}
						value={placeOf(section)}
						placeholder={String(plan.wishes.position)}
						aria-label="Position in {section}"
						onchange={(event) => setPlace(section, event.currentTarget.valueAsNumber)}
					/></label
				>
			{/each}
		</div>
	{/if}
	{#if plan.wishes.anchors.forbid.length > 0}
		<div class="out">
			<span>Left out of every landing</span>
			{#each plan.wishes.anchors.forbid as place (`${place.string}-${place.fret}`)}
				<button type="button" class="quiet" onclick={() => plan.toggleForbidden(place)}
					>string {place.string}, fret {place.fret}: take in again</button
				>
			{/each}
		</div>
	{/if}
	<Choice
		label="Strokes of the pick"
		options={pickings}
		value={prefs.current.picking}
		onchange={(picking) => prefs.set('picking', picking)}
	/>
	<label class="check"
		><input
			type="checkbox"
			checked={prefs.current.hearNotes}
			onchange={() => prefs.toggle('hearNotes')}
		/> Hear a note when it is touched</label
	>
</section>

<style>
	section {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 10px;
		padding-bottom: 16px;
	}
	.own,
	.sections {
		font-size: 13px;
		color: var(--second);
		display: grid;
		gap: 4px;
	}
	.sections label,
	.frets {
		display: flex;
		gap: 8px;
		align-items: center;
		justify-content: space-between;
		white-space: nowrap;
	}
	.frets {
		justify-content: start;
		font-size: 15px;
	}
	.place {
		width: 72px;
	}
	.out {
		display: grid;
		justify-items: start;
		gap: 4px;
		font-size: 13px;
		color: var(--second);
	}
	.frets input {
		width: 56px;
	}
	input:not([type='range'], [type='checkbox']),
	select {
		border: 1.5px solid var(--ink);
		background: var(--paper);
		color: var(--ink);
		min-height: 32px;
		padding: 0 8px;
	}
	.mono {
		font-family: var(--font-mono);
		font-weight: 700;
		letter-spacing: 0.1em;
	}
	.spice {
		display: grid;
		grid-template-columns: auto 1fr 44px;
		align-items: center;
		gap: 8px;
		font-size: 13px;
		color: var(--second);
	}
	.spice input {
		accent-color: var(--ink);
		min-width: 0;
	}
	.check {
		display: flex;
		gap: 8px;
		align-items: center;
		min-height: 28px;
	}
	.check input {
		width: 18px;
		height: 18px;
		accent-color: var(--ink);
	}
	.wrong:empty {
		display: none;
	}
</style>
