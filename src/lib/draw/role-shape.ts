import type { RoleKind } from '$core/chord';

const polygon = (points: readonly (readonly [number, number])[], r: number): string =>
	`M${points.map(([x, y]) => `${(x * r).toFixed(2)},${(y * r).toFixed(2)}`).join('L')}Z`;

const circle = (r: number): string => `M${-r},0A${r},${r} 0 1 1 ${r},0A${r},${r} 0 1 1 ${-r},0Z`;

/**
 * The outline of a role's mark around (0, 0): root a diamond, guide tones a shield, fifth a disc,
 * extensions a hexagon, a foreign bass a disc (its bar is drawn apart). `r` in px.
 */
export function shapePath(kind: RoleKind, r: number): string {
	switch (kind) {
		case 'root':
			return polygon(
				[
					[0, -1.14],
					[1.14, 0],
					[0, 1.14],
					[-1.14, 0]
				],
				r
			);
		case 'third':
		case 'seventh':
			return polygon(
				[
					[-0.88, -0.88],
					[0.88, -0.88],
					[0.88, 0.3],
					[0, 1.06],
					[-0.88, 0.3]
				],
				r
			);
		case 'extension':
			return polygon(
				[
					[-1.04, 0],
					[-0.52, -0.9],
					[0.52, -0.9],
					[1.04, 0],
					[0.52, 0.9],
					[-0.52, 0.9]
				],
				r
			);
		default:
			return circle(0.84 * r);
	}
}

/** Stroke width of a mark's outline by role: guide tones are heavy, extensions thin. */
export const shapeStroke = (kind: RoleKind): number =>
	kind === 'third' || kind === 'seventh' ? 3 : kind === 'root' ? 1.6 : 1.25;

/** How far down the label sits so that it looks centred in its shape, in shares of `r`. */
export const labelShift = (kind: RoleKind): number =>
	kind === 'third' || kind === 'seventh' ? -0.1 : 0;
