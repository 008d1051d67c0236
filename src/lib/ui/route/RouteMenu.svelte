<script lang="ts">
	import { goto } from '$app/navigation';
	import type { RouteSummary } from '$lib/api/notebook-schema';
	import { DropdownMenu } from 'bits-ui';
	import ChevronDown from '@lucide/svelte/icons/chevron-down';

	/** The saved routes of the tune, to open, start anew or delete. */
	type Props = {
		routes: readonly RouteSummary[];
		current: RouteSummary | null;
		onremove: () => void;
	};
	let { routes, current, onremove }: Props = $props();
	const openRoute = (id: string) => void goto(`?route=${id}`);
</script>

<DropdownMenu.Root>
	<DropdownMenu.Trigger class="quiet route-trigger">
		<span class="route-name">{current?.name ?? 'New route'}</span>
		<ChevronDown size={18} aria-hidden="true" />
	</DropdownMenu.Trigger>
	<DropdownMenu.Portal>
		<DropdownMenu.Content class="menu" align="end" sideOffset={6}>
			{#each routes as route (route.id)}
				<DropdownMenu.Item class="menu-item" onSelect={() => openRoute(route.id)}>
					{route.name}{route.id === current?.id ? ', open' : ''}
				</DropdownMenu.Item>
			{/each}
			<DropdownMenu.Separator class="menu-rule" />
			<DropdownMenu.Item class="menu-item" onSelect={() => openRoute('new')}
				>New route</DropdownMenu.Item
			>
			{#if current}
				<DropdownMenu.Item class="menu-item" onSelect={onremove}
					>Delete this route</DropdownMenu.Item
				>
			{/if}
		</DropdownMenu.Content>
	</DropdownMenu.Portal>
</DropdownMenu.Root>

<style>
	.route-name {
		max-width: 14em;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	@media (max-width: 860px) {
		.route-name {
			max-width: 7em;
		}
	}
	@media (max-width: 640px) {
		.route-name {
			max-width: 3.5em;
		}
	}
</style>
