<script lang="ts">
	import Button from '$lib/ui/parts/Button.svelte';
	import { care } from '$lib/state/care.svelte';

	/** The words of care, once in a session: one line that opens, and takes no keys away. */
</script>

{#if care.reading}
	<aside
		class="mx-6 flex flex-wrap items-start gap-x-6 gap-y-1 border-b border-hair py-1.5 text-line max-desk:mx-4"
		aria-label="Care"
	>
		<details class="min-w-0 flex-1 basis-64">
			<summary class="cursor-pointer"
				><b>Before you play:</b> warm up; stop when anything hurts, tingles or goes numb.</summary
			>
			<p class="max-w-[70ch] py-1 text-second">
				Rest a few minutes in every half hour. Raise tempo and stretch in small steps. Keep
				amplifier and headphones low enough to talk over. Pain that stays is for a clinician,
				technique for a teacher. <a class="underline underline-offset-4" href="/help#care"
					>More in the help</a
				>
			</p>
		</details>
		<Button look="quiet" onclick={() => care.read()}>Understood</Button>
	</aside>
{/if}
