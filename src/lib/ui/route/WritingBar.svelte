<script lang="ts">
	import Button from '$lib/ui/parts/Button.svelte';
	import { barAt } from '$core/chart';
	import type { LineWriter } from '$lib/state/line-writer.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { ROUTE, NOTES, WRITING } from '$lib/words/keys/route';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';

	/** Shown while a line is written note by note: where the next note comes, and what the keys do. */
	let { writer }: { writer: LineWriter } = $props();
	const open = useTune();
	const where = $derived.by(() => {
		const tick = writer.caret ?? 0;
		const bar = barAt(open.chart, tick);
		const beat = 1 + (tick - bar.startTick) / (1920 / bar.signature.unit);
		return `bar ${bar.index + 1}, beat ${Number(beat.toFixed(2))}`;
	});
</script>

<p
	class="flex min-h-16.5 flex-wrap items-center gap-x-4.5 gap-y-1 border-l-6 border-ink bg-lit px-2.5 py-1 text-line"
	role="status"
>
	<b>Next: {where}</b>
	<span class="text-second">on the strip, or on the neck: arrows walk it, Enter writes</span>
	<Button look="quiet" onclick={() => writer.move(1)}
		>Rest <KeyCap of={ROUTE.change} caps="." /></Button
	>
	<Button look="quiet" onclick={() => writer.hold()}>Hold <KeyCap of={WRITING.hold} /></Button>
	<Button look="quiet" onclick={() => writer.back()}
		>Take back <KeyCap of={NOTES.remove} caps="⌫" /></Button
	>
	<Button look="quiet" onclick={() => writer.stop()}>Done <KeyCap of={WRITING.write} /></Button>
</p>
