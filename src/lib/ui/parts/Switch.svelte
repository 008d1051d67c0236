<script lang="ts">
	import { Switch } from 'bits-ui';
	import { OPTION, OPTION_SAYS } from './option';

	/** A setting that is on or off, with what it means. */
	type Props = {
		name: string;
		says: string;
		checked: boolean;
		onchange: (checked: boolean) => void;
	};
	let { name, says, checked, onchange }: Props = $props();
</script>

<Switch.Root class={OPTION} {checked} onCheckedChange={onchange} aria-label="{name}: {says}">
	<span
		class="flex h-5 w-10 border-[1.5px] border-ink p-1 data-on:justify-end data-on:bg-ink"
		data-on={checked || undefined}
		><Switch.Thumb class="block h-full w-3.5 bg-ink in-data-on:bg-paper" /></span
	><b>{name}</b><small class={OPTION_SAYS}>{says}</small>
</Switch.Root>
