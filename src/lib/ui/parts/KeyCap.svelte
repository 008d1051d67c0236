<script lang="ts">
	/** Keys as they are pressed, parted by spaces. Fingers have none: on a phone they are left out, unless `always`. */
	let { keys, always = false }: { keys: string; always?: boolean } = $props();
</script>

{#each keys.split(' ') as key (key)}<kbd
		class="rounded-xs border border-current px-1.5 py-1 font-mono text-count leading-none font-bold [kbd+&]:ml-1.5 {always
			? ''
			: 'max-tablet:hidden'}">{key}</kbd
	>{/each}
