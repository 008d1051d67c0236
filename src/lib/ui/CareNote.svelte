<script lang="ts">
	import Button from '$lib/ui/parts/Button.svelte';
	import { care } from '$lib/state/care.svelte';

	/** The words of care, once in a session; they take no keys away. */
</script>

{#if care.reading}
	<aside
		class="mx-6 flex flex-wrap items-center gap-x-6 gap-y-2 border-b-2 border-ink pt-2.5 pb-3 text-line max-desk:mx-4 max-desk:my-0"
		aria-label="Care"
	>
		<p class="first:flex-[1_1_420px]">
			<b>Before you play.</b> Warm up. Rest a few minutes in every half hour. Stop when anything hurts,
			tingles or goes numb. Raise tempo and stretch in small steps. Keep amplifier and headphones low
			enough to talk over. Pain that stays is for a clinician, technique for a teacher.
		</p>
		<p class="flex items-center gap-4 first:flex-[1_1_420px]">
			<Button onclick={() => care.read()}>Understood</Button>
			<a class="underline underline-offset-4" href="/help#care">More in the help</a>
		</p>
	</aside>
{/if}
