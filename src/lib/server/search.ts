import { findProgression, parseKey, readProgression } from '$core/chart';
import { proseSigns, signs, type Chord } from '$core/chord';
import { and, asc, eq, isNull, ne } from 'drizzle-orm';
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

/** What of a tune is looked through; all of it stands in columns. */
type Looked = Pick<TuneReading, 'title' | 'key' | 'sounds' | 'places' | 'written'>;

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
}

/** Where one tune answers a query: by its title, its key, a progression in it, words about it. */
export function matchesOf(query: Query, one: Looked, about: readonly Written[]): Match[] {
	const { words } = query;
	if (words.length === 0) return [];
	const found: Match[] = [];
	if (holds(one.title, words)) found.push({ in: 'title', text: one.title });
	if (namesKey(query.text, one.key)) found.push({ in: 'key', text: signs(one.key) });
	const wanted = query.chords(one.key);
	const hit = wanted && findProgression(one.sounds, wanted);
	if (hit) {
		const places = one.places.slice(hit.from, hit.to);
		const symbols = places.map(([, symbol]) => signs(symbol)).join(' ');
		found.push({ in: 'chords', text: `bar ${places[0][0]}: ${symbols}` });
	}
	const said = [...one.written, ...about].find(({ text }) => holds(text, words));
	if (said) found.push({ in: 'words', text: `${said.place}: ${proseSigns(said.text)}` });
	return found;
}

export const queryOf = (text: string): Query => new Query(text);

/** Finds tunes by title, key, chords one after the other, and what was written about them. */
export async function search(db: Database, text: string): Promise<SearchAnswer> {
	const query = queryOf(text);
	const alive = isNull(tune.deletedAt);
	const tunes = await db
		.select({
			...{ id: tune.id, title: tune.title, key: tune.key, written: tune.written },
			...{ sounds: tune.sounds, places: tune.places }
		})
		.from(tune)
		.where(alive)
		.orderBy(asc(tune.createdAt), asc(tune.id));
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
		await db.select({ tuneId: take.tuneId, text: take.note }).from(take).where(ne(take.note, ''))
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
		const matches = matchesOf(query, one, written.get(one.id) ?? []);
		return matches.length > 0 ? [{ id: one.id, title: one.title, matches }] : [];
	});
	return { found };
}
