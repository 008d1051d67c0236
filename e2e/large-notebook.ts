import { createHash } from 'node:crypto';

/** An id that is the same every time. */
const idOf = (kind: string, n: number): string => {
	const hex = createHash('sha256').update(`${kind} ${n}`).digest('hex');
	return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
};

const ROOTS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'];
const START = Date.parse('2026-01-05T18:00:00Z');
const times = (n: number) => {
	const at = new Date(START + n * 60_000).toISOString();
	return { version: 1, createdAt: at, updatedAt: at };
};

function chartOf(n: number): string {
	const root = ROOTS[n % 12];
	const other = ROOTS[(n + 5) % 12];
	const bars = `| ${root}7 | ${other}7 | ${root}7 | % |\n| ${other}7 | % | ${root}7 | ${ROOTS[(n + 7) % 12]}7 |`;
	return `title: Evening ${n} at pier ${n % 97}\nkey: ${root} blues\ntempo: ${80 + (n % 60)}\n\n[Head]\n${bars} // lean back ${n}\n`;
}

/**
 * The text of a backup of so many tunes and takes, part by part, made up anew each time in the same way; a third of
 * the tunes have a card and their takes.
 */
export function* largeNotebook(tunes: number, takes: number): Generator<string> {
	const list = function* (count: number, make: (n: number) => unknown) {
		for (let n = 0; n < count; n++) yield (n > 0 ? ',' : '') + JSON.stringify(make(n));
	};
	const head = { format: 'arc-step/backup', formatVersion: 1, exportedAt: times(0).createdAt };
	yield `${JSON.stringify(head).slice(0, -1)},"tunes":[`;
	yield* list(tunes, (n) => ({
		...{ id: idOf('tune', n), title: `Evening ${n} at pier ${n % 97}` },
		...{ chart: chartOf(n), ...times(n) }
	}));
	yield '],"routes":[],"motifs":[],"sets":[';
	yield* list(Math.ceil(tunes / 50), (n) => ({
		...{ id: idOf('set', n), name: `Set ${n}`, note: '', ...times(n) },
		tunes: Array.from({ length: Math.min(25, tunes - n * 50) }, (_, i) => idOf('tune', n * 50 + i))
	}));
	yield '],"instruments":[],"player":null,"cards":[';
	const cards = Math.max(1, Math.floor(tunes / 3));
	const ladder = { start: 60, step: 4, ceiling: 140, up: 2 };
	const drill = (n: number) => ({
		...{ preset: 'free', routeId: null, position: 1 + (n % 10), key: null },
		...{ rules: { notes: 'scale' }, range: null, loops: 1, ladder }
	});
	const memory = {
		...{ due: START, stability: 2, difficulty: 5, scheduledDays: 1, reps: 1, lapses: 0, state: 2 },
		lastReview: START
	};
	const schedule = { memory, before: memory, day: null, grades: [] };
	yield* list(cards, (n) => ({
		...{ id: idOf('card', n), tuneId: idOf('tune', n), position: 1 + (n % 10), key: '' },
		...{ due: times(n).createdAt, drill: drill(n), tempo: 80, cleanInRow: 0, schedule },
		...{ resting: false, ...times(n) }
	}));
	yield '],"takes":[';
	yield* list(takes, (n) => {
		const of = n % cards;
		const results = ['landed', 'late', 'missed', 'held'] as const;
		const at = START + n * 60_000;
		return {
			...{ id: idOf('take', n), tuneId: idOf('tune', of), cardId: idOf('card', of) },
			...{ playedAt: new Date(at).toISOString(), position: 1 + (of % 10), key: '', tempo: 80 },
			...{ input: 'midi', rule: 'free', drill: drill(of), pass: null, looped: false },
			...{ landed: 6, asked: 12, clean: false, grade: null, biasMs: 4, spreadMs: 20 },
			...{ durationMs: 24_000, note: n % 10 === 0 ? `breathe before bar ${n % 12}` : '' },
			chart: chartOf(of),
			events: Array.from({ length: 48 }, (_, i) => ({
				...{ timeMs: i * 500 + (n % 37), durationMs: 430.5, midi: 50 + ((n + i) % 24) }
			})),
			changes: Array.from({ length: 12 }, (_, i) => ({
				...{ loop: 0, change: i, kind: 'dominant', symbol: 'Bb7', bar: 1 + i },
				...{ result: results[(n + i) % 4], role: '3', errorMs: (n % 50) - 25 }
			})),
			...times(n)
		};
	});
	yield ']}';
}
