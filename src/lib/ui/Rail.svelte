<script lang="ts">
	import { tv } from 'tailwind-variants/lite';
	import { page } from '$app/state';
	import { lastTune } from '$lib/state/last-tune.svelte';
	import { EVERYWHERE } from '$lib/words/keys/everywhere';
	import { capOf } from '$lib/words/keys/key-map';
	import { tuneScreens } from './screens';

	let { tuneId }: { tuneId: string | null } = $props();
	const here: string = $derived(page.url.pathname);
	/** The place of the hand goes along to the next screen. */
	const position = $derived(lastTune.position === null ? '' : `?position=${lastTune.position}`);

	const look = tv({
		slots: {
			item: '-mr-px flex h-15 flex-col items-center justify-center gap-px border-r-3 border-transparent text-reason font-semibold text-third hover:text-ink aria-[current=page]:border-r-ink aria-[current=page]:text-ink max-desk:mx-0 max-desk:-mt-px max-desk:mb-0 max-desk:h-auto max-desk:flex-1 max-desk:border-t-3 max-desk:border-r-0 max-desk:aria-[current=page]:border-t-ink max-tablet:min-w-0 max-tablet:text-count',
			key: 'font-display text-verdict leading-tight font-extrabold'
		},
		variants: { low: { true: { item: 'mb-1' }, false: { item: 'mb-4' } } },
		defaultVariants: { low: false }
	})();
</script>

{#snippet item(key: string, name: string, href: string | null, current: boolean, low = false)}
	<svelte:element
		this={href === null ? 'span' : 'a'}
		class={look.item({ low })}
		{href}
		aria-current={current ? 'page' : undefined}
		aria-keyshortcuts={href === null ? undefined : key}
		aria-hidden={href === null ? 'true' : undefined}
	>
		<span class={look.key()} aria-hidden="true">{key}</span>
		<span>{name}</span>
	</svelte:element>
{/snippet}

<nav
	class="fixed inset-y-0 right-auto left-0 z-20 flex w-16 flex-col border-r border-hair bg-paper max-desk:inset-x-0 max-desk:top-auto max-desk:bottom-0 max-desk:h-16 max-desk:w-auto max-desk:flex-row max-desk:items-stretch max-desk:border-t max-desk:border-r-0 max-desk:border-t-hair print:hidden"
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
	<div class="mt-3.5 max-desk:m-0 max-desk:flex max-desk:flex-6 max-tablet:min-w-0">
		{#each tuneScreens as screen (screen.key)}
			{@const href = tuneId
				? `/tunes/${tuneId}/${screen.path}${lastTune.id === tuneId ? position : ''}`
				: null}
			{@render item(
				screen.key,
				screen.name,
				href,
				href !== null && here.endsWith(`/${screen.path}`)
			)}
		{/each}
		{@render item(EVERYWHERE.log.key, 'Log', '/log', here === '/log')}
	</div>
	<div
		class="mt-auto pb-2.5 max-desk:m-0 max-desk:flex max-desk:flex-2 max-desk:p-0 max-tablet:min-w-0"
	>
		<a
			class={look.item({ low: true, class: 'max-tablet:hidden' })}
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
		{@render item(
			capOf(EVERYWHERE.sheet),
			'Sheet',
			tuneId ? `/tunes/${tuneId}/sheet${lastTune.id === tuneId ? position : ''}` : null,
			tuneId !== null && here.endsWith('/sheet'),
			true
		)}
		{@render item(EVERYWHERE.help.key, 'Help', '/help', here === '/help', true)}
	</div>
</nav>
