<script lang="ts">
	let { keys }: { keys: string } = $props();
</script>

{#each keys.split(' ') as key (key)}<kbd
		class="rounded-[3px] border border-current px-1.5 py-1 font-mono text-count leading-none font-bold not-first:ml-1.5 max-tablet:hidden"
		>{key}</kbd
	>{/each}
