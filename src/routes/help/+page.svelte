<script lang="ts">
	import type { Role } from '$core/chord';
	import KeyCap from '$lib/ui/KeyCap.svelte';
	import RoleMark from '$lib/ui/RoleMark.svelte';
	import TopBar from '$lib/ui/TopBar.svelte';

	const KEYS = [
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
				['Esc', 'leave it']
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
	const MARKS: readonly {
		marks: { now?: Role; next?: Role; ink?: Role };
		label: string;
		says: string;
		target?: boolean;
	}[] = [
		{ marks: { now: '5' }, label: '5', says: 'filled, warm: in the chord that sounds now' },
		{ marks: { next: '5' }, label: '5', says: 'hollow, cool: in the chord that comes next' },
		{
			marks: { now: '5', next: 'R' },
			label: '',
			says: 'cut across: in both, each half in its own role'
		},
		{ marks: { ink: 'R' }, label: 'R', says: 'diamond: the root' },
		{ marks: { ink: '3' }, label: '3', says: 'shield: a guide tone, third or seventh' },
		{ marks: { ink: '5' }, label: '5', says: 'disc: the fifth' },
		{ marks: { ink: '9' }, label: '9', says: 'hexagon: an extension or alteration' },
		{
			marks: { ink: 'bass' },
			label: 'B',
			says: 'disc on a bar: a bass note that is no chord tone'
		},
		{ marks: { ink: '3' }, label: '3', target: true, says: 'a second outline: the landing' }
	];
	const SMALL = [
		{
			path: 'M-9,0H9',
			kind: 'dash',
			says: 'dash: a note of the scale in use that is in neither chord'
		},
		{
			path: 'M-9,-4H9M-9,4H9',
			kind: 'double',
			says: 'two dashes: the tone that tells the scale apart from plain major or minor'
		},
		{ path: 'M-9,4Q0,-9 9,4', kind: 'bent', says: 'bent and dotted: it clashes; move on from it' },
		{
			path: 'M-6,0H6M0,-6V6',
			kind: 'plus',
			says: 'plus at a mark: the scale in use lacks this tone'
		},
		{
			path: 'M-14,0H12m-5,-4l5,4l-5,4',
			kind: 'move',
			says: 'arrow: this tone moves by a semitone on its string'
		}
	] as const;
	const TERMS = [
		['change', 'the moment when the sounding chord becomes another. The first chord counts.'],
		['role', 'what a note is in its chord: R, 3, 5, ♭7 and so on.'],
		[
			'guide tones',
			'the third and the seventh; in a suspended chord the suspended tone, in a sixth chord third and sixth.'
		],
		[
			'position',
			'the fret of the index finger. Four frets lie under the fingers; one back and one on can be reached.'
		],
		['window', 'all the places that a position reaches.'],
		['scale in use', 'the notes that you draw on at the moment.'],
		['box', 'the notes of a scale in one position: every pitch once, few reaches.'],
		['form', 'E, D, C, A or G: the open chord whose outline an arpeggio shape keeps.'],
		['roll', 'one finger plays two neighbouring strings on one fret, one after the other.'],
		[
			'home, colour, passing, clash',
			'how a scale note sits on a chord: its own tone, a consonant extension, for motion only, or against it. Advice, never a prohibition.'
		],
		[
			'hidden arpeggio',
			'an arpeggio of another chord whose notes all lie in the scale in use; over the chord of the moment its notes are other roles.'
		],
		['target', 'the chord tone chosen to sound at a change.'],
		['route', 'a plan for one tune in one place, with its targets.'],
		['motif', 'a few notes kept as steps and time, so that they can be laid over any chord.'],
		['call, answer', 'the same opening twice, with another landing the second time.'],
		['air', 'bars that are left to the others.'],
		['drill', 'bars of a tune at a place, in a key, by rules, up a tempo ladder.'],
		['pass', 'one playing of a drill. Clean: every change lands and no rule is broken.'],
		['take', 'a pass as it is kept in the log.'],
		[
			'landed, held, early, late, missed, silent',
			'a chord tone on its moment; one struck before that still sounds; one let go too soon; one within a beat after; only other notes; nothing.'
		],
		['higher, lower', 'always pitch. On the neck it is toward the nut and toward the body.']
	] as const;
	const LINES = [
		[
			'e|--7---8h9-.--|',
			'tab: a row a string, thinnest on top; signs between frets are passed over'
		],
		['.', 'on a string of tab: the note that rings there ends'],
		['| D4 F Ab - . G |', 'names share the time of their bar; a dash holds, a point is silent'],
		['D4  or  D', 'with its octave, or the pitch nearest to the note before']
	] as const;
	const ROWS = [
		[
			'title: …, key: …, scale: …, time: …',
			'header lines, all optional, before the first bar; also tempo, feel, tuning, capo'
		],
		['[Head x2]', 'a section, played twice'],
		['| Bb7 | Eb7 G7 |', 'bars; chords share a bar by its beats'],
		['| Bb7 . . G7 |', 'a point holds for one share: three beats and one'],
		['%', 'the bar before once more'],
		['|: … :|  and  :| x3', 'a repeat, twice or three times'],
		['1.  2.', 'first and second ending, at the start of a bar'],
		['<Eb7  <<Eb7', 'pushed an eighth, a sixteenth early'],
		['{3/4}', 'another time signature from here'],
		['N.C.', 'silence'],
		['I IV7 V7/ii', 'numerals, once the key is set'],
		['// words', 'a comment']
	] as const;
</script>

<svelte:head><title>Help · Arc Step</title></svelte:head>
<TopBar title="Help" />
<main id="main" class="screen">
	<h1 class="lead">
		Hear the chords: land on a note of each, on time, and the hand stays where it is.
	</h1>
	<div class="columns">
		<div>
			<section>
				<div class="section-head"><h2>Keys</h2></div>
				{#each KEYS as [where, rows] (where)}
					<h3>{where}</h3>
					<ul>
						{#each rows as [key, does] (key)}<li class="key">
								<span><KeyCap keys={key} /></span><span>{does}</span>
							</li>{/each}
					</ul>
				{/each}
			</section>
		</div>
		<div class="stack">
			<section>
				<div class="section-head">
					<h2>Marks</h2>
					<small>colour says when, shape says what</small>
				</div>
				<ul>
					{#each MARKS as mark (mark.says)}
						<li class="mark">
							<svg width="44" height="40" viewBox="-22 -20 44 40" aria-hidden="true"
								><RoleMark {...mark.marks} label={mark.label} target={mark.target} /></svg
							>
							<span>{mark.says}</span>
						</li>
					{/each}
					{#each SMALL as { path, kind, says } (kind)}
						<li class="mark">
							<svg width="44" height="40" viewBox="-22 -20 44 40" aria-hidden="true"
								><path class={kind} d={path} /></svg
							>
							<span>{says}</span>
						</li>
					{/each}
				</ul>
			</section>
			<section>
				<div class="section-head" id="care"><h2>Care</h2></div>
				<p class="care">
					Warm up. Rest a few minutes in every half hour. Stop when anything hurts, tingles or goes
					numb. Raise tempo and stretch in small steps. Keep amplifier and headphones low enough to
					talk over. Pain that stays is for a clinician, technique for a teacher.
				</p>
			</section>
			<section>
				<div class="section-head"><h2>Terms</h2></div>
				<dl>
					{#each TERMS as [term, says] (term)}<dt>{term}</dt>
						<dd>{says}</dd>{/each}
				</dl>
			</section>
		</div>
		<div class="stack">
			<section>
				<div class="section-head"><h2>Chart text</h2></div>
				<dl>
					{#each ROWS as [text, says] (text)}<dt><code>{text}</code></dt>
						<dd>{says}</dd>{/each}
				</dl>
			</section>
			<section>
				<div class="section-head"><h2>A line as text</h2></div>
				<dl>
					{#each LINES as [text, says] (text)}<dt><code>{text}</code></dt>
						<dd>{says}</dd>{/each}
				</dl>
			</section>
		</div>
	</div>
</main>

<style>
	.lead {
		font-size: 25px;
		padding: 12px 0 18px;
		max-width: 34em;
	}
	.columns {
		display: grid;
		grid-template-columns: repeat(3, minmax(0, 1fr));
		gap: 32px;
	}
	.stack {
		display: grid;
		gap: 24px;
		align-content: start;
	}
	h3 {
		font-size: 15px;
		padding: 12px 0 4px;
	}
	.key {
		display: grid;
		grid-template-columns: 116px 1fr;
		padding: 5px 0;
		border-bottom: 1px solid var(--hair);
	}
	.mark {
		display: grid;
		grid-template-columns: 56px 1fr;
		align-items: center;
		border-bottom: 1px solid var(--hair);
		min-height: 46px;
	}
	.dash,
	.double,
	.bent,
	.plus,
	.move {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2;
	}
	.dash,
	.double {
		stroke: var(--second);
		stroke-width: 4;
	}
	.bent {
		stroke: var(--second);
		stroke-width: 2.5;
		stroke-dasharray: 2.5 2.5;
	}
	.care {
		padding-top: 8px;
		max-width: 34em;
	}
	dl {
		display: grid;
	}
	dt {
		font-weight: 700;
		padding-top: 8px;
	}
	dd {
		color: var(--second);
		padding-bottom: 8px;
		border-bottom: 1px solid var(--hair);
	}
	code {
		font-family: var(--font-mono);
	}
	@media (max-width: 1099px) {
		.columns {
			grid-template-columns: 1fr 1fr;
		}
	}
	@media (max-width: 640px) {
		.columns {
			grid-template-columns: 1fr;
		}
	}
</style>
