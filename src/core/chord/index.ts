export {
	isGuideTone,
	isRole,
	ROLES,
	roleInterval,
	roleKind,
	roleWords,
	type Role,
	type RoleKind
} from './role';
export {
	guideTones,
	hasRole,
	normaliseSymbol,
	parseChord,
	sameChord,
	toneAt,
	transposeChord,
	type Chord,
	type Tone
} from './chord';
export {
	isMinorMode,
	looksLikeNumeral,
	LOWERED_PLAIN,
	MODE_NAMES,
	MODES,
	parseMode,
	parseNumeral,
	type Key,
	type Mode
} from './numeral';
export { nearestWord } from './distance';
export { completions, suggestSymbol } from './suggest';
export { engrave, proseSigns, signs } from './engrave';
