<script lang="ts">
	import type { Snippet } from 'svelte';

	type Props = {
		title: string;
		/** What stands beside the title: pairs of a small name and a value. */
		facts?: readonly { name: string; value: string }[];
		/** In place of the facts: what is heard. */
		instead?: Snippet;
		actions?: Snippet;
		/** At the end of the bar. */
		end?: Snippet;
	};
	let { title, facts = [], instead, actions, end }: Props = $props();
</script>

<header class="bar">
	<p class="title">{title}</p>
	{#if instead}
		{@render instead()}
	{:else}
		<dl class="facts">
			{#each facts as fact (fact.name)}
				<div class="fact">
					<dt>{fact.name}</dt>
					<dd>{fact.value}</dd>
				</div>
			{/each}
		</dl>
	{/if}
	<div class="actions">
		{@render actions?.()}
		{@render end?.()}
	</div>
</header>

<style>
	.bar {
		position: sticky;
		top: 0;
		z-index: 15;
		height: 56px;
		display: flex;
		align-items: center;
		gap: 24px;
		padding: 0 24px;
		background: var(--paper);
		border-bottom: 2px solid var(--ink);
	}
	.title {
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 28px;
		line-height: 1.1;
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.facts {
		display: flex;
		min-width: 0;
	}
	.fact {
		border-left: 1px solid var(--hair);
		padding: 0 20px 0 16px;
		white-space: nowrap;
	}
	dt {
		font-size: 12px;
		line-height: 1.25;
		color: var(--second);
	}
	dd {
		font-weight: 700;
		line-height: 1.2;
	}
	.actions {
		margin-left: auto;
		display: flex;
		align-items: center;
		gap: 14px;
		flex-shrink: 0;
	}
	@media (max-width: 1099px) {
		.bar {
			padding: 0 16px;
			gap: 16px;
		}
		.title {
			font-size: 24px;
		}
	}
	@media (max-width: 860px) {
		.fact:nth-child(n + 2) {
			display: none;
		}
	}
	@media (max-width: 640px) {
		.facts {
			display: none;
		}
		.title {
			font-size: 20px;
		}
		.actions {
			gap: 8px;
		}
	}
</style>
