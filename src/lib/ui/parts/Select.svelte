<script lang="ts" generics="T extends string">
	import { Select } from 'bits-ui';
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import { MediaQuery } from 'svelte/reactivity';
	import { field } from './field';
	import type { SelectOption } from './select';

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
		/** The control itself, for the focus. */
		ref?: HTMLElement | null;
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
		ref = $bindable(null),
		class: extra = ''
	}: Props = $props();

	const id = $props.id();
	const touch = new MediaQuery('(pointer: coarse)', false);
	const look = $derived(field({ row, small }));
	const chosen = $derived(options.find((option) => option.value === value));
	/** Options in the order given, those of one group together. */
	const groups = $derived.by(() => {
		const made: { name: string; options: SelectOption<T>[] }[] = [];
		for (const option of options) {
			const name = option.group ?? '';
			if (made.at(-1)?.name !== name) made.push({ name, options: [] });
			made.at(-1)?.options.push(option);
		}
		return made;
	});
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
			bind:this={ref}
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
		<Select.Root
			type="single"
			{value}
			onValueChange={choose}
			{disabled}
			items={options.map((option) => ({ value: option.value, label: option.name }))}
		>
			<Select.Trigger
				bind:ref
				class={look.control({
					class: 'inline-flex items-center justify-between gap-2 text-left hover:bg-lit'
				})}
				role="combobox"
				aria-labelledby="{id}-label {id}-value"
			>
				<span id="{id}-value" class="truncate">{chosen?.name ?? placeholder}</span>
				<ChevronDown class="shrink-0" size={15} aria-hidden="true" />
			</Select.Trigger>
			<Select.Portal>
				<Select.Content
					class="z-50 max-h-(--bits-select-content-available-height) min-w-(--bits-select-anchor-width) overflow-y-auto border-2 border-ink bg-lit py-1 text-line text-ink"
					sideOffset={2}
					collisionPadding={8}
					aria-labelledby="{id}-label"
				>
					<Select.Viewport>
						{#each groups as group (group.name)}
							<Select.Group>
								{#if group.name !== ''}
									<Select.GroupHeading class="px-3 pt-1.5 text-reason text-second"
										>{group.name}</Select.GroupHeading
									>
								{/if}
								{#each group.options as option (option.value)}
									<Select.Item
										value={option.value}
										label={option.name}
										class="cursor-pointer px-3 py-1 outline-none data-highlighted:bg-ink data-highlighted:text-paper data-selected:font-bold"
										>{option.name}</Select.Item
									>
								{/each}
							</Select.Group>
						{/each}
					</Select.Viewport>
				</Select.Content>
			</Select.Portal>
		</Select.Root>
	{/if}
</div>
