<script lang="ts">
	import { goto } from '$app/navigation';
	import type { RouteSummary } from '$lib/api/notebook-schema';
	import type { MenuLine } from '../DropMenu.svelte';
	import MenuButton from '../MenuButton.svelte';

	/** The saved routes of the tune, to open, start anew or delete. */
	type Props = {
		routes: readonly RouteSummary[];
		current: RouteSummary | null;
		onremove: () => void;
	};
	let { routes, current, onremove }: Props = $props();
	const name = $derived(current?.name ?? 'New route');
	const openRoute = (id: string) => void goto(`?route=${id}`);
	const lines: readonly MenuLine[] = $derived([
		...routes.map(({ id, name }) => ({
			name: id === current?.id ? `${name}, open` : name,
			run: () => openRoute(id)
		})),
		null,
		{ name: 'New route', run: () => openRoute('new') },
		...(current ? [{ name: 'Delete this route', run: onremove }] : [])
	]);
</script>

<MenuButton {lines}
	><span
		class="max-w-56 text-left leading-tight wrap-anywhere max-lap:max-w-36 max-tablet:max-w-24 {name.length >
		28
			? 'text-count'
			: ''}">{name}</span
	></MenuButton
>
