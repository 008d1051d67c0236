import { clamp } from '$core/kernel';
import { lastPosition, windowFrets, type Instrument } from '$core/neck';

/** A press that moves by more px than this drags the window; a shorter one is a click. */
const SLACK = 4;

/** What a press on the neck needs to know of it. */
type Held = {
	readonly svg: SVGSVGElement;
	/** Width that the neck is drawn in; the picture may be shown in another. */
	readonly width: number;
	readonly instrument: Instrument;
	readonly position: number;
	/** The fret under a point of the drawing. */
	readonly fretAt: (x: number) => number;
	readonly onposition: (position: number) => void;
};

/** The window of the hand, dragged along the drawn neck. */
export class NeckDrag {
	dragging = $state(false);
	/** Where a press began: what is under the pointer then stays the measure, whatever scrolls into view. */
	private press: {
		readonly x: number;
		readonly fret: number;
		readonly position: number;
		readonly fretAt: (x: number) => number;
	} | null = null;

	constructor(private readonly held: () => Held) {}

	private localX(event: PointerEvent): number {
		const { svg, width } = this.held();
		const box = svg.getBoundingClientRect();
		return ((event.clientX - box.left) / box.width) * width;
	}

	readonly grab = (event: PointerEvent): void => {
		if (event.button !== 0) return;
		const { fretAt, instrument, position } = this.held();
		const x = this.localX(event);
		const fret = fretAt(x);
		const { low, high } = windowFrets(instrument, position);
		const inWindow = fret >= low && fret <= high;
		const there = instrument.slide ? fret : fret - 1;
		this.press = { x, fret, position: inWindow ? position : there, fretAt };
		// A press beside the window brings the window there.
		if (!inWindow) this.moveTo(this.press.position);
	};

	readonly drag = (event: PointerEvent): void => {
		const { press } = this;
		if (!press) return;
		// Let go somewhere outside.
		if (event.buttons === 0) return this.release();
		const x = this.localX(event);
		if (!this.dragging) {
			if (Math.abs(x - press.x) < SLACK) return;
			this.dragging = true;
			this.held().svg.setPointerCapture(event.pointerId);
		}
		this.moveTo(press.position + press.fretAt(x) - press.fret);
	};

	readonly release = (): void => {
		this.press = null;
		this.dragging = false;
	};

	private moveTo(wanted: number): void {
		const { instrument, position, onposition } = this.held();
		const there = clamp(wanted, 1, lastPosition(instrument));
		if (there !== position) onposition(there);
	}
}
