<script lang="ts">
	import Select from '$lib/ui/parts/Select.svelte';
	import { proseSigns } from '$core/chord';
	import type { Log, LogFilter } from '$lib/api/log-page';

	/** Which takes are shown: of a tune, in a place, in a key. */
	type Props = {
		choices: Log['choices'];
		filter: LogFilter;
		onset: (change: Partial<LogFilter>) => void;
	};
	let { choices, filter, onset }: Props = $props();
	let first: { focus: () => void } | undefined = $state();
	export function focus(): void {
		first?.focus();
	}
	const tunes = $derived([
		{ value: '', name: 'All tunes' },
		...choices.tunes.map((one) => ({ value: one.id, name: one.title }))
	]);
	const places = $derived([
		{ value: '', name: 'All places' },
		...choices.places.map((one) => ({ value: String(one), name: `Position ${one}` }))
	]);
	const keys = $derived([
		{ value: '', name: 'All keys' },
		...choices.keys.map((one) => ({ value: one, name: proseSigns(one) }))
	]);
</script>

<span class="ml-auto flex gap-2 max-tablet:ml-0 max-tablet:flex-wrap">
	<Select
		bind:this={first}
		label="Tune"
		finds
		unlabelled
		row
		small
		options={tunes}
		value={filter.tune ?? ''}
		onchange={(tune) => onset({ tune: tune || null })}
	/>
	<Select
		label="Place"
		unlabelled
		row
		small
		options={places}
		value={String(filter.place ?? '')}
		onchange={(place) => onset({ place: Number(place) || null })}
	/>
	<Select
		label="Key"
		unlabelled
		row
		small
		options={keys}
		value={filter.key ?? ''}
		onchange={(key) => onset({ key: key || null })}
	/>
</span>
