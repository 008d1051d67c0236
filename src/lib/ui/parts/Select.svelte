<script lang="ts" generics="T extends string">
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import { MediaQuery } from 'svelte/reactivity';
	import { field } from './field';
	import { selectGroups, type SelectOption } from './select';

	/** One of a list. Where fingers point it is the device's own list, which is larger and scrolls there. */
	type Props = {
		/** The words over it, or in a row before it. */
		label: string;
		options: readonly SelectOption<T>[];
		value: T;
		onchange?: (value: T) => void;
		row?: boolean;
		small?: boolean;
		/** The words are only read out. */
		unlabelled?: boolean;
		/** What stands there while nothing of the list is chosen. */
		placeholder?: string;
		disabled?: boolean;
		class?: string;
	};
	let {
		label,
		options,
		value = $bindable(),
		onchange,
		row = false,
		small = false,
		unlabelled = false,
		placeholder = '',
		disabled = false,
		class: extra = ''
	}: Props = $props();

	const id = $props.id();
	const touch = new MediaQuery('(pointer: coarse)', false);
	const look = $derived(field({ row, small, grows: true }));
	const chosen = $derived(options.find((option) => option.value === value));
	const groups = $derived(selectGroups(options));
	/** The list is fetched when it is opened for the first time. */
	let wanted = $state(false);
	let native: HTMLElement | undefined = $state();
	let closedAt: HTMLElement | undefined = $state();
	let openAt: HTMLElement | null = $state(null);
	export function focus(): void {
		(native ?? openAt ?? closedAt)?.focus();
	}
	const ahead = () => void import('./SelectList.svelte');
	const looks = $derived(
		look.control({
			class: 'flex items-center justify-between gap-2 text-left hover:bg-lit'
		})
	);
	function choose(next: string): void {
		const found = options.find((option) => option.value === next);
		if (!found || found.value === value) return;
		value = found.value;
		onchange?.(found.value);
	}
</script>

<div class="min-w-0 {unlabelled ? '' : look.label()} {extra}">
	{#if touch.current}
		<label class={unlabelled ? 'sr-only' : ''} for={id}>{label}</label>
		<select
			bind:this={native}
			{id}
			{disabled}
			class={look.control()}
			value={chosen ? value : ''}
			onchange={(event) => choose(event.currentTarget.value)}
		>
			{#if !chosen}<option value="" disabled>{placeholder}</option>{/if}
			{#each groups as group (group.name)}
				{#if group.name === ''}
					{#each group.options as option (option.value)}
						<option value={option.value}>{option.name}</option>
					{/each}
				{:else}
					<optgroup label={group.name}>
						{#each group.options as option (option.value)}
							<option value={option.value}>{option.name}</option>
						{/each}
					</optgroup>
				{/if}
			{/each}
		</select>
	{:else}
		<span id="{id}-label" class={unlabelled ? 'sr-only' : ''}>{label}</span>
		{#snippet closed()}
			<button
				bind:this={closedAt}
				type="button"
				class={looks}
				role="combobox"
				aria-haspopup="listbox"
				aria-expanded="false"
				aria-controls="{id}-value"
				aria-labelledby="{id}-label {id}-value"
				{disabled}
				onpointerenter={ahead}
				onfocus={ahead}
				onclick={() => (wanted = true)}
				onkeydown={(event) => {
					if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return;
					event.preventDefault();
					wanted = true;
				}}
			>
				<span id="{id}-value" class="leading-tight wrap-anywhere"
					>{chosen?.name ?? placeholder}</span
				>
				<ChevronDown class="shrink-0" size={15} aria-hidden="true" />
			</button>
		{/snippet}
		{#if wanted}
			{#await import('./SelectList.svelte')}
				{@render closed()}
			{:then List}
				<List.default
					bind:ref={openAt}
					{id}
					{groups}
					value={value ?? ''}
					shown={chosen?.name ?? placeholder}
					{disabled}
					class={looks}
					onchoose={choose}
				/>
			{/await}
		{:else}
			{@render closed()}
		{/if}
	{/if}
</div>
