<script lang="ts">
	import { Dialog } from 'bits-ui';

	type Props = {
		open: boolean;
		/** What was saved elsewhere meanwhile, and what is here. */
		theirs: string;
		mine: string;
		what: string;
		onkeep: () => void;
		ontake: () => void;
	};
	let { open = $bindable(), theirs, mine, what, onkeep, ontake }: Props = $props();
</script>

<Dialog.Root bind:open>
	<Dialog.Portal>
		<Dialog.Overlay class="veil" />
		<Dialog.Content class="sheet">
			<Dialog.Title class="sheet-title" level={2}>Someone saved this {what} meanwhile.</Dialog.Title
			>
			<Dialog.Description class="sheet-lead">
				Probably another tab. Both are shown; nothing is overwritten until you choose.
			</Dialog.Description>
			<div class="sides">
				<section>
					<h3>Yours</h3>
					<textarea readonly rows="14" aria-label="Yours" value={mine}></textarea>
				</section>
				<section>
					<h3>Saved meanwhile</h3>
					<textarea readonly rows="14" aria-label="Saved meanwhile" value={theirs}></textarea>
				</section>
			</div>
			<div class="choices">
				<button type="button" class="act act-main" onclick={onkeep}>Keep mine</button>
				<button type="button" class="act" onclick={ontake}>Take the saved one</button>
				<Dialog.Close class="quiet">Decide later</Dialog.Close>
			</div>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>

<style>
	.sides {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 24px;
	}
	h3 {
		font-size: 18px;
		border-bottom: 2px solid var(--ink);
		padding-bottom: 4px;
	}
	textarea {
		display: block;
		width: 100%;
		resize: none;
		background: none;
		font-family: var(--font-mono);
		font-size: 14px;
		line-height: 1.5;
		max-height: 40vh;
		overflow: auto;
		padding: 8px 0;
	}
	.choices {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 12px 16px;
		margin-top: 16px;
	}
	@media (max-width: 640px) {
		.sides {
			grid-template-columns: 1fr;
		}
	}
</style>
