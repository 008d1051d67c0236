import type { InputKind } from '$core/practice';
import type { InputTrouble } from '$lib/input/types';

export const INPUT_NAMES: Record<InputKind, string> = {
	midi: 'MIDI instrument',
	microphone: 'Microphone',
	neck: 'Neck and letters here',
	simulated: 'Simulated player',
	file: 'A file',
	hand: 'By ear'
};

/** Why an input cannot be heard, and what to do. */
export const INPUT_TROUBLE: Record<'midi' | 'microphone', Record<InputTrouble, string>> = {
	midi: {
		missing: 'This browser knows no MIDI. Use the neck and letters, or the microphone.',
		insecure: 'MIDI needs https or this very machine. Use the neck and letters instead.',
		refused: 'MIDI was not allowed. Allow it in the browser’s settings for this page.',
		absent: 'No MIDI instrument is plugged in. Plug one in; it is found by itself.',
		broken: 'The MIDI instrument is gone. Plug it in again.'
	},
	microphone: {
		missing: 'This browser hears no microphone. Use MIDI, or the neck and letters.',
		insecure:
			'A microphone needs https or this very machine. Over plain http use the neck and letters, or log passes by ear.',
		refused: 'The microphone was not allowed. Allow it in the browser’s settings for this page.',
		absent: 'No microphone is plugged in. Plug one in and choose it again.',
		broken: 'The microphone broke off. Plug it in and choose it again.'
	}
};
