import { notation } from '$core/pitch';
import { findProgression, parseKey, readProgression } from '$core/chart';
import { proseSigns, signs, type Chord } from '$core/chord';
import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import type { Match, SearchAnswer } from '../api/search-schema';
import type { TuneReading, Written } from '../api/tune-reading';
import type { Database } from './database';
import { route, setItem, setList, take, tune } from './schema';

/** Letters alike for searching: small, without accents, typographic accidentals as ASCII. */
const fold = (text: string): string =>
	text
		.replaceAll('♭', 'b')
		.replaceAll('♯', '#')
		.normalize('NFD')
		.replace(/\p{M}/gu, '')
		.toLowerCase();
const wordsOf = (query: string): string[] => fold(query).split(/\s+/).filter(Boolean);
const holds = (text: string, words: readonly string[]): boolean => {
	const folded = fold(text);
	return words.every((word) => folded.includes(word));
};

/** Whether a query names a key: its tonic alone, or with the mode. */
function namesKey(query: string, key: string): boolean {
	const [wanted, has] = [fold(query).trim(), fold(key)];
	return wanted !== '' && (wanted === has || (has.startsWith(`${wanted} `) && !/\s/.test(wanted)));
}

/** A query, read once for all tunes: as words, and as a progression in each key that comes up. */
class Query {
	readonly words: readonly string[];
	private readonly inKeys = new Map<string, readonly Chord[] | null>();

	constructor(readonly text: string) {
		this.words = wordsOf(text);
	}

	/** The progression that it names in a key, numerals and all; null where it names none. */
	chords(key: string): readonly Chord[] | null {
		const known = this.inKeys.get(key);
		if (known !== undefined) return known;
		const read = readProgression(this.text, parseKey(key));
		this.inKeys.set(key, read);
		return read;
	}

	/** Whether it names a progression in any key. */
	get isProgression(): boolean {
		return this.chords('C major') !== null;
	}
}
export const queryOf = (text: string): Query => new Query(text);

/** What of a tune is looked through; all of it stands in columns. */
type Looked = Pick<TuneReading, 'title' | 'key' | 'written'>;

/** Where one tune answers a query by its title, its key, and words about it. */
export function matchesOf(
	{ text, words }: Query,
	one: Looked,
	about: readonly Written[]
): { readonly byName: Match[]; readonly byWords: Match[] } {
	const byName: Match[] = [];
	if (words.length === 0) return { byName, byWords: [] };
	if (holds(one.title, words)) byName.push({ in: 'title', text: one.title });
	if (namesKey(text, one.key)) byName.push({ in: 'key', text: proseSigns(one.key) });
	const said = [...one.written, ...about].find((entry) => holds(entry.text, words));
	if (!said) return { byName, byWords: [] };
	return {
		byName,
		byWords: [{ in: 'words', text: `${said.place}: ${proseSigns(said.text)}` }]
	};
}

/** A progression as it is told, with the bar in which it begins. */
export function chordMatch(
	hit: { readonly from: number; readonly to: number },
	places: TuneReading['places']
): Match {
	const found = places.slice(hit.from, hit.to);
	const symbols = found.map(([, symbol]) => signs(notation(symbol))).join(' ');
	return { in: 'chords', text: `bar ${found[0][0]}: ${symbols}` };
}

const alive = isNull(tune.deletedAt);

/** What of a tune is looked through for chords. */
type Heard = {
	readonly id: string;
	readonly key: string;
	/** Only where chords are asked for. */
	readonly sounds?: TuneReading['sounds'];
};

/** The progression of a query in every tune that plays it. */
async function chordMatches(
	db: Database,
	query: Query,
	tunes: readonly Heard[]
): Promise<Map<string, Match>> {
	const hits = new Map<string, { from: number; to: number }>();
	for (const { id, key, sounds } of tunes) {
		const wanted = sounds && query.chords(key);
		const hit = wanted && findProgression(sounds, wanted);
		if (hit) hits.set(id, hit);
	}
	if (hits.size === 0) return new Map();
	const places = await db
		.select({ id: tune.id, places: tune.places })
		.from(tune)
		// One parameter, however many there are: reading thousands of them takes longer than finding the rows.
		.where(sql`${tune.id} = any(${`{${[...hits.keys()].join(',')}}`}::uuid[])`);
	return new Map(
		places.flatMap((row) => {
			const hit = hits.get(row.id);
			return hit ? [[row.id, chordMatch(hit, row.places)] as const] : [];
		})
	);
}

/** Finds tunes by title, key, chords one after the other, and what was written about them. */
export async function search(db: Database, text: string): Promise<SearchAnswer> {
	const query = queryOf(text);
	const looked = { id: tune.id, title: tune.title, key: tune.key, written: tune.written };
	const tunes = await db
		// What sounds is fetched only for who asks for chords.
		.select(query.isProgression ? { ...looked, sounds: tune.sounds } : looked)
		.from(tune)
		.where(alive)
		.orderBy(asc(tune.createdAt), asc(tune.id));
	const played = await chordMatches(db, query, tunes);
	const written = new Map<string, Written[]>();
	const add = (place: string, rows: readonly { tuneId: string; text: string }[]) => {
		for (const row of rows) {
			const list = written.get(row.tuneId) ?? [];
			list.push({ place, text: row.text });
			written.set(row.tuneId, list);
		}
	};
	add('route', await db.select({ tuneId: route.tuneId, text: route.name }).from(route));
	add(
		'note on a take',
		await db
			.select({ tuneId: take.tuneId, text: take.note })
			.from(take)
			// As the index has it, which a parameter would hide.
			.where(sql`${take.note} <> ''`)
	);
	const sets = await db
		.select({ tuneId: setItem.tuneId, name: setList.name, note: setList.note })
		.from(setItem)
		.innerJoin(setList, eq(setList.id, setItem.setId))
		.innerJoin(tune, and(eq(tune.id, setItem.tuneId), alive));
	add(
		'set',
		sets.map(({ tuneId, name, note }) => ({ tuneId, text: note ? `${name}, ${note}` : name }))
	);
	const found = tunes.flatMap((one) => {
		const { byName, byWords } = matchesOf(query, one, written.get(one.id) ?? []);
		const matches = [...byName, ...[played.get(one.id) ?? []].flat(), ...byWords];
		return matches.length > 0 ? [{ id: one.id, title: one.title, matches }] : [];
	});
	return { found };
}
