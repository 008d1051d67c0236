import { inflateSync } from 'node:zlib';

const WOFF = 0x774f4646;
const ENTRY = 20;
const HEAD = 44;

/**
 * A font as its tables stand in memory: a web font (WOFF 1.0, W3C recommendation, section 5) unpacked, any
 * other as it is. Programs that read fonts unpack each table anew, slowly, wherever they need it.
 */
export function toSfnt(file: Buffer): Buffer {
	if (file.readUInt32BE(0) !== WOFF) return file;
	const count = file.readUInt16BE(12);
	const tables = Array.from({ length: count }, (_, i) => {
		const at = HEAD + ENTRY * i;
		const [tag, offset, packed, length, checksum] = [0, 4, 8, 12, 16].map((step) =>
			file.readUInt32BE(at + step)
		);
		const data = file.subarray(offset, offset + packed);
		return { tag, checksum, length, data: packed < length ? inflateSync(data) : data };
	});
	const power = Math.floor(Math.log2(count));
	const head = Buffer.alloc(12 + 16 * count);
	head.writeUInt32BE(file.readUInt32BE(4), 0);
	head.writeUInt16BE(count, 4);
	head.writeUInt16BE(16 * 2 ** power, 6);
	head.writeUInt16BE(power, 8);
	head.writeUInt16BE(16 * (count - 2 ** power), 10);
	const parts: Buffer[] = [head];
	let offset = head.length;
	for (const [i, { tag, checksum, length, data }] of tables.entries()) {
		[tag, checksum, offset, length].forEach((value, k) =>
			head.writeUInt32BE(value, 12 + 16 * i + 4 * k)
		);
		// Every table begins at a multiple of four bytes.
		const gap = (4 - (length % 4)) % 4;
		parts.push(data, Buffer.alloc(gap));
		offset += length + gap;
	}
	return Buffer.concat(parts);
}
