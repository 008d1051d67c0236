<script lang="ts">
	import { care } from '$lib/state/care.svelte';

	/** The words of care, once in a session; they take no keys away. */
</script>

{#if care.reading}
	<aside class="note" aria-label="Care">
		<p>
			<b>Before you play.</b> Warm up. Rest a few minutes in every half hour. Stop when anything hurts,
			tingles or goes numb. Raise tempo and stretch in small steps. Keep amplifier and headphones low
			enough to talk over. Pain that stays is for a clinician, technique for a teacher.
		</p>
		<p class="acts">
			<button type="button" class="act" onclick={() => care.read()}>Understood</button>
			<a href="/help#care">More in the help</a>
		</p>
	</aside>
{/if}

<style>
	.note {
		margin: 0 24px;
		padding: 10px 0 12px;
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 8px 24px;
		border-bottom: 2px solid var(--ink);
		font-size: 14px;
	}
	.note p:first-child {
		flex: 1 1 420px;
	}
	.acts {
		display: flex;
		align-items: center;
		gap: 16px;
	}
	a {
		text-decoration: underline;
		text-underline-offset: 3px;
	}
	@media (max-width: 1099px) {
		.note {
			margin: 0 16px;
		}
	}
</style>
