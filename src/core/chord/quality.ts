import { isRole, ROLES, type Role } from './role';

/**
 * A chord quality. `suffix` is its canonical spelling after the root (`''` for major, `m7b5`,
 * `7b9#11`); `tensions` are the tones that a landing avoids (only those of an altered dominant).
 */
export type Quality = {
	readonly suffix: string;
	readonly roles: readonly Role[];
	readonly tensions: readonly Role[];
};

const ORDER: readonly Role[] = ROLES.filter((role) => role !== 'bass');
const inOrder = (roles: Iterable<Role>): Role[] => {
	const set = new Set(roles);
	return ORDER.filter((role) => set.has(role));
};

type Triad = 'maj' | 'min' | 'dim' | 'aug' | 'half';

const MAJ = '(?:major|maj|Maj|MAJ|ma|Ma|M|Δ|\\^)';
const MIN = '(?:minor|min|Min|MIN|mi|m(?!aj?(?:\\d|j|$|\\())|-)';
const MIN_BEFORE_MAJ = '(?:minor|min|Min|mi|m|-)';
const DIM = '(?:dim|°|o(?!m))';
// Longest reading first. Group names: t = triad, j = major seventh, n = number.
const BASE = new RegExp(
	'^(?:' +
		`(?<minmaj>${MIN_BEFORE_MAJ}(?:\\(${MAJ}(?<mn1>7|9|11|13)?\\)|${MAJ}(?<mn2>7|9|11|13)?))` +
		'|(?<half>[øØ](?<hn>7|9|11)?)' +
		`|(?<dimmaj>${DIM}(?:\\(${MAJ}7\\)|${MAJ}7))` +
		`|(?<dim>${DIM}(?<dn>7)?)` +
		`|(?<augmaj>(?:aug|\\+)(?:\\(${MAJ}7\\)|${MAJ}7))` +
		'|(?<aug>(?:aug|\\+)(?<an>7|9)?)' +
		`|(?<min>${MIN}(?<n1>6/9|69|6|7|9|11|13)?)` +
		`|(?<maj>${MAJ}(?<n2>6/9|69|6|7|9|11|13)?)` +
		'|(?<num>6/9|69|5|6|7|9|11|13)' +
		')?'
);

