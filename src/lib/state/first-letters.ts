import { isTyping } from './focus';
import { bindLetters } from './keys';

/** What is typed between the wish for a new tune and the moment its text can take it; null when nothing waits. */
let waiting: { letters: string; stop: () => void } | null = null;

/** From now on letters are kept for the text that comes: no key of a screen hears them. */
export function keepLetters(): void {
	dropLetters();
	const take = (event: KeyboardEvent): boolean => {
		if (!waiting || event.altKey || event.ctrlKey || event.metaKey || isTyping(event.target))
			return false;
		if (event.key === 'Enter') waiting.letters += '\n';
		else if (event.key === 'Backspace') waiting.letters = waiting.letters.slice(0, -1);
		else if (event.key.length === 1) waiting.letters += event.key;
		else return false;
		return true;
	};
	waiting = { letters: '', stop: bindLetters(take, { level: 'view' }) };
}

/** What was typed so far, for the text that has the focus now; null when no new tune is waited for. */
export function takeLetters(): string | null {
	const letters = waiting?.letters ?? null;
	dropLetters();
	return letters;
}

/** No new tune comes after all. */
export function dropLetters(): void {
	waiting?.stop();
	waiting = null;
}
