<script lang="ts">
	let { keys }: { keys: string } = $props();
</script>

{#each keys.split(' ') as key (key)}<kbd
		class="rounded-xs border border-current px-1.5 py-1 font-mono text-count leading-none font-bold max-tablet:hidden [kbd+&]:ml-1.5"
		>{key}</kbd
	>{/each}
