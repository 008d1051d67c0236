<script lang="ts" generics="T extends string">
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import { fetched } from '$lib/state/fetched';
	import { tick } from 'svelte';
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
		/** What is looked for can be typed: for long lists; or the lines for what is typed. */
		finds?: boolean | ((typed: string) => readonly SelectOption[]);
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
		finds = false,
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
	/** The list, fetched when it is opened for the first time; till it is there the closed control keeps the focus. */
	let Listing: typeof import('./SelectList.svelte').default | null = $state.raw(null);
	let Finding: typeof import('./FindList.svelte').default | null = $state.raw(null);
	let native: HTMLElement | undefined = $state();
	let closedAt: HTMLElement | undefined = $state();
	let openAt: HTMLElement | null = $state(null);
	export function focus(): void {
		(native ?? openAt ?? closedAt)?.focus();
	}
	const ahead = () =>
		void (finds
			? fetched(() => import('./FindList.svelte'))
			: fetched(() => import('./SelectList.svelte')));
	/** What was typed to open a list in which one can type. */
	let letter = $state('');
	function show(): void {
		if (finds)
			void fetched(() => import('./FindList.svelte')).then((list) => (Finding = list.default));
		else void fetched(() => import('./SelectList.svelte')).then((list) => (Listing = list.default));
	}
	const looks = $derived(
		look.control({
			class: 'flex items-center justify-between gap-2 text-left hover:bg-lit'
		})
	);
	function choose(next: string): void {
		if (next === value) return;
		value = next as T;
		onchange?.(next as T);
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
				data-types={finds ? '' : undefined}
				aria-controls="{id}-value"
				aria-labelledby="{id}-label {id}-value"
				{disabled}
				onpointerenter={ahead}
				onfocus={ahead}
				onclick={() => {
					letter = '';
					show();
				}}
				onkeydown={(event) => {
					const { key, ctrlKey, altKey, metaKey } = event;
					const types = finds && /^\S$/u.test(key) && !ctrlKey && !altKey && !metaKey;
					if (!types && key !== 'ArrowDown' && key !== 'ArrowUp') return;
					event.preventDefault();
					event.stopPropagation();
					// What is typed on while the list is fetched is looked for, too.
					letter = types ? letter + key : '';
					show();
				}}
			>
				<span id="{id}-value" class="leading-tight wrap-anywhere"
					>{chosen?.name ?? placeholder}</span
				>
				<ChevronDown class="shrink-0" size={15} aria-hidden="true" />
			</button>
		{/snippet}
		{#if Finding}
			<Finding
				{id}
				{groups}
				value={value ?? ''}
				shown={chosen?.name ?? placeholder}
				typed={letter}
				class={look.control()}
				suggests={typeof finds === 'function' ? finds : undefined}
				onchoose={choose}
				onclose={(back) => {
					Finding = null;
					letter = '';
					if (back) void tick().then(() => closedAt?.focus());
				}}
			/>
		{:else if Listing}
			<Listing
				bind:ref={openAt}
				{id}
				{groups}
				value={value ?? ''}
				shown={chosen?.name ?? placeholder}
				{disabled}
				class={looks}
				onchoose={choose}
			/>
		{:else}
			{@render closed()}
		{/if}
	{/if}
</div>
