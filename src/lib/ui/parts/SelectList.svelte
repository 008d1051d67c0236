<script lang="ts">
	import { Select } from 'bits-ui';
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import { onMount } from 'svelte';
	import { LIST, LIST_LINE } from './option';
	import type { SelectGroup } from './select';

	/** The list of a select and the control that opens it; it comes opened, with the focus. */
	type Props = {
		id: string;
		groups: readonly SelectGroup[];
		value: string;
		shown: string;
		disabled: boolean;
		class: string;
		onchoose: (value: string) => void;
		ref: HTMLElement | null;
	};
	let {
		id,
		groups,
		value,
		shown,
		disabled,
		class: looks,
		onchoose,
		ref = $bindable()
	}: Props = $props();
	let open = $state(false);
	onMount(() => {
		ref?.focus();
		open = true;
	});
	const items = $derived(
		groups.flatMap((group) => group.options.map(({ value, name }) => ({ value, label: name })))
	);
</script>

<Select.Root type="single" {value} onValueChange={onchoose} {disabled} {items} bind:open>
	<Select.Trigger bind:ref class={looks} role="combobox" aria-labelledby="{id}-label {id}-value">
		<span id="{id}-value" class="leading-tight wrap-anywhere">{shown}</span>
		<ChevronDown class="shrink-0" size={15} aria-hidden="true" />
	</Select.Trigger>
	<Select.Portal>
		<Select.Content class={LIST} sideOffset={2} collisionPadding={8} aria-labelledby="{id}-label">
			<Select.Viewport>
				{#each groups as group (group.name)}
					<Select.Group>
						{#if group.name !== ''}
							<Select.GroupHeading class="px-3 pt-1.5 text-reason text-second"
								>{group.name}</Select.GroupHeading
							>
						{/if}
						{#each group.options as option (option.value)}
							<Select.Item value={option.value} label={option.name} class={LIST_LINE}
								>{option.name}</Select.Item
							>
						{/each}
					</Select.Group>
				{/each}
			</Select.Viewport>
		</Select.Content>
	</Select.Portal>
</Select.Root>
