import { NotationElement } from '@coderline/alphatab';

/** What a screen or a page shows elsewhere or sets better itself, and what says nothing of a plan. */
export const LEFT_OUT: readonly NotationElement[] = [
	NotationElement.ScoreTitle,
	NotationElement.GuitarTuning,
	NotationElement.TrackNames,
	NotationElement.ChordDiagrams,
	NotationElement.EffectChordNames,
	NotationElement.EffectDynamics,
	NotationElement.EffectTempo,
	NotationElement.EffectTripletFeel,
	NotationElement.EffectMarker,
	// A note that is held bent is the same note: a fret in brackets would read as another one.
	NotationElement.TabNotesOnTiedBends,
	NotationElement.ParenthesisOnTiedBends
];
