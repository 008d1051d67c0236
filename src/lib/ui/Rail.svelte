<script lang="ts">
	import { page } from '$app/state';
	import { lastTune } from '$lib/state/last-tune.svelte';
	import { tuneScreens } from './screens';

	let { tuneId }: { tuneId: string | null } = $props();
	const here: string = $derived(page.url.pathname);
	/** The place of the hand goes along to the next screen. */
	const position = $derived(lastTune.position === null ? '' : `?position=${lastTune.position}`);
</script>

<nav class="rail" aria-label="Screens">
	<a class="mark" href="/" aria-label="Notebook" aria-current={here === '/' ? 'page' : undefined}>
		<svg viewBox="0 0 44 40" width="44" height="40" aria-hidden="true">
			<path d="M9 26C11 7 31 2 36 18" class="arc" />
			<rect x="2" y="30" width="15" height="4.5" />
			<rect x="27" y="22" width="15" height="4.5" />
		</svg>
	</a>
	<div class="screens">
		{#each tuneScreens as screen (screen.key)}
			{@const href = tuneId
				? `/tunes/${tuneId}/${screen.path}${lastTune.id === tuneId ? position : ''}`
				: null}
			{@const current = href !== null && here.endsWith(`/${screen.path}`)}
			{#if href}
				<a
					class="screen"
					{href}
					aria-current={current ? 'page' : undefined}
					aria-keyshortcuts={screen.key}
				>
					<span class="numeral" aria-hidden="true">{screen.key}</span>
					<span>{screen.name}</span>
				</a>
			{:else}
				<span class="screen idle" aria-hidden="true">
					<span class="numeral">{screen.key}</span>
					<span>{screen.name}</span>
				</span>
			{/if}
		{/each}
		<a
			class="screen"
			href="/log"
			aria-current={here === '/log' ? 'page' : undefined}
			aria-keyshortcuts="6"
		>
			<span class="numeral" aria-hidden="true">6</span>
			<span>Log</span>
		</a>
	</div>
	<div class="foot">
		<a class="screen" href="/settings" aria-current={here === '/settings' ? 'page' : undefined}>
			<svg viewBox="0 0 24 24" width="22" height="22" aria-hidden="true" class="dials">
				<path d="M3 7H21M3 17H21" />
				<circle cx="9" cy="7" r="3" />
				<circle cx="16" cy="17" r="3" />
			</svg>
			<span>Settings</span>
		</a>
		{#if tuneId}
			<a
				class="screen"
				href="/tunes/{tuneId}/sheet{lastTune.id === tuneId ? position : ''}"
				aria-current={here.endsWith('/sheet') ? 'page' : undefined}
				aria-keyshortcuts="P"
			>
				<span class="numeral" aria-hidden="true">P</span>
				<span>Sheet</span>
			</a>
		{:else}
			<span class="screen idle" aria-hidden="true">
				<span class="numeral">P</span>
				<span>Sheet</span>
			</span>
		{/if}
		<a
			class="screen"
			href="/help"
			aria-current={here === '/help' ? 'page' : undefined}
			aria-keyshortcuts="?"
		>
			<span class="numeral" aria-hidden="true">?</span>
			<span>Help</span>
		</a>
	</div>
</nav>

<style>
	.rail {
		position: fixed;
		inset: 0 auto 0 0;
		width: 64px;
		display: flex;
		flex-direction: column;
		border-right: 1px solid var(--hair);
		background: var(--paper);
		z-index: 20;
	}
	.mark {
		display: grid;
		place-items: center;
		height: 56px;
	}
	.mark rect {
		fill: var(--ink);
	}
	.mark .arc {
		fill: none;
		stroke: var(--now-line);
		stroke-width: 3;
		stroke-linecap: round;
	}
	.screens {
		margin-top: 14px;
	}
	.foot {
		margin-top: auto;
		padding-bottom: 10px;
	}
	.screen {
		display: flex;
		flex-direction: column;
		align-items: center;
		justify-content: center;
		gap: 1px;
		height: 60px;
		margin-bottom: 16px;
		font-size: 13px;
		font-weight: 600;
		color: var(--third);
		border-right: 3px solid transparent;
		margin-right: -1px;
	}
	.foot .screen {
		margin-bottom: 4px;
	}
	.screen:hover:not(.idle) {
		color: var(--ink);
	}
	.numeral {
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 25px;
		line-height: 1.1;
	}
	.dials {
		fill: var(--paper);
		stroke: currentColor;
		stroke-width: 2.2;
		margin-bottom: 3px;
	}
	[aria-current='page'] {
		color: var(--ink);
		border-right-color: var(--ink);
	}
	@media (max-width: 1099px) {
		.rail {
			inset: auto 0 0 0;
			width: auto;
			height: 64px;
			flex-direction: row;
			align-items: stretch;
			border-right: 0;
			border-top: 1px solid var(--hair);
		}
		.mark {
			width: 60px;
			height: auto;
		}
		.screens,
		.foot {
			display: flex;
			margin: 0;
			padding: 0;
			flex: 3;
		}
		.foot {
			flex: 2;
		}
		.screen,
		.foot .screen {
			flex: 1;
			height: auto;
			margin: -1px 0 0;
			border-right: 0;
			border-top: 3px solid transparent;
		}
		[aria-current='page'] {
			border-top-color: var(--ink);
		}
		.numeral {
			font-size: 21px;
		}
		.screens {
			flex: 6;
		}
	}
	@media (max-width: 640px) {
		.mark {
			width: 46px;
		}
		.mark svg {
			width: 34px;
		}
		.screen,
		.foot .screen {
			min-width: 0;
			font-size: 12px;
		}
		/* The notebook and the help lead there, too. */
		.foot .screen:first-child {
			display: none;
		}
		.foot {
			flex: 2;
		}
		.screens,
		.foot {
			min-width: 0;
		}
	}
</style>
