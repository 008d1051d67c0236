import { playing, type Also, type Playing } from '../route';

/**
 * A sign in a row of tab: a fret with what is said of it, a point that ends what rings on its string, or `=`, under which
 * a string rings on while others are struck. Columns from the row's first character.
 */
export type TabSign = {
	readonly kind: 'fret' | 'stop' | 'hold';
	readonly column: number;
	/** Where its grace note begins; its own column without one. */
	readonly start: number;
	readonly length: number;
	readonly fret: number;
	/** How it is reached, as it is written: `/` may begin at the note before or nowhere. */
	readonly reach: Reach | null;
	readonly playing: Partial<Playing>;
	/** A bend without a goal: it is read as a whole tone. */
	readonly open: boolean;
};

type Reach = 'h' | 'p' | 'b' | 'r' | 't' | '/' | '\\' | '//' | '\\\\';

const BEFORE = /^(\/\/|\\\\|[hprtb/\\])(?=[x\d])/i;
const GRACE = /^\((\d+)\)(?=(?:[hpb/\\])?[x\d])/i;
const BODY = /^(?:x\d*|\d+|\(\d+\))/i;
const BEND = /^(b)(?:(\d+)|full|ful)?(r\d*)?/i;
const TRILL = /^t(?:r(?!\d))?(\d+)?/i;

/** Semitones that a finger bends at most, and that a trill spans. */
const MOST = 4;

const AFTER: Readonly<Record<string, Also>> = {
	'~': 'vibrato',
	'^': 'curl',
	m: 'palm-mute',
	"'": 'staccato',
	_: 'let-ring',
	d: 'down-stroke',
	u: 'up-stroke'
};

/** What stands behind a fret, until the next one or a dash. */
function behind(text: string, fret: number) {
	const also: Also[] = [];
	let [at, open] = [0, false];
	let bend: number | undefined;
	let trill: number | undefined;
	let technique: Playing['technique'] = null;
	for (;;) {
		const rest = text.slice(at);
		const bent = BEND.exec(rest);
		if (bent && bend === undefined) {
			const goal = bent[2] === undefined ? 2 : Number(bent[2]) - fret;
			// What cannot be bent so far is a note of its own.
			if (goal < 1 || goal > MOST) break;
			bend = goal;
			open = bent[2] === undefined;
			technique = bent[1] === 'B' ? 'pre-bend' : 'bend';
			if (bent[3] !== undefined) also.push('release');
			at += bent[0].length;
			continue;
		}
		const trilled = TRILL.exec(rest);
		if (trilled && !also.includes('trill')) {
			const goal = trilled[1] === undefined ? undefined : Number(trilled[1]) - fret;
			// Further up it is another note, tapped.
			if (goal !== undefined && (goal < 1 || goal > MOST)) break;
			also.push('trill');
			trill = goal;
			at += trilled[0].length;
			continue;
		}
		const away = /^[/\\](?![x\d(/\\])/i.exec(rest);
		if (away) {
			also.push(rest[0] === '/' ? 'slide-away-up' : 'slide-away-down');
			at += 1;
			continue;
		}
		const sign = AFTER[rest[0]?.toLowerCase() ?? ''];
		if (!sign) break;
		if (!also.includes(sign)) also.push(sign);
		at += 1;
	}
	return { length: at, technique, also, bend, trill, open };
}

/** The signs of a stretch of a row, in order. */
export function signsIn(text: string): TabSign[] {
	const found: TabSign[] = [];
	const none = { fret: 0, reach: null, playing: {}, open: false };
	for (let at = 0; at < text.length;) {
		const start = at;
		const rest = text.slice(at);
		if (rest[0] === '.' || rest[0] === '=') {
			const kind = rest[0] === '.' ? 'stop' : 'hold';
			found.push({ kind, column: at, start: at, length: 1, ...none });
			at += 1;
			continue;
		}
		const grace = GRACE.exec(rest);
		if (grace) at += grace[0].length;
		const before = BEFORE.exec(text.slice(at));
		if (before) at += before[0].length;
		const body = BODY.exec(text.slice(at));
		if (!body) {
			at = start + 1;
			continue;
		}
		const dead = /^x/i.test(body[0]);
		const fret = Number(/\d+/.exec(body[0])?.[0] ?? 0);
		const column = body[0].startsWith('(') ? at + 1 : at;
		at += body[0].length;
		const { length, technique, also, bend, trill, open } = behind(text.slice(at), fret);
		at += length;
		found.push({
			kind: 'fret',
			column,
			start: grace ? start : column,
			length: at - column,
			fret,
			reach: (before?.[0].toLowerCase() ?? null) as Reach | null,
			playing: playing({
				technique,
				also: dead ? [...also, 'dead'] : also,
				...(bend === undefined ? {} : { bend }),
				...(trill === undefined ? {} : { trill }),
				...(grace ? { grace: Number(grace[1]) } : {})
			}),
			open
		});
	}
	return found;
}

const REACHED = { h: 'hammer-on', p: 'pull-off', b: 'bend', r: 'release', t: 'tap' } as const;

/**
 * How a note is played, once it is known whether the one before on its string still rings when it is struck: what slides
 * comes from there, or from nowhere.
 */
export function reachedAs(sign: TabSign, joined: boolean): Partial<Playing> {
	const { reach, playing: own } = sign;
	if (reach === null) return own;
	const technique =
		reach === 'h' || reach === 'p' || reach === 'b' || reach === 'r' || reach === 't'
			? REACHED[reach]
			: (joined || own.grace !== undefined) && reach.length === 1
				? 'slide'
				: reach.startsWith('/')
					? 'slide-from-below'
					: 'slide-from-above';
	// How it is reached leads; what it does then comes with it.
	const rings = own.technique && own.technique !== 'bend' ? [own.technique as Also] : [];
	return playing({ ...own, technique, also: [...(own.also ?? []), ...rings] });
}
