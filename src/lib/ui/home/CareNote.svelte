<script lang="ts">
	/* The usual cautions at the foot of the notebook; on a phone the way to the settings too. */
</script>

<p class="care">
	<b>Care.</b> Warm up. Rest a few minutes in every half hour. Stop when anything hurts, tingles or
	goes numb. <a href="/help">More in the help</a>
	<a class="settings" href="/settings">Settings</a>
</p>

<style>
	.care {
		margin-top: auto;
		padding-top: 24px;
		font-size: 13px;
		color: var(--second);
	}
	.care b {
		color: var(--ink);
	}
	.care a {
		text-decoration: underline;
		text-underline-offset: 3px;
		white-space: nowrap;
	}
	.care + :global(.foot) {
		margin-top: 0;
	}
	.settings {
		display: none;
	}
	@media (max-width: 640px) {
		.settings {
			display: inline;
			margin-left: 12px;
		}
	}
</style>
