/** The keys of every screen, as the help lists them: where, then key and what it does. */
export const KEYS = [
	[
		'Everywhere',
		[
			['1 2 3 4 5 6', 'chart, neck, route, phrase, drill, log'],
			['P', 'sheet: the page for the music stand'],
			['N', 'note names or roles'],
			['?', 'this page']
		]
	],
	[
		'Any screen of a tune',
		[
			['Space', 'play, stop'],
			['F', 'stand view'],
			['Q', 'loop the bars round this change, or let go'],
			['- =', 'slower, faster'],
			['Y', 'tap the tempo']
		]
	],
	[
		'Stand view',
		[
			['PgUp PgDn', 'back, on: pedals; arrows do the same'],
			['Enter', 'start, again'],
			['Esc', 'leave it and stop']
		]
	],
	[
		'Notebook',
		[
			['↑ ↓', 'choose a tune'],
			['Space', 'start the first drill of today'],
			['D', 'drill the tune'],
			['Enter', 'open it'],
			['Alt ↑ ↓', 'move the tune in its set, over the end into the next'],
			['/', 'find by title, key, chords (Cm7 F7, ii7 V7) or words'],
			['C', 'new tune'],
			['S', 'new set'],
			['I', 'bring in files; or drop them anywhere']
		]
	],
	[
		'Chart',
		[
			['F6', 'between text and bars'],
			['F8', 'next problem'],
			['Tab', 'take a suggestion'],
			['M', 'numerals or tones under the chords'],
			['T', 'next home of the ranking'],
			['K', 'type a key'],
			['Ctrl S', 'save'],
			['Ctrl Z', 'undo']
		]
	],
	[
		'Neck',
		[
			['← →', 'place toward the nut, toward the body'],
			['↑ ↓', 'previous, next change'],
			['J', 'jump to the place where the chart lies best'],
			['K', 'all places, ranked'],
			['Shift .', 'the tune in the next key of the circle'],
			['U', 'another scale for the sounding chord'],
			['A W E G', 'show the scale, now, next, fingers'],
			['S R', 'arpeggio shapes; grips: the chord at one time'],
			['D B', 'double stops, bends'],
			['H L', 'hidden arpeggios, layouts of the scale'],
			['C V', 'what changes, the place in words'],
			['Esc', 'let the chosen thing go']
		]
	],
	[
		'Neck and Route',
		[
			['[ ]', 'place toward the nut, toward the body'],
			[', .', 'previous, next change'],
			['PgUp PgDn', 'the same, with pedals']
		]
	],
	[
		'Route',
		[
			['R', 'plan'],
			['L', 'lock the landing'],
			['X', 'let the change pass'],
			['A', 'next best landing'],
			['D', 'not this place, for any landing'],
			['B', 'other plans, and what they cost'],
			['W', 'how the route is made'],
			['V', 'strip, tab, notation'],
			['C', 'two routes beside each other'],
			['T', 'another take of the line'],
			['K', 'keep this way, or plan it'],
			['J', 'next weak spot'],
			['M', 'mend it'],
			['S', 'make a motif of the picked notes'],
			['Ctrl Z', 'undo, with Shift redo'],
			['Ctrl S', 'save']
		]
	],
	[
		'Phrase',
		[
			['← →', 'previous, next note'],
			['↑ ↓', 'its step'],
			['Shift ← →', 'all of it an eighth earlier, later'],
			['A', 'one more note'],
			['Del', 'take the note out'],
			['W G U D R', 'answer, sequence, symmetric, later, backward'],
			['B', 'move with the root, or stay'],
			['H', 'hear it'],
			['S', 'store it'],
			['I', 'play a motif in'],
			['T', 'write it as text'],
			['C', 'what this bar is for: call, answer, hold, air'],
			['Enter', 'put it in the line']
		]
	],
	[
		'Phrase, while a motif is played in',
		[
			['Z A Q', 'the rows of letters: the scale, an octave a row'],
			['Shift', 'a semitone higher'],
			['→', 'the last note longer'],
			['.', 'air'],
			['⌫', 'one back'],
			['Enter', 'take it'],
			['Esc', 'give up']
		]
	],
	[
		'Drill',
		[
			['Enter PgDn', 'what the next step says; while it plays, stop'],
			['Space', 'the whole drill again'],
			['PgUp ←', 'hear the pass that is over'],
			['R', 'change the rule: what, where, how fast'],
			['↑ ↓', 'a rung up, down'],
			['[ ]', 'place toward the nut, toward the body'],
			['Shift .', 'the next key of the circle'],
			['H J K', 'log a pass by ear: clean, nearly, not yet'],
			['M', 'a note of your own on the pass'],
			['W', 'warm up on the plan'],
			['Z A Q', 'rows of letters that play, while letters are the input']
		]
	],
	[
		'Sheet',
		[
			['Enter', 'print'],
			['D', 'take it away as PDF'],
			['[ ]', 'place of the chords, where no route is on it']
		]
	],
	[
		'Log',
		[
			['F', 'filter by tune, place, key'],
			['T', 'tables in place of charts']
		]
	],
	[
		'Route, notes of the line',
		[
			['E', 'pick a note, let go'],
			['← →', 'previous, next note'],
			['↑ ↓', 'a scale step; with Shift a semitone'],
			['Shift ← →', 'earlier, later on the grid'],
			['I', 'add a note after it'],
			['Del', 'take it out'],
			['Ctrl ← →', 'pick the neighbour too'],
			['Ctrl A', 'all notes of the way'],
			['Ctrl C', 'copy the way, with Shift the bar'],
			['Ctrl V', 'put it on another']
		]
	],
	[
		'Route, a line of your own',
		[
			['O', 'as tab or note names'],
			['G', 'note by note: begin, end'],
			['Enter', 'the place on the neck that has the focus'],
			[', .', 'back, on: a rest'],
			['H', 'hold the last note'],
			['⌫', 'take it back']
		]
	]
] as const;
