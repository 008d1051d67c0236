/** Ms without a change after which what is out of sight is drawn. */
const PAUSE = 350;
/** Parts drawn in one go: together well inside a frame. */
const SLICE = 4;

/** Runs a step when the browser has nothing else to do; returns how to call it off. */
function whenIdle(step: () => void): () => void {
	if (typeof requestIdleCallback === 'function') {
		const id = requestIdleCallback(step, { timeout: 1000 });
		return () => cancelIdleCallback(id);
	}
	const id = setTimeout(step, 30);
	return () => clearTimeout(id);
}

/**
 * Draws a long list in slices: after each change of what it shows, what is in sight at once, the rest a few parts at a
 * time once the changes pause, so that a change costs the same in a short list and a long one.
 */
export class InSlices<T> {
	private drawn: { readonly of: T | null; readonly count: number } = $state.raw({
		of: null,
		count: 0
	});

	/** The part at this place is to be drawn as `content` has it, in sight or not. */
	holds(content: T, at: number): boolean {
		return this.drawn.of === content && at < this.drawn.count;
	}

	/** Something was drawn before; what waits for the changes to pause must not depend on what is drawn. */
	private begun = false;

	/** Begins to draw a content of so many parts; returns how to call it off. */
	draw(content: T, parts: number): () => void {
		let stop = () => {};
		let count = 0;
		const step = () => {
			count += SLICE;
			this.drawn = { of: content, count };
			if (count < parts) stop = whenIdle(step);
		};
		const timer = setTimeout(() => (stop = whenIdle(step)), this.begun ? PAUSE : 0);
		this.begun = true;
		return () => {
			clearTimeout(timer);
			stop();
		};
	}
}
