<script lang="ts" generics="T extends string">
	import { RadioGroup } from 'bits-ui';

	/** One of a few: a labelled row of segments, or a list with a word of explanation each. */
	type Props = {
		label: string;
		options: readonly { readonly value: T; readonly name: string; readonly says?: string }[];
		value: T;
		onchange: (value: T) => void;
		list?: boolean;
	};
	let { label, options, value, onchange, list = false }: Props = $props();
	const id = $props.id();
</script>

<div class="min-w-0" data-list={list || undefined}>
	<span class="text-reason text-second" {id}>{label}</span>
	<RadioGroup.Root
		{value}
		onValueChange={(picked) => onchange(picked as T)}
		aria-labelledby={id}
		orientation={list ? 'vertical' : 'horizontal'}
		class="flex flex-wrap gap-[1.5px] bg-ink p-[1.5px] in-data-list:grid in-data-list:gap-0 in-data-list:border-t in-data-list:border-t-hair in-data-list:bg-transparent in-data-list:p-0"
	>
		{#each options as option (option.value)}
			<RadioGroup.Item
				value={option.value}
				class="min-h-8 flex-auto bg-paper px-2 whitespace-nowrap hover:bg-lit in-data-list:grid in-data-list:min-h-7.5 in-data-list:grid-cols-[100px_minmax(0,1fr)] in-data-list:items-baseline in-data-list:gap-2 in-data-list:border-b in-data-list:border-b-hair in-data-list:px-2 in-data-list:py-1 in-data-list:text-left in-data-list:whitespace-normal data-[state=checked]:bg-ink data-[state=checked]:text-paper"
				aria-label={option.says ? `${option.name}: ${option.says}` : option.name}
			>
				<b class="font-semibold">{option.name}</b>
				{#if list && option.says}<small class="text-reason leading-tight">{option.says}</small>{/if}
			</RadioGroup.Item>
		{/each}
	</RadioGroup.Root>
</div>
