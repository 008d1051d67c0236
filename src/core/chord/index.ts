export {
	isGuideTone,
	ROLES,
	roleInterval,
	roleKind,
	roleWords,
	type Role,
	type RoleKind
} from './role';
export {
	guideTones,
	normaliseSymbol,
	parseChord,
	sameChord,
	toneAt,
	transposeChord,
	type Chord,
	type Tone
} from './chord';
export {
	looksLikeNumeral,
	LOWERED_PLAIN,
	MODES,
	parseNumeral,
	type Key,
	type Mode
} from './numeral';
export { completions, suggestSymbol } from './suggest';
export { engrave, proseSigns, signs } from './engrave';
