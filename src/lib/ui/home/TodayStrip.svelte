<script lang="ts">
	import type { TodayItem } from '$core/practice';
	import type { PractisedCard } from '$lib/api/home-page';
	import KeyCap from '../KeyCap.svelte';
	import LandingArc from '../LandingArc.svelte';
	import { drillHref, drillWords } from './today-words';

	/** What is due, a strip to scale in minutes; one key starts the first. */
	type Props = {
		list: readonly TodayItem<PractisedCard>[];
		/** Takes a drill out of the schedule. */
		onrest: (card: PractisedCard) => void;
	};
	let { list, onrest }: Props = $props();
	const minutes = $derived(list.reduce((sum, item) => sum + item.minutes, 0));
</script>

<div class="today">
	<div class="begin">
		<p class="minutes"><strong>{minutes}</strong> minutes</p>
		<a class="start" href={drillHref(list[0])} aria-keyshortcuts="Space">
			<svg viewBox="0 0 20 20" width="26" height="26" aria-hidden="true"
				><path d="M4 1L18 10L4 19Z" /></svg
			>
			<span>Start</span>
			<span class="key"><KeyCap keys="Space" /></span>
			<span class="short">{minutes} minutes</span>
		</a>
	</div>
	<ol class="strip">
		{#each list as item, i (item.card.id)}
			<li style:flex-grow={item.minutes} class:now={i === 0} class:next={i === 1}>
				<a href={drillHref(item, false)}>
					<span class="minute">{item.minutes} min</span>
					<span class="arc"><LandingArc share={item.card.landed ?? 0} wide /></span>
					<span class="text">
						<b>{item.card.title}</b>
						<span class="what">{drillWords(item)}</span>
						<span class="why">{item.why}</span>
					</span>
				</a>
				<button
					type="button"
					class="rest"
					title="Take it out of the schedule"
					aria-label="Take {item.card.title}, {drillWords(item)}, out of the schedule"
					onclick={() => onrest(item.card)}>✕</button
				>
			</li>
		{/each}
	</ol>
</div>

<style>
	.today {
		display: grid;
		grid-template-columns: 184px minmax(0, 1fr);
		gap: 24px;
	}
	.begin {
		display: flex;
		flex-direction: column;
		justify-content: space-between;
	}
	.minutes {
		font-size: 15px;
		color: var(--second);
	}
	.minutes strong {
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 78px;
		line-height: 1;
		color: var(--ink);
		margin-right: 8px;
	}
	.start {
		display: flex;
		align-items: center;
		gap: 10px;
		height: 60px;
		padding: 0 12px;
		background: var(--ink);
		color: var(--paper);
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 24px;
	}
	.start:hover {
		background: var(--second);
	}
	.start svg {
		flex-shrink: 0;
	}
	.start path {
		fill: currentColor;
	}
	.start .key {
		margin-left: auto;
	}
	.short {
		display: none;
	}
	.strip {
		display: flex;
		min-width: 0;
		border-top: 2px solid var(--ink);
	}
	li {
		flex: 1 1 0;
		position: relative;
		min-width: 128px;
		border-left: 1.5px solid var(--ink);
	}
	li:last-child {
		border-right: 1.5px solid var(--ink);
	}
	.now {
		background: var(--now-tint);
		box-shadow: inset 0 6px 0 var(--now);
	}
	.next {
		background: var(--next-tint);
		box-shadow: inset 0 6px 0 var(--next);
	}
	li a {
		display: grid;
		grid-template-rows: auto 44px 1fr;
		gap: 2px;
		height: 100%;
		min-height: 158px;
		padding: 10px 10px 8px;
	}
	li a:hover b {
		text-decoration: underline;
		text-underline-offset: 3px;
	}
	.rest {
		position: absolute;
		top: 8px;
		left: 4px;
		width: 28px;
		height: 28px;
		font-size: 13px;
		color: var(--second);
	}
	.rest:hover {
		color: var(--ink);
	}
	.minute {
		justify-self: end;
		font-size: 14px;
		font-weight: 600;
	}
	.arc {
		border-bottom: 1px solid var(--strong);
		overflow: hidden;
	}
	.text {
		display: flex;
		flex-direction: column;
		min-width: 0;
	}
	b {
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 19px;
		line-height: 1.15;
		overflow-wrap: anywhere;
	}
	.now b,
	.now .minute {
		color: var(--now-ink);
	}
	.next b,
	.next .minute {
		color: var(--next-ink);
	}
	.what {
		font-weight: 700;
		font-size: 13px;
		padding-top: 2px;
	}
	.why {
		font-size: 13px;
		color: var(--second);
	}
	.now .why,
	.next .why {
		color: var(--ink);
	}
	@media (max-width: 860px) {
		.today {
			grid-template-columns: minmax(0, 1fr);
			gap: 0;
		}
		.minutes,
		.start .key {
			display: none;
		}
		.short {
			display: block;
			margin-left: auto;
			font-family: var(--font-sans);
			font-size: 15px;
		}
		.strip {
			flex-direction: column;
			border: 0;
		}
		li,
		li:last-child {
			border: 0;
			border-bottom: 1px solid var(--hair);
		}
		.now {
			box-shadow: inset 6px 0 0 var(--now);
		}
		.next {
			box-shadow: inset 6px 0 0 var(--next);
		}
		li a {
			grid-template: auto / 84px minmax(0, 1fr) auto;
			align-items: center;
			min-height: 0;
			gap: 12px;
			padding-right: 34px;
		}
		.rest {
			top: 50%;
			right: 0;
			left: auto;
			transform: translateY(-50%);
		}
		.minute {
			order: 3;
		}
		.arc {
			height: 28px;
			border: 0;
		}
	}
</style>
