import { eventAt, type Chart } from '$core/chart';
import { browser } from '$app/environment';
import { toneAt } from '$core/chord';
import { placeLine, placeUnder, type Instrument, type Place } from '$core/neck';
import { plainName } from '$core/pitch';
import { inKey, warmUp, WARM_UP_WORDS, type PlanNote, type WarmUp } from '$core/practice';
import { drillNotes, drillRoute } from '$lib/api/drill-route';
import type { RouteAnswer } from '$lib/api/notebook-schema';
import type { NoteAnswer } from '$lib/api/plan-schema';
import type { CardDrill } from '$lib/api/practice-schema';
import type { PlannedRoute } from '$lib/api/route';
import { Planner } from '$lib/workers/planner';
import { send } from '../api';
import type { OpenTune } from '../open-tune.svelte';
import { handOn, holdAs, savedTargets } from '../played-route';
import type { Transport } from '../transport.svelte';
import type { PlayedRoute } from '../played';

/** What a saved route asks of a drill over it. */
export type AboutRoute = {
	/** Frets that a slide lies on; 0 is played with the fingers. */
	readonly slide: 0 | 1 | 2;
	/** The hand leaves the route's position on the way. */
	readonly roams: boolean;
};

/** What a drill lands on, planned by its rules or read from a saved route, and its warm-ups. */
export class DrillPlan {
	made: Pick<PlannedRoute, 'targets' | 'notes'> | null = $state.raw(null);
	trouble: string | null = $state(null);
	private drill: CardDrill | null = $state.raw(null);
	private handAt: PlayedRoute['handAt'] = () => this.open.position;
	private readonly planner = new Planner();

	/** What the simulated player reads. */
	readonly notes: readonly PlanNote[] = $derived.by(() => {
		const { made, drill, open } = this;
		return made && drill ? drillNotes(open.chart, open.held, drill, made) : [];
	});

	/** @param rule the drill's rules on one line */
	constructor(
		private readonly open: OpenTune,
		private readonly transport: Transport,
		private readonly rule: () => string
	) {}

	/** Plans a drill, or reads its route, and shows its landings. */
	async make(drill: CardDrill): Promise<void> {
		const { open } = this;
		this.drill = drill;
		this.trouble = null;
		holdAs(open, { slide: 0, block: false });
		// The server draws the page without a plan; the browser's worker makes it.
		if (!browser || open.chart.changes.length === 0) return;
		const { routeId, key } = drill;
		if (routeId !== null && key === null && (await this.read(routeId, drill))) return;
		const text = open.keyed?.text ?? open.saved.chart;
		const { instruments, hand } = open.player;
		const request = drillRoute(text, open.chart, drill, instruments, hand);
		const answer = await this.planner.plan(request);
		if (answer === null || this.drill !== drill) return;
		if ('error' in answer) {
			this.made = null;
			this.trouble = answer.error[0].message;
			return;
		}
		this.made = answer.value;
		this.handAt = handOn(open, answer.value.targets, drill.position);
		this.show();
	}

	/** Takes a saved route's landings, and its line where the chart is still the one it was planned on. */
	private async read(id: string, drill: CardDrill): Promise<boolean> {
		const { open } = this;
		const route = await send<RouteAnswer>('GET', `/api/v1/routes/${id}`).catch(() => null);
		if (!route || this.drill !== drill) return route !== null;
		holdAs(open, route.line);
		const targets = savedTargets(route, open.chart, open.instrument);
		const fresh = route.tuneVersion === open.saved.version;
		this.made = { targets, notes: fresh ? route.plan.notes : [] };
		this.handAt = handOn(open, targets, route.position, route.line);
		this.show();
		return true;
	}

	/** What a saved route asks of the rules; null where it cannot be read. */
	async about(id: string): Promise<AboutRoute | null> {
		const route = await send<RouteAnswer>('GET', `/api/v1/routes/${id}`).catch(() => null);
		if (!route) return null;
		const { chart } = inKey(this.open.saved.chart, null);
		const targets = savedTargets(route, chart, this.open.instrument);
		const at = handOn(this.open, targets, route.position, route.line);
		const roams = targets.some(({ change }) => at(change) !== route.position);
		return { slide: route.line.slide, roams };
	}

	/** The stand view and the neck follow the drill's landings; nobody plays them but the player. */
	show(): void {
		if (!this.made) return;
		this.transport.route = {
			notes: [],
			targets: this.made.targets,
			handAt: this.handAt,
			rule: this.rule(),
			silent: true
		};
	}

	/** Plays notes in place of the plan: a warm-up, or a pass again. */
	lay(notes: PlayedRoute['notes'], rule: string): void {
		const targets = this.made?.targets ?? [];
		this.transport.route = { notes, targets, handAt: this.handAt, rule };
	}

	/** Lays a warm-up out of the plan; false where there is no plan to make one of. */
	warm(kind: WarmUp, drill: CardDrill): boolean {
		const { open, made, transport } = this;
		if (!made) return false;
		const { chart, held } = open;
		const notes = warmUp(kind, chart, held, drill.position, made.targets[0] ?? null);
		transport.route = {
			notes: notes.map((note) => noteOver(chart, held, drill.position, note)),
			targets: [],
			handAt: () => drill.position,
			rule: `warm-up: ${WARM_UP_WORDS[kind].name.toLowerCase()}`
		};
		return true;
	}

	close(): void {
		this.planner.close();
		holdAs(this.open, { slide: 0, block: false });
	}
}

/** A note that sounds over a chart: ticks as written. */
type Heard = { readonly tick: number; readonly durationTicks: number; readonly midi: number };

/** A note as the stand view and the band's line read it. */
function noteOver(
	chart: Chart,
	instrument: Instrument,
	position: number,
	note: Heard & Place
): NoteAnswer {
	const event = eventAt(chart, note.tick);
	const tone = event?.chord ? toneAt(event.chord, note.midi) : undefined;
	return {
		...note,
		name: tone?.name ?? plainName(note.midi % 12),
		role: tone?.role ?? null,
		kind: 'chord',
		finger: placeUnder(instrument, position, note).finger,
		technique: null,
		chord: event?.index ?? 0
	};
}

/** The same for pitches alone: each where the hand would take it; pitches off the neck are left out. */
export function notesOver(
	chart: Chart,
	instrument: Instrument,
	position: number,
	heard: readonly Heard[]
): NoteAnswer[] {
	const places = placeLine(
		instrument,
		position,
		heard.map(({ midi }) => midi)
	);
	return heard.flatMap((note, i) => {
		const place = places[i];
		if (!place) return [];
		const { string, fret } = place;
		return [noteOver(chart, instrument, position, { ...note, string, fret })];
	});
}
