const holdsFiles = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false;

/** Files that are held over the page, and those that were dropped until the part that reads them has come. */
class Dropping {
	over = $state(false);
	dropped: readonly File[] = $state.raw([]);

	/** Takes what is dropped anywhere, so that no browser opens it in the app's place. @returns what ends that */
	listen(): () => void {
		/** The pointer goes in and out of every element on its way. */
		let depth = 0;
		const on = {
			dragenter: () => (depth += 1),
			dragleave: () => (depth = Math.max(0, depth - 1)),
			dragover: (event: DragEvent) => {
				event.preventDefault();
				if (event.dataTransfer) event.dataTransfer.dropEffect = 'copy';
			},
			drop: (event: DragEvent) => {
				event.preventDefault();
				event.stopPropagation();
				depth = 0;
				this.dropped = [...this.dropped, ...(event.dataTransfer?.files ?? [])];
			}
		};
		const heard = (event: DragEvent) => {
			if (!holdsFiles(event)) return;
			on[event.type as keyof typeof on](event);
			this.over = depth > 0;
		};
		const kinds = Object.keys(on) as (keyof typeof on)[];
		for (const kind of kinds) addEventListener(kind, heard, { capture: true });
		return () => {
			for (const kind of kinds) removeEventListener(kind, heard, { capture: true });
		};
	}

	/** What was dropped since it was asked for last. */
	take(): readonly File[] {
		const files = this.dropped;
		this.dropped = [];
		return files;
	}
}

export const dropping = new Dropping();
