import type { Result } from '$core/kernel';
import workletUrl from '$lib/audio/capture.worklet.ts?worker&url';
import { PageClock } from '$lib/audio/page-clock';
import { hearPort } from '$lib/workers/hearing';
import type { InputTrouble, NoteListener, OpenInput } from './types';

/** Why this page can have no microphone at all; null where it may ask for one. */
const noMicrophone = (): InputTrouble | null =>
	!isSecureContext ? 'insecure' : navigator.mediaDevices === undefined ? 'missing' : null;

function troubleOf(error: unknown): InputTrouble {
	const name = error instanceof DOMException ? error.name : '';
	if (name === 'NotAllowedError' || name === 'SecurityError') return 'refused';
	return name === 'NotFoundError' || name === 'OverconstrainedError' ? 'absent' : 'broken';
}

/**
 * Listens to the microphone, one note at a time. Everything that a browser does for speech is switched off:
 * it would take guitars for noise and the band for an echo.
 * @param lost told when the microphone breaks off
 */
export async function openMicrophone(
	listener: NoteListener,
	lost: () => void
): Promise<Result<OpenInput, InputTrouble>> {
	const trouble = noMicrophone();
	if (trouble) return { error: trouble };
	let stream: MediaStream;
	try {
		stream = await navigator.mediaDevices.getUserMedia({
			audio: {
				echoCancellation: false,
				noiseSuppression: false,
				autoGainControl: false,
				channelCount: 1
			}
		});
	} catch (error) {
		return { error: troubleOf(error) };
	}
	const context = new AudioContext({ latencyHint: 'interactive' });
	const stop = () => {
		for (const track of stream.getTracks()) track.stop();
		void context.close();
	};
	try {
		await context.resume();
		await context.audioWorklet.addModule(workletUrl);
		const capture = new AudioWorkletNode(context, 'arc-step-capture', { numberOfOutputs: 0 });
		const clock = new PageClock(() => context.currentTime);
		const looking = setInterval(() => clock.look(), 50);
		const channel = new MessageChannel();
		const deaf = hearPort(channel.port2, context.sampleRate, ({ heard, meter, begins }) => {
			for (const one of heard) {
				const at = clock.momentOf(begins + one.at);
				if (one.kind === 'strike') listener.strike(one.midi, at, one.cents);
				else listener.release(one.midi, at, one.cents);
			}
			listener.meter?.(meter);
		});
		capture.port.postMessage(channel.port1, [channel.port1]);
		context.createMediaStreamSource(stream).connect(capture);
		const tracks = stream.getAudioTracks();
		for (const track of tracks) track.addEventListener('ended', lost);
		listener.devices?.(tracks.map(({ label }) => label || 'the microphone'));
		const close = () => {
			clearInterval(looking);
			for (const track of tracks) track.removeEventListener('ended', lost);
			deaf();
			stop();
		};
		return { value: { close } };
	} catch {
		stop();
		return { error: 'broken' };
	}
}
