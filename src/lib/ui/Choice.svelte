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

<div class="choice" class:list>
	<span class="label" {id}>{label}</span>
	<RadioGroup.Root
		{value}
		onValueChange={(picked) => onchange(picked as T)}
		aria-labelledby={id}
		orientation={list ? 'vertical' : 'horizontal'}
		class="choice-items"
	>
		{#each options as option (option.value)}
			<RadioGroup.Item
				value={option.value}
				class="choice-item"
				aria-label={option.says ? `${option.name}: ${option.says}` : option.name}
			>
				<b>{option.name}</b>
				{#if list && option.says}<small>{option.says}</small>{/if}
			</RadioGroup.Item>
		{/each}
	</RadioGroup.Root>
</div>

<style>
	.label {
		font-size: 13px;
		color: var(--second);
	}
	.choice {
		min-width: 0;
	}
	.choice :global(.choice-items) {
		display: flex;
		flex-wrap: wrap;
		gap: 1.5px;
		padding: 1.5px;
		background: var(--ink);
	}
	.choice :global(.choice-item) {
		flex: 1 1 auto;
		min-height: 32px;
		padding: 0 8px;
		white-space: nowrap;
		background: var(--paper);
	}
	.choice :global(.choice-item b) {
		font-weight: 600;
	}
	.choice :global(.choice-item:hover) {
		background: var(--lit);
	}
	.choice :global(.choice-item[data-state='checked']) {
		background: var(--ink);
		color: var(--paper);
	}
	.list :global(.choice-items) {
		display: grid;
		gap: 0;
		padding: 0;
		background: none;
		border-top: 1px solid var(--hair);
	}
	.list :global(.choice-item) {
		display: grid;
		grid-template-columns: 100px minmax(0, 1fr);
		gap: 8px;
		align-items: baseline;
		text-align: left;
		padding: 4px 8px;
		min-height: 30px;
		border-bottom: 1px solid var(--hair);
		white-space: normal;
	}
	small {
		font-size: 13px;
		line-height: 1.2;
	}
</style>