const MOD = /^(?:(add|no|omit)(2|3|4|5|9|11|13)|sus(2|4)?|(alt)|(b|#|\+|-)(5|9|11|13)|(9|11|13))/;

function triadRoles(triad: Triad): Role[] {
	if (triad === 'min') return ['R', 'b3', '5'];
	if (triad === 'dim' || triad === 'half') return ['R', 'b3', 'b5'];
	return triad === 'aug' ? ['R', '3', '#5'] : ['R', '3', '5'];
}

/** Tones of a triad extended to a number; the eleventh of a major-third chord takes the third's place. */
function stack(triad: Triad, number: string, seventh: Role): Role[] {
	const roles = triadRoles(triad);
	if (number === '') return roles;
	if (number === '6') return [...roles, '6'];
	if (number === '69' || number === '6/9') return [...roles, '6', '9'];
	roles.push(seventh);
	if (number !== '7') roles.push('9');
	if (number === '11') {
		roles.push('11');
		return roles.filter((role) => role !== '3');
	}
	if (number === '13') roles.push('13');
	return roles;
}

type Base = { suffix: string; roles: Role[]; rest: string };

function readBase(text: string): Base {
	const match = BASE.exec(text);
	const g = match?.groups ?? {};
	const rest = text.slice(match?.[0].length ?? 0);
	const flat = (n: string) => (n === '6/9' ? '69' : n);
	const base = (suffix: string, roles: Role[]): Base => ({ suffix, roles, rest });
	if (g.minmaj) {
		const n = g.mn1 ?? g.mn2 ?? '7';
		return base(`mMaj${n}`, stack('min', n, '7'));
	}
	if (g.half) {
		const n = g.hn ?? '7';
		return base(`m${n}b5`, stack('half', n, 'b7'));
	}
	if (g.dimmaj) return base('dimMaj7', stack('dim', '7', '7'));
	if (g.dim) return base(g.dn ? 'dim7' : 'dim', stack('dim', g.dn ?? '', 'bb7'));
	if (g.augmaj) return base('maj7#5', stack('aug', '7', '7'));
	if (g.aug) return base(g.an ? `${g.an}#5` : 'aug', stack('aug', g.an ?? '', 'b7'));
	if (g.min) return base(`m${flat(g.n1 ?? '')}`, stack('min', g.n1 ?? '', 'b7'));
	if (g.maj) {
		// A triangle or a caret alone already means the major seventh; `maj` and `M` alone a triad.
		const n = g.n2 ?? (/[Δ^]/.test(g.maj) ? '7' : '');
		const six = n.startsWith('6');
		return base(n === '' || six ? flat(n) : `maj${n}`, stack('maj', n, '7'));
	}
	if (g.num === '5') return base('5', ['R', '5']);
	return base(flat(g.num ?? ''), stack('maj', g.num ?? '', 'b7'));
}

/** Takes the natural extension away that an altered one replaces: a ♭9 in a thirteenth chord. */
function alter(roles: Set<Role>, sign: 'b' | '#', degree: string): boolean {
	if (degree === '5') {
		roles.delete('5');
		roles.add(sign === 'b' ? 'b5' : '#5');
		return true;
	}
	const role = `${sign}${degree}`;
	if (!isRole(role)) return false;
	if (isRole(degree)) roles.delete(degree);
	roles.add(role);
	return true;
}

function withoutThird(roles: Set<Role>): void {
	roles.delete('3');
	roles.delete('b3');
}

function applyMod(match: RegExpExecArray, roles: Set<Role>): string | null {
	const [text, verb, verbDegree = '', sus, alt, sign, signDegree = '', plain] = match;
	if (alt) return null;
	if (verb === 'add') {
		const degree = { '2': '9', '4': '11' }[verbDegree] ?? verbDegree;
		if (degree !== '9' && degree !== '11' && degree !== '13') return null;
		roles.add(degree);
		return `add${degree}`;
	}
	if (verb) {
		if (verbDegree === '3') withoutThird(roles);
		else if (verbDegree === '5') roles.delete('5');
		else return null;
		return `no${verbDegree}`;
	}
	if (text.startsWith('sus')) {
		withoutThird(roles);
		roles.add(sus === '2' ? '2' : '4');
		return `sus${sus ?? '4'}`;
	}
	if (sign) {
		const side = sign === 'b' || sign === '-' ? 'b' : '#';
		return alter(roles, side, signDegree) ? `${side}${signDegree}` : null;
	}
	if (isRole(plain)) roles.add(plain);
	return roles.has('b7') || roles.has('7') || roles.has('bb7') ? `(${plain})` : `add${plain}`;
}

/** Written order of alterations: suspensions first, then by degree, flats before sharps. */
const modDegree = (mod: string): number =>
	mod.startsWith('sus') ? 0 : Number(/\d+/.exec(mod)?.[0] ?? 0);

const ALT: Quality = {
	suffix: '7alt',
	roles: ['R', '3', 'b7', 'b9', '#9', '#11', 'b13'],
	tensions: ['b9', '#9', '#11', 'b13']
};

/**
 * Reads the text after a chord's root, without slash bass, by the table of the public API: triads,
 * sixths, sevenths to thirteenths, suspensions, added tones and alterations in any order, in or out
 * of parentheses. An altered extension replaces the natural one (13♭9 has no 9).
 * @returns null when the text names no quality.
 * @example parseQuality('m7(b5)')?.roles // ['R', 'b3', 'b5', 'b7']
 */
export function parseQuality(text: string): Quality | null {
	if (text === 'alt' || text === '7alt' || text === '7(alt)') return ALT;
	const base = readBase(text);
	const roles = new Set(base.roles);
	const mods: string[] = [];
	let rest = base.rest;
	let open = false;
	while (rest !== '') {
		const separator = /^[(),\s]+/.exec(rest)?.[0];
		if (separator) {
			for (const sign of separator) {
				if (sign === '(' ? open : sign === ')' ? !open : !open) return null;
				if (sign === '(') open = true;
				if (sign === ')') open = false;
			}
			rest = rest.slice(separator.length);
			continue;
		}
		const match = MOD.exec(rest);
		// A bare number is an added tone only inside parentheses: `m7(11)`, never `m711`.
		if (!match || (match[7] && !open)) return null;
		const done = applyMod(match, roles);
		if (done === null) return null;
		mods.push(done);
		rest = rest.slice(match[0].length);
	}
	if (open || /[(,]\)|,$/.test(text)) return null;
	const ordered = inOrder(roles);
	mods.sort((a, b) => modDegree(a) - modDegree(b) || (a < b ? 1 : -1));
	return ordered.length < 2
		? null
		: { suffix: base.suffix + mods.join(''), roles: ordered, tensions: [] };
}
