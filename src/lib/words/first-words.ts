/** What a screen is for, said once: what to do before what it is called. */
export const FIRST_WORDS = {
	chart:
		'Type chords between bars, as in | Dm7 | G7 |. The bars beside the text show how they read.',
	neck: 'Amber sounds now, blue-green comes next. Move the hand until both chords lie in it.',
	route:
		'Each large mark is the note to land on when the chord changes. Play it, and lock the ones you like.',
	phrase:
		'A short idea of a few notes, moved to fit every chord. Change a note and all of it follows.',
	drill:
		'Play along: the band counts in, each change is judged, and the tempo climbs when it lands.',
	log: 'Every pass that was played is kept here: what lands, where, and how fast.',
	sheet: 'The page for the music stand: print it, or take it away as a file.'
} as const;
