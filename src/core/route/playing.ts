import { ALSO, type Also, type Playing, type Technique } from './line/types';

export type { Playing };
type Played = Partial<Playing>;

const OUT_OF: readonly (Technique | null | undefined)[] = [
	'hammer-on',
	'pull-off',
	'slide',
	'bend',
	'release'
];

/** True when a note comes out of the one before on its string, without a stroke of its own. */
export const isReached = ({ technique, bend }: Played): boolean =>
	OUT_OF.includes(technique) && !(technique === 'bend' && bend !== undefined);

/** What a note is struck, held or shaken with besides its technique. */
export const isAlso = ({ also }: Played, one: Also): boolean => also?.includes(one) ?? false;

/** The string is muted: a click without a pitch. */
export const isDead = (note: Played): boolean => isAlso(note, 'dead');

/** A note that is shaken, trilled or curled, whichever of its fields says so. */
export const does = (note: Played, one: 'vibrato' | 'trill' | 'curl' | 'release'): boolean =>
	(note.technique === one && one !== 'release') || isAlso(note, one);

/** The pitch that a note comes to, to the nearest semitone: a bend is where it arrives. */
export const arrivalOf = ({ midi, bend }: Played & { readonly midi: number }): number =>
	midi + Math.round(bend ?? 0);

/** How a note is played and nothing else of it: the fields that are there, in one order. */
export function playingOf<T extends Played>({
	technique,
	also,
	bend,
	trill,
	grace
}: T): Partial<Playing> {
	return {
		...(technique === undefined ? {} : { technique }),
		...(also && also.length > 0 ? { also: ALSO.filter((one) => also.includes(one)) } : {}),
		...(bend === undefined ? {} : { bend }),
		...(trill === undefined ? {} : { trill }),
		...(grace === undefined ? {} : { grace })
	};
}

const RINGS = ['curl', 'trill', 'vibrato'] as const;

/**
 * How a note is played, told in the one way in which it is kept: how it is reached or struck is its technique; where it
 * is simply struck the first thing that it does is; the rest stands beside it, in one order.
 */
export function playing(told: Partial<Playing>): Partial<Playing> & Pick<Playing, 'technique'> {
	const also = new Set(told.also ?? []);
	let technique = told.technique ?? null;
	const rings = (one: Technique | null): one is (typeof RINGS)[number] =>
		(RINGS as readonly (Technique | null)[]).includes(one);
	if (told.bend !== undefined && (technique === null || rings(technique))) {
		if (technique !== null) also.add(technique);
		technique = 'bend';
	}
	if (rings(technique)) also.add(technique);
	if (technique === null || rings(technique))
		technique = RINGS.find((one) => also.has(one)) ?? null;
	if (rings(technique)) also.delete(technique);
	const trilled = technique === 'trill' || also.has('trill');
	const trill = trilled ? told.trill : undefined;
	return { ...playingOf({ ...told, trill, also: [...also] }), technique };
}
