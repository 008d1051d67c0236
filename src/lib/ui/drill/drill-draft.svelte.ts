import { barFret } from '$core/neck';
import { drillOf, type Drill, type Ladder, type Preset } from '$core/practice';
import type { Grid } from '$core/route';
import type { DrillDesk } from '$lib/state/drill/drill-desk.svelte';

type Rules = Drill['rules'];

/** A drill while it is chosen: what, where, how fast, and its rules one by one; it begins as the desk's. */
export class DrillDraft {
	preset: Preset | null = $state(null);
	position = $state(1);
	key: string | null = $state(null);
	/** Bars from 1, both in it. */
	from = $state(1);
	to = $state(1);
	ladder: Ladder = $state({ start: 60, ceiling: 60, step: 1, up: 1 });
	loops = $state(1);
	grid: Grid | 'any' = $state('any');
	notes: NonNullable<Rules['notes']> | 'any' = $state('any');
	landOn: NonNullable<Rules['landOn']> | 'any' = $state('any');
	colours: NonNullable<Rules['colours']> = $state('miss');
	locked = $state(false);
	strings: string[] = $state([]);
	fret: number | null = $state(null);
	air = $state(false);
	routeId: string | null = $state(null);
	readonly #desk: DrillDesk;
	readonly #letPass: Rules['letPass'];

	constructor(desk: DrillDesk) {
		const { drill } = desk;
		this.#desk = desk;
		this.#letPass = drill.rules.letPass;
		({ preset: this.preset, position: this.position, key: this.key } = drill);
		({ loops: this.loops, routeId: this.routeId } = drill);
		this.from = (drill.range?.from ?? 0) + 1;
		this.to = drill.range?.to ?? this.bars;
		this.ladder = { ...drill.ladder };
		this.#follow(drill.rules);
		this.air = (drill.rules.restBars?.length ?? 0) > 0;
		this.strings = (drill.rules.strings ?? []).map(String);
		this.fret = drill.rules.fret ?? null;
	}
	get bars(): number {
		return this.#desk.open.chart.played.length;
	}
	#follow(rules: Rules): void {
		this.grid = rules.grid ?? 'any';
		this.notes = rules.notes ?? 'any';
		this.landOn = rules.landOn ?? 'any';
		this.colours = rules.colours ?? 'miss';
		this.locked = rules.position !== undefined;
		this.air = rules.restBars !== undefined;
	}
	get #where() {
		const { position, key, from, to } = this;
		const range = from === 1 && to === this.bars ? null : { from: from - 1, to };
		return { position, key, range };
	}

	/** Takes a preset's rules; what was set one by one goes. */
	choosePreset(next: Preset): void {
		this.preset = next;
		this.#follow(drillOf(next, this.#desk.open.chart, this.#where).rules);
		this.strings = [];
		this.fret = null;
	}
	/** A saved route brings its place; one that moves, or is played with a slide, brings its own rules. */
	async chooseRoute(id: string | null): Promise<void> {
		this.routeId = id;
		const route = this.#desk.routes.find((one) => one.id === id);
		if (!id || !route) return;
		this.position = route.position;
		const about = await this.#desk.plan.about(id);
		if (!about || this.routeId !== id) return;
		if (about.roams || about.slide > 0) this.locked = false;
		this.fret = about.slide === 1 && !about.roams ? barFret(this.position) : null;
	}
	/** The drill as it stands. */
	readonly drill = $derived.by((): Drill => {
		const { preset, routeId, loops, notes, grid, landOn, colours, strings, fret } = this;
		const { position, key, range } = this.#where;
		const { restBars } = drillOf('answer', this.#desk.open.chart, this.#where).rules;
		return {
			...{ preset, range, routeId, position, key, loops },
			ladder: $state.snapshot(this.ladder),
			rules: {
				...(notes === 'any' ? {} : { notes }),
				...(grid === 'any' ? {} : { grid }),
				...(landOn === 'any' ? {} : { landOn }),
				...(colours === 'miss' ? {} : { colours }),
				...(this.locked ? { position } : {}),
				...(strings.length > 0 ? { strings: strings.map(Number).sort((a, b) => a - b) } : {}),
				...(fret === null ? {} : { fret }),
				...(this.air ? { restBars } : {}),
				...(this.#letPass ? { letPass: this.#letPass } : {})
			}
		};
	});
}
