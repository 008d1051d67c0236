<script lang="ts">
	/* The usual cautions at the foot of the notebook; on a phone the way to the settings too. */
</script>

<p class="mt-auto pt-6 text-reason text-second">
	<b class="text-ink">Care.</b> Warm up. Rest a few minutes in every half hour. Stop when anything
	hurts, tingles or goes numb.
	<a class="whitespace-nowrap underline underline-offset-4" href="/help">More in the help</a>
	<a
		class="hidden whitespace-nowrap underline underline-offset-4 max-tablet:ml-3 max-tablet:inline"
		href="/settings">Settings</a
	>
</p>
