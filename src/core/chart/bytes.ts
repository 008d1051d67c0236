const utf8SizeOf = (sign: string): number => {
	const code = sign.codePointAt(0) ?? 0;
	return code < 0x80 ? 1 : code < 0x800 ? 2 : code < 0x10000 ? 3 : 4;
};

/** Bytes of a text in UTF-8. */
export const utf8Length = (text: string): number => {
	let bytes = 0;
	for (const sign of text) bytes += utf8SizeOf(sign);
	return bytes;
};

/** As many whole characters from the start of a text as have at most so many bytes in UTF-8. */
export function withinBytes(text: string, most: number): string {
	let [bytes, at] = [0, 0];
	for (const sign of text) {
		bytes += utf8SizeOf(sign);
		if (bytes > most) break;
		at += sign.length;
	}
	return text.slice(0, at);
}
