<script lang="ts">
	import { page } from '$app/state';
	import { lastTune } from '$lib/state/last-tune.svelte';
	import { tuneScreens } from './screens';

	let { tuneId }: { tuneId: string | null } = $props();
	const here: string = $derived(page.url.pathname);
	/** The place of the hand goes along to the next screen. */
	const position = $derived(lastTune.position === null ? '' : `?position=${lastTune.position}`);
</script>

<nav
	class="rail fixed inset-y-0 right-auto left-0 z-20 flex w-16 flex-col border-r border-hair bg-paper max-desk:inset-x-0 max-desk:top-auto max-desk:bottom-0 max-desk:h-16 max-desk:w-auto max-desk:flex-row max-desk:items-stretch max-desk:border-t max-desk:border-r-0 max-desk:border-t-hair"
	aria-label="Screens"
>
	<a
		class="grid h-14 place-items-center aria-[current=page]:border-r-ink aria-[current=page]:text-ink max-desk:h-auto max-desk:w-15 max-desk:aria-[current=page]:border-t-ink max-tablet:w-11.5"
		href="/"
		aria-label="Notebook"
		aria-current={here === '/' ? 'page' : undefined}
	>
		<svg class="max-tablet:w-8.5" viewBox="0 0 44 40" width="44" height="40" aria-hidden="true">
			<path d="M9 26C11 7 31 2 36 18" class="fill-none stroke-now-line stroke-3 cap-round" />
			<rect class="fill-ink" x="2" y="30" width="15" height="4.5" />
			<rect class="fill-ink" x="27" y="22" width="15" height="4.5" />
		</svg>
	</a>
	<div class="mt-3.5 max-desk:m-0 max-desk:flex max-desk:flex-[6] max-desk:p-0 max-tablet:min-w-0">
		{#each tuneScreens as screen (screen.key)}
			{@const href = tuneId
				? `/tunes/${tuneId}/${screen.path}${lastTune.id === tuneId ? position : ''}`
				: null}
			{@const current = href !== null && here.endsWith(`/${screen.path}`)}
			{#if href}
				<a
					class="screen -mr-px mb-4 flex h-15 flex-col items-center justify-center gap-px border-r-3 border-transparent text-reason font-semibold text-third hover:text-ink aria-[current=page]:border-r-ink aria-[current=page]:text-ink max-desk:mx-0 max-desk:-mt-px max-desk:mb-0 max-desk:h-auto max-desk:flex-1 max-desk:border-t-3 max-desk:border-r-0 max-desk:border-t-transparent max-desk:aria-[current=page]:border-t-ink max-tablet:min-w-0 max-tablet:text-count"
					{href}
					aria-current={current ? 'page' : undefined}
					aria-keyshortcuts={screen.key}
				>
					<span
						class="font-display text-verdict leading-tight font-extrabold max-desk:text-verdict"
						aria-hidden="true">{screen.key}</span
					>
					<span>{screen.name}</span>
				</a>
			{:else}
				<span
					class="screen -mr-px mb-4 flex h-15 flex-col items-center justify-center gap-px border-r-3 border-transparent text-reason font-semibold text-third max-desk:mx-0 max-desk:-mt-px max-desk:mb-0 max-desk:h-auto max-desk:flex-1 max-desk:border-t-3 max-desk:border-r-0 max-desk:border-t-transparent max-tablet:min-w-0 max-tablet:text-count"
					aria-hidden="true"
				>
					<span class="font-display text-verdict leading-tight font-extrabold max-desk:text-verdict"
						>{screen.key}</span
					>
					<span>{screen.name}</span>
				</span>
			{/if}
		{/each}
		<a
			class="screen -mr-px mb-4 flex h-15 flex-col items-center justify-center gap-px border-r-3 border-transparent text-reason font-semibold text-third hover:text-ink aria-[current=page]:border-r-ink aria-[current=page]:text-ink max-desk:mx-0 max-desk:-mt-px max-desk:mb-0 max-desk:h-auto max-desk:flex-1 max-desk:border-t-3 max-desk:border-r-0 max-desk:border-t-transparent max-desk:aria-[current=page]:border-t-ink max-tablet:min-w-0 max-tablet:text-count"
			href="/log"
			aria-current={here === '/log' ? 'page' : undefined}
			aria-keyshortcuts="6"
		>
			<span
				class="font-display text-verdict leading-tight font-extrabold max-desk:text-verdict"
				aria-hidden="true">6</span
			>
			<span>Log</span>
		</a>
	</div>
	<div
		class="mt-auto pb-2.5 max-desk:m-0 max-desk:flex max-desk:flex-[2] max-desk:p-0 max-tablet:min-w-0 max-tablet:flex-[2]"
	>
		<a
			class="screen -mr-px mb-1 flex h-15 flex-col items-center justify-center gap-px border-r-3 border-transparent text-reason font-semibold text-third hover:text-ink aria-[current=page]:border-r-ink aria-[current=page]:text-ink max-desk:mx-0 max-desk:-mt-px max-desk:mb-0 max-desk:h-auto max-desk:flex-1 max-desk:border-t-3 max-desk:border-r-0 max-desk:border-t-transparent max-desk:aria-[current=page]:border-t-ink max-tablet:min-w-0 max-tablet:text-count max-tablet:first:hidden"
			href="/settings"
			aria-current={here === '/settings' ? 'page' : undefined}
		>
			<svg
				viewBox="0 0 24 24"
				width="22"
				height="22"
				aria-hidden="true"
				class="mb-1 fill-paper stroke-current stroke-[2.2]"
			>
				<path d="M3 7H21M3 17H21" />
				<circle cx="9" cy="7" r="3" />
				<circle cx="16" cy="17" r="3" />
			</svg>
			<span>Settings</span>
		</a>
		{#if tuneId}
			<a
				class="screen -mr-px mb-1 flex h-15 flex-col items-center justify-center gap-px border-r-3 border-transparent text-reason font-semibold text-third hover:text-ink aria-[current=page]:border-r-ink aria-[current=page]:text-ink max-desk:mx-0 max-desk:-mt-px max-desk:mb-0 max-desk:h-auto max-desk:flex-1 max-desk:border-t-3 max-desk:border-r-0 max-desk:border-t-transparent max-desk:aria-[current=page]:border-t-ink max-tablet:min-w-0 max-tablet:text-count max-tablet:first:hidden"
				href="/tunes/{tuneId}/sheet{lastTune.id === tuneId ? position : ''}"
				aria-current={here.endsWith('/sheet') ? 'page' : undefined}
				aria-keyshortcuts="P"
			>
				<span
					class="font-display text-verdict leading-tight font-extrabold max-desk:text-verdict"
					aria-hidden="true">P</span
				>
				<span>Sheet</span>
			</a>
		{:else}
			<span
				class="screen -mr-px mb-1 flex h-15 flex-col items-center justify-center gap-px border-r-3 border-transparent text-reason font-semibold text-third max-desk:mx-0 max-desk:-mt-px max-desk:mb-0 max-desk:h-auto max-desk:flex-1 max-desk:border-t-3 max-desk:border-r-0 max-desk:border-t-transparent max-tablet:min-w-0 max-tablet:text-count max-tablet:first:hidden"
				aria-hidden="true"
			>
				<span class="font-display text-verdict leading-tight font-extrabold max-desk:text-verdict"
					>P</span
				>
				<span>Sheet</span>
			</span>
		{/if}
		<a
			class="screen -mr-px mb-1 flex h-15 flex-col items-center justify-center gap-px border-r-3 border-transparent text-reason font-semibold text-third hover:text-ink aria-[current=page]:border-r-ink aria-[current=page]:text-ink max-desk:mx-0 max-desk:-mt-px max-desk:mb-0 max-desk:h-auto max-desk:flex-1 max-desk:border-t-3 max-desk:border-r-0 max-desk:border-t-transparent max-desk:aria-[current=page]:border-t-ink max-tablet:min-w-0 max-tablet:text-count max-tablet:first:hidden"
			href="/help"
			aria-current={here === '/help' ? 'page' : undefined}
			aria-keyshortcuts="?"
		>
			<span
				class="font-display text-verdict leading-tight font-extrabold max-desk:text-verdict"
				aria-hidden="true">?</span
			>
			<span>Help</span>
		</a>
	</div>
</nav>
