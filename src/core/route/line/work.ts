import type { Chart } from '../../chart';
import type { Scale } from '../../harmony';
import { instrumentKey } from '../../neck';
import { scalesAlong } from '../scale-plan';
import type { Target } from '../types';
import { type Motion, type Stretch } from './lattice';
import { Pools } from './moments';
import { type Onset, rhythmOf } from './rhythm';
import { stretchesOf } from './stretches';
import type { LineRequest, LineWishes } from './types';
import { type Strand } from './weave';

/** Ways that are remembered. */
const MOST_SOLVED = 4096;

/**
 * What a plan of a line leaves for the next: pools, tables of moves and solved stretches, so that after
 * one change only what changed is searched again. It belongs to one chart; the answer never depends on it.
 */
export class LineWork {
	private signature = '';
	/** What was asked for last, part by part. */
	private asked: readonly unknown[] = [];
	/** The scale that each event of the chart draws on. */
	scales: readonly (Scale | null)[] = [];
	/** Hears how much of a long plan is done, 0 … 1. */
	onProgress: ((share: number) => void) | null = null;
	/** Triples of notes that searches have weighed so far. */
	relaxations = 0;
	pools: Pools | null = null;
	readonly solved = new Map<string, Strand>();
	/** Strands of stretches that came through unchanged, by identity; they hold under one motion. */
	private strands = new WeakMap<Stretch, Strand>();
	private motion = '';
	private frame: Frame | null = null;

	/** Starts afresh where the request differs in what every stretch depends on. */
	open(request: LineRequest): Pools {
		const { chart, instrument, scale, style, line } = request;
		const { scalePlan, byHand, alternate } = line;
		const asked = [chart, instrument, scale, style, isStrict(request), line.only] as const;
		const ways = [scalePlan, byHand, alternate] as const;
		const same = [...asked, ...ways].every((part, i) => part === this.asked[i]);
		if (this.pools && same && this.solved.size <= MOST_SOLVED) return this.pools;
		this.asked = [...asked, ...ways];
		const scales = scalesAlong(chart, scale, scalePlan, byHand, alternate);
		this.scales = scales;
		const kept = isStrict(request) ? keptAlong(request) : null;
		const used = style === 'arpeggio' ? scales.map(() => null) : scales;
		const notes = used.map((entry) => entry?.notes.map((note) => note.name).join(',') ?? '-');
		const signature = `${instrumentKey(instrument)} ${style === 'blend'} ${notes.join(' ')} ${namesOf(kept)}`;
		if (!this.pools || signature !== this.signature || this.solved.size > MOST_SOLVED) {
			this.signature = signature;
			this.solved.clear();
			this.pools = new Pools(chart, instrument, used, { blend: style === 'blend', kept });
			this.strands = new WeakMap();
			this.frame = null;
		}
		return this.pools;
	}

	/** The onsets of a line; those of the last plan where nothing of the rhythm changed. */
	rhythm(chart: Chart, targets: readonly Target[], line: LineWishes): readonly Onset[] {
		const key = rhythmKey(chart, targets, line);
		if (this.frame?.chart !== chart || this.frame.key !== key) {
			this.frame = { chart, key, onsets: rhythmOf(chart, targets, line), cut: null };
		}
		return this.frame.onsets;
	}

	/** The ways between targets; those that begin and end as in the last plan are the same objects. */
	stretches(
		request: LineRequest,
		targets: readonly Target[],
		onsets: readonly Onset[],
		pools: Pools,
		motion: Motion
	): Stretch[] {
		const { taste, direction, msPerTick } = motion;
		const name = `${msPerTick} ${isStrict(request)} ${direction} ${taste.spice} ${taste.seed} ${taste.strings} ${request.style} ${request.line.scalePlan} ${request.windows?.join() ?? ''}`;
		if (name !== this.motion) {
			this.motion = name;
			this.strands = new WeakMap();
			if (this.frame) this.frame.cut = null;
		}
		const before = this.frame?.cut ?? [];
		const made = stretchesOf(request, targets, onsets, pools, msPerTick, before);
		if (this.frame) this.frame.cut = made;
		return [...made];
	}

	/** The strand of a stretch that was solved under this motion, or what `solve` makes of it. */
	strandOf(stretch: Stretch, solve: () => Strand): Strand {
		const known = this.strands.get(stretch);
		if (known) return known;
		const strand = solve();
		this.strands.set(stretch, strand);
		return strand;
	}
}

/**
 * The way between landings keeps to the notes of its scales: where the player asks for these alone, and where
 * one scale without chromatic notes is asked for. A blend lives on the third that its scale lacks.
 */
const isStrict = ({ style, line }: LineRequest): boolean =>
	line.only === true ||
	(line.scalePlan === 'one' &&
		(line.spice ?? 0) === 0 &&
		style !== 'arpeggio' &&
		style !== 'blend');

/** The scales whose notes there are, by event; chord tones alone are those of the scale in use. */
function keptAlong({ chart, scale, line }: LineRequest): readonly (Scale | null)[] {
	const plan = line.scalePlan === 'arpeggio' ? 'one' : line.scalePlan;
	return scalesAlong(chart, scale, plan, line.byHand, line.alternate);
}

const namesOf = (scales: readonly (Scale | null)[] | null): string =>
	scales?.map((scale) => scale?.notes.map(({ pc }) => pc).join() ?? '-').join(' ') ?? '';

/** The rhythm of the last plan and how it was cut into ways. */
type Frame = {
	readonly chart: Chart;
	readonly key: string;
	readonly onsets: readonly Onset[];
	cut: readonly Stretch[] | null;
};

/** Everything besides the chart that the rhythm of a line depends on. */
function rhythmKey(chart: Chart, targets: readonly Target[], line: LineWishes): string {
	const { grid, anticipate, frozen, cellOf, airAt } = line;
	let key = `${grid} ${anticipate}`;
	let section: string | null | undefined;
	for (const bar of chart.played) {
		if (airAt?.(bar)) key += ` -${bar.index}`;
		if (bar.section === section) continue;
		section = bar.section;
		const { id, says } = cellOf(section);
		key += ` ${id} ${says}`;
	}
	for (const { change } of targets) key += ` ${change}`;
	return frozen && frozen.length > 0 ? `${key} ${JSON.stringify(frozen)}` : key;
}
